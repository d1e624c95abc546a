import { boolean, number, object, string, type InferType } from 'yup';
import { CONCEPTS, DUST_GROUPS, GAS_GROUPS, MATERIALS, threadSchema } from '@/core/catalogue';

export const TEMPERATURE_CLASSES = ['T1', 'T2', 'T3', 'T4', 'T5', 'T6'] as const;

/** A box, and the place it stands in. */
export const enclosureSchema = object({
  tag: string().min(1).max(40).required(),
  title: string().max(120).required(),
  concept: string().oneOf(CONCEPTS).required(),
  /** Zone by IEC 60079-10-1/-2; null where no explosive atmosphere is expected. */
  zone: number().oneOf([0, 1, 2, 20, 21, 22]).nullable().default(null),
  gasGroup: string().oneOf(GAS_GROUPS).nullable().default(null),
  dustGroup: string().oneOf(DUST_GROUPS).nullable().default(null),
  temperatureClass: string().oneOf(TEMPERATURE_CLASSES).nullable().default(null),
  /** Two digits of the IP code asked for here (IEC 60529). */
  ip: string()
    .matches(/^[0-6X][0-9X]$/, 'is not an IP code such as 66')
    .required(),
  material: string().oneOf(MATERIALS).required(),
  /** The wall itself carries the earth to the gland; when not, an earth tag is needed. */
  wallEarthed: boolean().required(),
  freeVolumeCm3: number().min(0).max(10_000_000).required(),
  ambientMinC: number().min(-100).max(60).required(),
  /** Highest temperature at the cable entry in service. */
  entryMaxC: number().min(-20).max(300).required(),
})
  .noUnknown()
  .required();

export type Enclosure = InferType<typeof enclosureSchema>;

export const isFlameproof = (enclosure: Pick<Enclosure, 'concept'>): boolean => enclosure.concept === 'Ex d';

/** One hole of a box: threaded, or plain in a plate. Lengths in mm. */
export const entrySchema = object({
  label: string().min(1).max(20).required(),
  kind: string()
    .oneOf(['threaded', 'clearance'] as const)
    .required(),
  thread: threadSchema
    .nullable()
    .default(null)
    .when('kind', {
      is: 'threaded',
      then: (s) =>
        s.test('thread', 'a threaded entry needs its thread', (v) => v !== null && v !== undefined),
    }),
  /** Length of the thread in the wall; for a clearance hole the thickness of the plate. */
  wallMm: number().min(0.5).max(100).required(),
  chamferMm: number().min(0).max(10).required(),
  holeMm: number()
    .min(5)
    .max(150)
    .nullable()
    .default(null)
    .when('kind', {
      is: 'clearance',
      then: (s) =>
        s.test('hole', 'a clearance hole needs its diameter', (v) => v !== null && v !== undefined),
    }),
})
  .noUnknown()
  .required();

export type Entry = InferType<typeof entrySchema>;
