import type { FrameSheet, PlugSealSheet, SealSheets, SleeveSealSheet, WrapSealSheet } from '@/core/catalogue';
import type { FramePlan, FrameRequest } from '@/core/frame-packing';
import type { CrossingPlace } from '@/core/frame-building';
import type { Problem, Result } from '@/core/kernel';
import type { Step } from '@/core/record';
import type {
  PlugPlan,
  PlugRequest,
  SleevePlan,
  SleeveRequest,
  WrapPlan,
  WrapRequest,
} from '@/core/soft-seal';
import type { CrossingRequest, CrossingKindId, KnownDiameter, SealAsked, Setups } from '../setup';

export interface Requests {
  readonly frames: FrameRequest;
  readonly sleeve: SleeveRequest;
  readonly plug: PlugRequest;
  readonly wrap: WrapRequest;
}
export interface Plans {
  readonly frames: FramePlan;
  readonly sleeve: SleevePlan;
  readonly plug: PlugPlan;
  readonly wrap: WrapPlan;
}
/** What is asked of a planner, with what nobody has said. */
export interface Askeds {
  readonly frames: CrossingRequest;
  readonly sleeve: SealAsked<SleeveRequest>;
  readonly plug: SealAsked<PlugRequest>;
  readonly wrap: SealAsked<WrapRequest>;
}
export interface Sheets {
  readonly frames: FrameSheet;
  readonly sleeve: SleeveSealSheet;
  readonly plug: PlugSealSheet;
  readonly wrap: WrapSealSheet;
}

/** Every sheet of the catalogue that a crossing can stand on, every revision, oldest first. */
export interface AllSheets {
  readonly frames: readonly FrameSheet[];
  readonly seals: SealSheets;
}

/** Something that is bought or cut for a crossing. */
export interface CrossingPart {
  readonly id: string;
  readonly what: string;
  readonly count: number;
  readonly unit: 'piece' | 'mm' | 'ml';
}

/** A plan with what it was made from. */
export type Made<K extends CrossingKindId = CrossingKindId> = {
  readonly [P in K]: { readonly of: P; readonly request: Requests[P]; readonly plan: Plans[P] };
}[K];

/** How a crossing of one kind is planned, judged, built and bought. A kind that lacks one of these does not compile. */
export interface CrossingKind<K extends CrossingKindId> {
  /** “packed sleeve”. */
  readonly words: string;
  /** All revisions of the sheets that it can stand on. */
  readonly sheets: (all: AllSheets) => readonly Sheets[K][];
  /** The setup of one that has just been added, on a sheet in force. */
  readonly bare: (sheet: Sheets[K] | undefined) => Setups[K];
  /** Does a sheet in force suit a setup that names none? */
  readonly suits: (setup: Setups[K], sheet: Sheets[K]) => boolean;
  readonly ask: (
    setup: Setups[K],
    known: ReadonlyMap<string, KnownDiameter>,
    sheet: Sheets[K],
  ) => Result<Askeds[K]>;
  /** What is planned from; null while something is lacking. */
  readonly requestOf: (asked: Askeds[K]) => Requests[K] | null;
  /** Tells requests apart by what a plan hangs on. */
  readonly hashOf: (request: Requests[K]) => string;
  /** A plan from what somebody sends: read, audited, and worked out anew where it can be. */
  readonly accept: (request: Requests[K], draft: unknown, as: 'planned' | 'asBuilt') => Result<Plans[K]>;
  readonly readRequest: (stored: unknown) => Result<Requests[K]>;
  readonly readPlan: (stored: unknown) => Result<Plans[K]>;
  readonly sheetNamed: (
    request: Requests[K],
  ) => { readonly code: string; readonly revision: string } | undefined;
  readonly steps: (request: Requests[K], plan: Plans[K], setup: Setups[K], place: CrossingPlace) => Step[];
  readonly parts: (request: Requests[K], plan: Plans[K]) => CrossingPart[];
  /** Where it stands in a list: what is in it. */
  readonly brief: (request: Requests[K], plan: Plans[K]) => string;
  /** What keeps a plan from being taken, besides its audit; null when nothing does. */
  readonly refusal: (plan: Plans[K]) => Problem | null;
}
