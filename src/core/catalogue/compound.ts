import { array, number, object, string, type InferType } from 'yup';
import { sheetSchema } from './family';
import { COMPOUND_KINDS } from './vocabulary';

/** One point of a table printed on a compound's sheet: at this temperature of the work, so many minutes. */
export const timePointSchema = object({
  c: number().min(-40).max(80).required(),
  minutes: number().min(1).max(20_000).required(),
})
  .noUnknown()
  .required();
export type TimePoint = InferType<typeof timePointSchema>;

/** A printed table of minutes over temperature: it must rise in temperature and never rise in minutes. */
export const timeTable = () =>
  array()
    .of(timePointSchema)
    .min(2)
    .max(20)
    .test('order', 'must rise in temperature and never rise in minutes', (points) =>
      (points ?? []).every((p, i, all) => {
        const before = all[i - 1];
        // A point that is none is named by its own schema.
        return !before || !p || (p.c > before.c && p.minutes <= before.minutes);
      }),
    )
    .required();

/** A sealing compound as its own sheet describes it: resin that is mixed and poured, or putty that is kneaded and packed. */
export const compoundSchema = object({
  product: string().min(3).max(60).required(),
  kind: string().oneOf(COMPOUND_KINDS).required(),
  sheet: sheetSchema,
  /** Packs that can be bought, by part number and content. */
  packs: array()
    .of(
      object({
        part: string().min(2).max(40).required(),
        ml: number().min(1).max(5000).required(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(8)
    .required(),
  /** Putty comes as a stick of this diameter; absent for resin. */
  stickMm: number()
    .min(5)
    .max(80)
    .optional()
    .when('kind', {
      is: 'putty',
      then: (s) => s.test('stick', 'putty needs the diameter of its stick', (v) => v !== undefined),
    }),
  /** Minutes that mixing or kneading takes before the first may be filled. */
  mixMinutes: number().min(0).max(60).required(),
  /** Workable minutes after mixing, by the temperature of the work; rising temperature, falling minutes. */
  potLife: timeTable(),
  /** Minutes until hard, by the temperature of the work. */
  cure: timeTable(),
  cautions: array().of(string().min(3).max(240).required()).required(),
})
  .noUnknown()
  .required();
export type Compound = InferType<typeof compoundSchema>;
