import { array, boolean, number, object, string } from 'yup';
import { ok, validate, type IntervalMm, type Result } from '@/core/kernel';
import { PRESS_PLACES, type PressPlace } from './frame-request';

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
  /** Places to measure again, and how many no plan of that cost can do without. Null without a plan. */
  readonly remeasure?: { readonly places: number; readonly atLeast: number } | null;
  /**
   * Over the sizes that carry cables: cables that come out to reach the nearest spare (all of them where there is none); and the price of all
   * modules. `proven`: no plan of that cost is better in second measurings, then these two, then crossings. Null without a plan.
   */
  readonly order?: {
    readonly toSpares: number;
    readonly moduleCost: number;
    readonly proven: boolean;
  } | null;
}

const gapSchema = object({ min: number().required(), max: number().required() })
  .noUnknown()
  .optional()
  .default(undefined);

/** The shape of a plan, for one that somebody else has made or edited. Whether it is right is `checkFramePlan`'s to say. */
export const framePlanSchema = object({
  status: string()
    .oneOf(['optimal', 'gap', 'infeasible'] as const)
    .required(),
  cost: number().nullable().defined(),
  bound: number().nullable().defined(),
  frames: array()
    .of(
      object({
        frame: string().required(),
        openings: array()
          .of(
            object({
              press: string().oneOf(PRESS_PLACES).required(),
              closure: number().required(),
              rows: array()
                .of(
                  object({
                    height: number().min(0).max(3000).required(),
                    places: array()
                      .of(
                        object({
                          module: string().required(),
                          x: number().required(),
                          y: number().required(),
                          cable: string().optional(),
                          peel: array().of(number().integer().min(0).required()).length(2).optional(),
                          gap: gapSchema,
                          remeasure: boolean().optional(),
                          noPeel: boolean().optional(),
                        })
                          .noUnknown()
                          .required(),
                      )
                      .required(),
                  })
                    .noUnknown()
                    .required(),
                )
                .required(),
              fillers: array().of(number().required()).required(),
            })
              .noUnknown()
              .required(),
          )
          .required(),
      })
        .noUnknown()
        .required(),
    )
    .required(),
  unplaced: array()
    .of(object({ tag: string().required(), reason: string().required() }).noUnknown().required())
    .required(),
  crossings: object({ front: number().required(), back: number().required() }).noUnknown().required(),
  parts: array()
    .of(object({ id: string().required(), quantity: number().integer().required() }).noUnknown().required())
    .required(),
  remeasure: object({ places: number().integer().required(), atLeast: number().integer().required() })
    .noUnknown()
    .nullable()
    .optional()
    .default(undefined),
  order: object({
    toSpares: number().integer().required(),
    moduleCost: number().required(),
    proven: boolean().required(),
  })
    .noUnknown()
    .nullable()
    .optional()
    .default(undefined),
  /** What was said to a reader with the plan. */
  notes: array().of(string().required()).optional(),
  /** Building steps that were worked out from the plan; they are worked out again and not read. */
  steps: array().optional(),
})
  .noUnknown()
  .required();

/** Reads a plan of frames from outside. Whether it keeps the rules is `checkFramePlan`'s to say. Errors name path and value. */
export function readFramePlan(value: unknown): Result<FramePlan> {
  const read = validate(framePlanSchema, value);
  // The schema has just said that it is one; the type only adds `readonly` and which lists are pairs.
  return read.ok ? ok(read.value as unknown as FramePlan) : read;
}
