import { array, boolean, number, object, string, type InferType } from 'yup';
import { eachOnce, intervalSchema } from '@/core/kernel';

/** What a contact of a coupler is for. */
const CONTACT_USES = ['phase', 'earth', 'pilot'] as const;

/** How a conductor is held in the stem of its contact. */
const STEM_JOINTS = ['setScrews', 'solder'] as const;

/** Layers of a phase that a cut-back ladder goes by. */
export const PHASE_LAYERS = ['screen', 'semiconducting'] as const;
export type PhaseLayer = (typeof PHASE_LAYERS)[number];

export const PHASE_LAYER_WORDS: Readonly<Record<PhaseLayer, string>> = {
  screen: 'a screen round each phase',
  semiconducting: 'a semiconducting layer under the screen',
};

const mm = (max = 2000) => number().min(0).max(max).required();
const span = () => intervalSchema(2000);

const isCount = (steps: number): boolean => Math.abs(steps - Math.round(steps)) < 1e-6;

/** Gaskets whose bores go up in even steps, mm: each takes what is over the bore before its own, and not over its own. */
export const boreSeriesSchema = object({
  firstMm: number().positive().max(300).required(),
  stepMm: number().positive().max(50).required(),
  lastMm: number().positive().max(300).required(),
})
  .noUnknown()
  .test(
    'steps',
    'lastMm: is no whole number of steps above the first bore',
    // Asked before its parts are known to be figures; a size without gaskets has none.
    (s: { readonly firstMm?: unknown; readonly stepMm?: unknown; readonly lastMm?: unknown } | undefined) => {
      const { firstMm: first, stepMm: step, lastMm: last } = s ?? {};
      if (typeof first !== 'number' || typeof step !== 'number' || typeof last !== 'number' || !(step > 0))
        return true;
      return last >= first && isCount((last - first) / step);
    },
  );
export type BoreSeries = InferType<typeof boreSeriesSchema>;

/** The cut-back of one core, rung by rung from its end towards the jacket, mm; earth and pilot from the jacket's edge. */
export const ladderSchema = object({
  bareMm: span(),
  insulationMm: span(),
  semiconductingMm: span(),
  /** Screened core between the screen's edge and the jacket. */
  screenedMm: span(),
  earthMm: span(),
  pilotMm: span(),
})
  .noUnknown()
  .required();

/** What the sheet of a coupler says of all its sizes. */
export const couplerSchema = object({
  contacts: array()
    .of(
      object({ id: string().trim().min(1).max(12).required(), use: string().oneOf(CONTACT_USES).required() })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(12)
    .test('once', 'name a contact twice', (list) => eachOnce(list, 'id'))
    .required(),
  layers: array().of(string().oneOf(PHASE_LAYERS).required()).required(),
  ladder: ladderSchema,
  /** The bond strap on each screen: how wide, and how far behind the screen's edge it begins. */
  strap: object({ widthMm: mm(), behindEdgeMm: mm() }).noUnknown().required(),
  /** Stress-control tube: how long it comes, how far it goes on behind the strap, how much insulation it covers at least. */
  stressTube: object({ lengthMm: mm(), behindStrapMm: mm(), onInsulationMm: mm() }).noUnknown().required(),
  /** Insulating tube: how long it comes, how far it lies on the stem, how far it goes on behind the strap. */
  insulatingTube: object({ lengthMm: mm(), onStemMm: mm(), behindStrapMm: mm() }).noUnknown().required(),
  shrinkFrom: string()
    .oneOf(['stem', 'jacket'] as const)
    .required(),
  /** Between stem and insulation: what may stay open, up to what it is filled with tape, and what that tape is. */
  gap: object({
    openMm: mm(100),
    tapedMm: mm(100),
    tapeThicknessMm: number().positive().max(5).required(),
    tapeWidthsMm: array().of(number().positive().max(100).required()).min(1).max(8).required(),
  })
    .noUnknown()
    .required(),
  joint: string().oneOf(STEM_JOINTS).required(),
  /** A wrap of semiconducting tape over the screen's edge, before the tubes. */
  edgeWrap: boolean().required(),
  /** Where each bond goes: the points that the sheet names. */
  bonds: array().of(string().trim().min(3).max(80).required()).min(1).max(12).required(),
}).noUnknown();
export type CouplerSheet = InferType<typeof couplerSchema>;

/** What a size of a coupler takes, and the stem of its phase contacts. */
export const couplerSizeSchema = object({
  /** Gaskets of its cable entrance, and of the strain relief behind it. */
  entrance: boreSeriesSchema.required(),
  relief: boreSeriesSchema.required(),
  /** Casting that goes with the entrance, and the one of the strain relief. */
  entrancePart: string().trim().min(2).max(40).required(),
  reliefPart: string().trim().min(2).max(40).required(),
  /** Phase conductors that its stem takes, mm². */
  sectionMm2: intervalSchema(1000),
  stemDepthMm: number().positive().max(200).required(),
  /** Set screws from the stem's mouth, mm; none where it is soldered. */
  screwsAtMm: array().of(number().min(0).max(200).required()).max(6).required(),
  /** Conductor that must lie beyond the farthest screw, or in a soldered stem at all, mm. */
  holdMm: number().positive().max(200).required(),
  screwTorqueNm: number().positive().max(200).optional(),
  screwToleranceNm: number().min(0).max(50).optional(),
}).noUnknown();
export type CouplerSize = InferType<typeof couplerSizeSchema>;
