import { array, number, object, string, type InferType } from 'yup';
import type { Shape } from './model';
import type { PackingOptions } from './pack';

/** More circles than this are not packed at once. */
export const MOST_CIRCLES = 600;
/** mm; what is thinner than a hair is a slip of the pen. */
const DIAMETER = number().min(0.01).max(5000);

const diameters = array()
  .of(DIAMETER.required())
  .min(1)
  .max(MOST_CIRCLES, `more than ${MOST_CIRCLES} circles are not packed at once: part them`)
  .required();

const common = {
  diameters,
  clearance: number().min(0).max(1000).optional(),
  seed: number().integer().min(0).max(4_294_967_295).optional(),
  limitSeconds: number().positive().max(600).optional(),
};

/** What a request leaves out: no clearance, seed 1, two seconds. */
export const packingOptions = ({
  clearance = 0,
  seed = 1,
  limitSeconds = 2,
}: {
  readonly clearance?: number | undefined;
  readonly seed?: number | undefined;
  readonly limitSeconds?: number | undefined;
}): PackingOptions => ({ clearance, seed, limitSeconds });

export const bundleRequestSchema = object(common).noUnknown().required();

/** A circle has a diameter and no sides, a rectangle its two sides and no diameter. */
export const shapeSchema = object({
  kind: string()
    .oneOf(['circle', 'rectangle'] as const)
    .required(),
  d: DIAMETER.when('kind', {
    is: 'circle',
    then: (s) => s.required(),
    otherwise: (s) => s.test('none', 'is for a circle', (v) => v === undefined),
  }),
  w: DIAMETER.when('kind', {
    is: 'rectangle',
    then: (s) => s.required(),
    otherwise: (s) => s.test('none', 'is for a rectangle', (v) => v === undefined),
  }),
  h: DIAMETER.when('kind', {
    is: 'rectangle',
    then: (s) => s.required(),
    otherwise: (s) => s.test('none', 'is for a rectangle', (v) => v === undefined),
  }),
})
  .noUnknown()
  .required();

/** The shape that was asked about, as it is packed. */
export const shapeOf = ({ kind, d = 0, w = 0, h = 0 }: InferType<typeof shapeSchema>): Shape =>
  kind === 'circle' ? { kind, d } : { kind, w, h };

export const encloseRequestSchema = object({ shape: shapeSchema, ...common })
  .noUnknown()
  .required();
