import type { IntervalMm } from '@/core/kernel';
import type { PressPlace } from './frame-request';

/** Where a module stands. `x`, `y`: its lower-left corner seen from the front, mm. */
export interface Place {
  readonly module: string;
  readonly x: number;
  readonly y: number;
  /** Tag of the cable it carries; a place without one is a spare. */
  readonly cable?: string;
  /** Layers peeled from one half and from the other. */
  readonly peel?: readonly [number, number];
  /** What is left between the halves, over the cable's whole interval. */
  readonly gap?: IntervalMm;
  /** No number of layers leaves a good gap over the whole interval: peel one, try, peel one. */
  readonly remeasure?: true;
  /** Not even in the middle of the interval. */
  readonly noPeel?: true;
}

export interface PlannedRow {
  readonly height: number;
  readonly places: readonly Place[];
}

export interface PlannedOpening {
  readonly press: PressPlace;
  /** What is left for the press unit, mm. */
  readonly closure: number;
  /** In building order: row 1 is opposite the press unit. */
  readonly rows: readonly PlannedRow[];
  readonly fillers: readonly number[];
}

export interface PlannedFrame {
  readonly frame: string;
  readonly openings: readonly PlannedOpening[];
}

export interface FramePlan {
  /** `gap`: the best that was found within the limit; `infeasible`: the frames that are there cannot hold all cables. */
  readonly status: 'optimal' | 'gap' | 'infeasible';
  readonly cost: number | null;
  /** No plan can cost less than this. */
  readonly bound: number | null;
  readonly frames: readonly PlannedFrame[];
  readonly unplaced: readonly { readonly tag: string; readonly reason: string }[];
  readonly crossings: { readonly front: number; readonly back: number };
  readonly parts: readonly { readonly id: string; readonly quantity: number }[];
}
