import type { LookDecision } from './step';

/** What was recorded at a mixing. */
export interface MixRecord {
  readonly batch: string;
  /** `2027-03-31`: the last day on which the pack may be used. */
  readonly expiry: string;
  /** Temperature of the work. */
  readonly tempC: number;
}

/** The part of a recorded event that progress hangs on. */
export interface BenchAct {
  readonly stepId: string;
  readonly kind: ActKind;
  readonly fingerprint: string | null;
  readonly decision: LookDecision | null;
  readonly actor: string;
  /** ISO 8601, by the bench's clock. */
  readonly at: string;
  readonly mix: MixRecord | null;
  readonly tempC: number | null;
}

export const ACT_KINDS = [
  'confirm',
  'look',
  'sign',
  'mix',
  'waste',
  'temperature',
  'recut',
  'replan',
  'note',
] as const;
export type ActKind = (typeof ACT_KINDS)[number];
