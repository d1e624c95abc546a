/** A step of the work on a soft seal. What it is called and says are words; its id, figure and spans are what a record stands on. */
export interface SealStep {
  readonly id: string;
  readonly title: string;
  readonly detail: string;
  /** What goes wrong without it. */
  readonly reason: string;
  /** Looked at before anything goes on. */
  readonly hold: boolean;
  /** The number to be seen from two metres. */
  readonly figure?: { readonly value: string; readonly unit: string; readonly second?: string };
  readonly list?: readonly string[];
  readonly checks?: readonly string[];
  /** Lengths that are measured here and the span that they must lie in, mm. */
  readonly accepts?: readonly {
    readonly key: string;
    readonly label: string;
    readonly min: number;
    readonly max: number;
    readonly over?: string;
    readonly under?: string;
    /** Why the step may not pass without it. */
    readonly needed: string;
  }[];
  /** Parts of the plan that it stands on: what changes there sends it back. */
  readonly decisions: readonly string[];
}
