import type { FrameSheet } from '@/core/catalogue';
import type { FrameCable, FramePlan, FrameRequest } from '@/core/frame-packing';
import type { BenchAct, Step, EventView } from '@/core/record';
import type { CrossingRequest, CrossingSetup, KnownDiameter } from './setup';
import type { CrossingFill } from './summary';

export interface CrossingPlanView {
  readonly id: number;
  readonly kind: 'planned' | 'asBuilt';
  readonly note: string;
  readonly actor: string;
  readonly madeAt: string;
  readonly stale: boolean;
  readonly planHash: string;
  readonly request: FrameRequest;
  readonly plan: FramePlan;
}

export type CrossingState = 'empty' | 'toPlan' | 'stale' | 'planned' | 'building' | 'built';

export interface CrossingLine {
  readonly name: string;
  readonly place: string;
  readonly cables: number;
  readonly state: CrossingState;
  readonly provisional: boolean;
  readonly fill: CrossingFill | null;
  readonly frames: readonly string[];
  readonly done: number;
  readonly steps: number;
  /** What does not hold of its record, the first first; empty when it holds. */
  readonly faults: readonly string[];
}

export interface CrossingView {
  readonly job: string;
  readonly name: string;
  readonly version: number;
  readonly setup: CrossingSetup;
  readonly state: CrossingState;
  readonly asked: CrossingRequest;
  /** The sheet that the crossing stands on, and of each system the revision in force. */
  readonly sheet: FrameSheet;
  readonly sheets: readonly FrameSheet[];
  readonly requestHash: string;
  /** Measured diameters of the whole schedule, for choosing. */
  readonly schedule: readonly { readonly tag: string; readonly diameter: KnownDiameter | null }[];
  /** The newest first; the first is in force. */
  readonly plans: readonly CrossingPlanView[];
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly events: readonly EventView[];
  /** What does not hold of its record, the first first; empty when it holds. */
  readonly faults: readonly string[];
}

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

/** New cables with the frame as it is built with them. */
export interface ReentryDraft {
  readonly id: string;
  readonly knowing: boolean;
  /** Of the crossing that the answer was worked out from. */
  readonly version: number;
  readonly cables: readonly FrameCable[];
  readonly plan: unknown;
}

export interface PlacesPreview {
  readonly plan: FramePlan;
  readonly violations: readonly { readonly path: string; readonly message: string }[];
}

/** The setup with more cables that pass through. */
export const withMembers = (setup: CrossingSetup, cables: readonly FrameCable[]): CrossingSetup => ({
  ...setup,
  members: [
    ...setup.members,
    ...cables.map(({ tag, diameter, circuit }) => ({
      tag,
      diameter,
      ...(circuit === undefined ? {} : { circuit }),
    })),
  ],
});
