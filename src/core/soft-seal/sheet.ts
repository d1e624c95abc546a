import { array, boolean, number, object, string, type InferType } from 'yup';
import { rises } from '@/core/kernel';
import { sealantSchema } from './sealant';

/** mm; what is thinner than a hair is a slip of the pen. */
export const MM = () => number().min(0.01).max(20_000);
const id = () => string().min(1).max(40).required();
const share = () => number().min(0).max(1);

/** What may lie anywhere between two figures, mm. */
export const intervalOf = () =>
  object({ min: MM().required(), max: MM().required() })
    .noUnknown()
    .test(
      'order',
      'the largest is below the smallest',
      (v: { readonly min: number; readonly max: number } | undefined) => v === undefined || !(v.max < v.min),
    )
    .required();

/** Where the figures were read. */
const read = { code: id(), revision: string().min(1).max(20).required() };

/** What a sheet of plugs says. */
export const plugBody = {
  plugs: array()
    .of(
      object({
        id: id(),
        bore: intervalOf(),
        /** Gap between cable and bore all round that it closes. */
        annulus: intervalOf(),
        lengthMm: MM().required(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(100)
    .required(),
  /** Out of square by at most, degrees. */
  maxAngleDeg: number().min(0).max(45).required(),
  /** Out of the middle by at most. */
  maxOffsetMm: number().min(0).max(500).required(),
};
export const plugSheetSchema = object({ ...read, ...plugBody })
  .noUnknown()
  .required();

/** What a sheet of fire wraps says. */
export const wrapBody = {
  cloths: array()
    .of(
      object({
        id: id(),
        /** Laid round cables that are there, or drawn on before they are pulled. */
        kind: string()
          .oneOf(['openable', 'closed'] as const)
          .required(),
        stub: intervalOf(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(60)
    .required(),
  strip: object({
    id: id(),
    thicknessMm: MM().required(),
    widthMm: MM().required(),
    /** Thickness that it loses under the tie, as a share. */
    compression: object({ min: share().required(), max: share().lessThan(1).required() })
      .noUnknown()
      .test('order', 'the largest is below the smallest', (c) => !(c.max < c.min))
      .required(),
    /** Layers round a bundle of up to so much. */
    layers: array()
      .of(
        object({ upTo: MM().required(), layers: number().integer().min(1).max(12).required() })
          .noUnknown()
          .required(),
      )
      .min(1)
      .max(20)
      .test('order', 'do not rise in size', (lines) => rises(lines, 'upTo'))
      .required(),
  })
    .noUnknown()
    .required(),
  /** From the end of the stub to the first mark, and from there to the second. */
  marks: object({ fromStubMm: number().min(0).max(5000).required(), apartMm: MM().required() })
    .noUnknown()
    .required(),
  /** Of the stub that has to stand out. */
  minStubMm: MM().required(),
  sealant: sealantSchema,
  /** The tie over it, bought by the length. */
  tie: object({ id: id(), tailMm: MM().required() }).noUnknown().optional().default(undefined),
};
export const wrapSheetSchema = object({ ...read, ...wrapBody })
  .noUnknown()
  .required();
export type WrapSheet = InferType<typeof wrapSheetSchema>;

/** What a sheet of packed sleeves says. */
export const sleeveBody = {
  /** Split filler sleeves by the cable that they take; `wallMm` is what one adds all round. */
  sleeves: array()
    .of(object({ id: id(), takes: intervalOf(), wallMm: MM().required() }).noUnknown().required())
    .max(100)
    .required(),
  /** Blank filler sleeves for what stays empty. */
  fillers: array()
    .of(object({ id: id(), outerMm: MM().required() }).noUnknown().required())
    .max(40)
    .required(),
  /** Wrapped round cables from this size on, beside one another along the filling. */
  strip: object({
    id: id(),
    thicknessMm: MM().required(),
    widthMm: MM().required(),
    fromMm: MM().required(),
    layers: number().integer().min(1).max(12).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  /** Length of what is packed between the two faces of sealant. */
  fillingMm: MM().required(),
  sealant: sealantSchema,
  sealantDepthMm: MM().required(),
  /** In openings as deep as this a gap of air is left. */
  air: object({ fromDepthMm: MM().required(), gapMm: number().min(0).max(5000).required() })
    .noUnknown()
    .optional()
    .default(undefined),
  /** Share of the face that may stay open between sleeves, cables and fillers. */
  maxOpenShare: share().required(),
  /** From this share of the opening on sleeves are put on while the cables are pulled. */
  pullingShare: share().required(),
  /** Room between what lies in the opening. */
  clearanceMm: number().min(0).max(100).required(),
  /** Out of square to the wall by at most, degrees; square only where the sheet is silent. */
  maxSlantDeg: number().min(0).max(80).optional(),
  /** Punches through hardened sealant and a blank, for a cable that comes later. */
  punches: array()
    .of(object({ id: id(), mm: MM().required() }).noUnknown().required())
    .max(20)
    .optional(),
};
export const sleeveSheetSchema = object({ ...read, ...sleeveBody })
  .noUnknown()
  .required();
export type SleeveSheet = InferType<typeof sleeveSheetSchema>;

/** A cable through the wall, by what it may measure. */
export const throughSchema = object({
  tag: string().min(1).max(60).required(),
  diameter: intervalOf(),
  /** What it is drawn by. */
  circuit: string().max(40).optional(),
})
  .noUnknown()
  .required();

/** Faces that a hand reaches; not known when left out. */
export const facesSchema = number()
  .oneOf([1, 2] as const)
  .optional();

/** How hard an arrangement is looked for. */
export const effort = {
  seed: number().integer().min(0).max(4_294_967_295).optional(),
  limitSeconds: number().positive().max(600).optional(),
};

/** Temperature of the wall while it is sealed, °C; not known when left out. */
export const tempSchema = number().min(-60).max(120).optional();

/** Is the rating of the wall known, and the seal approved for it? Not known when left out. */
export const ratingSchema = boolean().optional();
