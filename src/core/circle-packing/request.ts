import { array, number, object, string } from 'yup';

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
  clearance: number().min(0).max(1000).default(0),
  seed: number().integer().min(0).max(4_294_967_295).default(1),
  limitSeconds: number().positive().max(600).default(2),
};

export const bundleRequestSchema = object(common).noUnknown().required();

/** A circle has a diameter and no sides, a rectangle its two sides and no diameter. */
const shapeSchema = object({
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

export const encloseRequestSchema = object({ shape: shapeSchema, ...common })
  .noUnknown()
  .required();
