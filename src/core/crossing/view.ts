import type { Measuring } from '@/core/instrument';
import type { FrameCable, FramePlan } from '@/core/frame-packing';
import type { BenchAct, Step, EventView } from '@/core/record';
import type { Askeds, Made, Sheets } from './kinds';
import type { CrossingKindId, CrossingSetup, KnownDiameter, Setups } from './setup';
import type { CrossingFill } from './summary';

/** A plan that is kept, with what it was made from. */
export type CrossingPlanView<K extends CrossingKindId = CrossingKindId> = Made<K> & {
  readonly id: number;
  readonly kind: 'planned' | 'asBuilt';
  readonly note: string;
  readonly actor: string;
  readonly madeAt: string;
  readonly stale: boolean;
  readonly planHash: string;
};

export type CrossingState = 'empty' | 'toPlan' | 'stale' | 'planned' | 'building' | 'built';

export interface CrossingLine {
  readonly name: string;
  readonly kind: CrossingKindId;
  readonly place: string;
  readonly cables: number;
  readonly state: CrossingState;
  readonly provisional: boolean;
  /** How full its frames are; null for other kinds, and without a plan. */
  readonly fill: CrossingFill | null;
  /** What it is built of, in a few words; empty without a plan. */
  readonly brief: string;
  /** What a soft seal comes to, as a sentence; null for frames, and without a plan. */
  readonly verdict: string | null;
  readonly done: number;
  readonly steps: number;
  /** What does not hold of its record, the first first; empty when it holds. */
  readonly faults: readonly string[];
}

interface ViewOf<K extends CrossingKindId> {
  readonly kind: K;
  readonly job: string;
  readonly name: string;
  readonly version: number;
  readonly setup: Setups[K];
  readonly state: CrossingState;
  readonly asked: Askeds[K];
  /** The sheet that the crossing stands on, and of each system the revision in force. */
  readonly sheet: Sheets[K];
  readonly sheets: readonly Sheets[K][];
  /** Of what is asked today; empty while something is lacking. */
  readonly requestHash: string;
  /** Measured diameters of the whole schedule, for choosing. */
  readonly schedule: readonly { readonly tag: string; readonly diameter: KnownDiameter | null }[];
  /** The newest first; the first is in force. Those of another kind, from before it was changed, are not among them. */
  readonly plans: readonly CrossingPlanView<K>[];
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  /** By what readings at its bench are judged. */
  readonly measuring: Measuring;
  readonly events: readonly EventView[];
  /** What does not hold of its record, the first first; empty when it holds. */
  readonly faults: readonly string[];
  /** What it was called when its events were written, where that is not what it is called now. A server of a release before does not say. */
  readonly formerNames?: readonly string[];
}

/** Everything about a crossing of one kind, or of any. */
export type CrossingView<K extends CrossingKindId = CrossingKindId> = { readonly [P in K]: ViewOf<P> }[K];
export type FrameView = CrossingView<'frames'>;
export type SealKindId = Exclude<CrossingKindId, 'frames'>;
export type SealView = CrossingView<SealKindId>;

export interface PlanDraft {
  /** Made by the client, so that a repeated send is stored once. */
  readonly id: string;
  readonly kind: 'planned' | 'asBuilt';
  /** Of the request that the plan was made from. */
  readonly requestHash: string;
  readonly plan: unknown;
  readonly note: string;
  /** Building work that this sends back has been shown and is to be done again. */
  readonly knowing: boolean;
}

/** A cable that comes later; `bundle` where the crossing is a wrap. */
export type LaterCable = FrameCable & { readonly bundle?: string | undefined };

/** Cables that come, and cables that go, with what closes the wall as it is built then. */
export interface ReentryDraft {
  readonly id: string;
  readonly knowing: boolean;
  /** Of the crossing that the answer was worked out from. */
  readonly version: number;
  readonly cables: readonly LaterCable[];
  /** Tags of those that come out. */
  readonly without: readonly string[];
  readonly plan: unknown;
}

export interface PlacesPreview {
  readonly plan: FramePlan;
  readonly violations: readonly { readonly path: string; readonly message: string }[];
}

/** The setup with more cables that pass through, and without some of those that did. */
export const withMembers = <S extends CrossingSetup>(
  setup: S,
  cables: readonly LaterCable[],
  without: readonly string[],
): S => ({
  ...setup,
  members: [
    ...setup.members.filter((m) => !without.includes(m.tag)),
    ...cables.map(({ tag, diameter, circuit, bundle }) => ({
      tag,
      diameter,
      ...(circuit === undefined ? {} : { circuit }),
      ...(bundle === undefined ? {} : { bundle }),
    })),
  ],
});
