import { boolean, number, object, string, type InferType } from 'yup';
import {
  CLASS_GROUPS,
  CONCEPTS,
  DIVISIONS,
  DUST_GROUPS,
  GAS_GROUPS,
  HAZARD_CLASSES,
  MATERIALS,
  threadSchema,
} from '@/core/catalogue';
import { JOINT_HALVES } from '@/core/pin-map';

/** Zones of IEC 60079-10-1 (gas) and -10-2 (dust). */
export const GAS_ZONES = [0, 1, 2] as const;
export const DUST_ZONES = [20, 21, 22] as const;
const ZONES = [...GAS_ZONES, ...DUST_ZONES];

export const TEMPERATURE_CLASSES = ['T1', 'T2', 'T3', 'T4', 'T5', 'T6'] as const;

/** A box, and the place it stands in. */
export const enclosureSchema = object({
  tag: string().min(1).max(40).required(),
  title: string().max(120).required(),
  concept: string().oneOf(CONCEPTS).required(),
  /** Zone by IEC 60079-10-1/-2; null says that no explosive atmosphere is expected. Not known when left out: then it is asked for. */
  zone: number().oneOf(ZONES).nullable().optional(),
  /** Groups of the gas and of the dust that may be there. Not known when left out or null; asked for in a zone of their own. */
  gasGroup: string().oneOf(GAS_GROUPS).nullable().optional(),
  dustGroup: string().oneOf(DUST_GROUPS).nullable().optional(),
  /** Class by division-style codes; null says that the place is not classified. Not known when left out: then it is asked for. */
  hazardClass: string().oneOf(HAZARD_CLASSES).nullable().optional(),
  division: number().oneOf(DIVISIONS).optional(),
  classGroup: string().oneOf(CLASS_GROUPS).optional(),
  temperatureClass: string().oneOf(TEMPERATURE_CLASSES).nullable().optional(),
  /** Two digits of the IP code asked for here (IEC 60529). */
  ip: string()
    .matches(/^[0-6X][0-9X]$/, 'is not an IP code such as 66')
    .required(),
  material: string().oneOf(MATERIALS).required(),
  /** Something inside may spark or gets hot in service: contacts, fuses, brushes. Not known when left out. */
  ignitionSource: boolean().optional(),
  /** Water or salt stands at the joints in service, so that unlike metals eat each other. */
  wet: boolean().optional(),
  /** The entries of a ferrous box are in a non-magnetic plate, or all phases share one opening. */
  nonMagneticPlate: boolean().optional(),
  /** The wall itself carries the earth to the gland; when not, an earth tag is needed. */
  wallEarthed: boolean().required(),
  /** What was ordered of a device: its supply V, frequency Hz (0 for direct current) and power W. Not known when left out. */
  orderedV: number().positive().max(100_000).optional(),
  orderedHz: number().min(0).max(1000).optional(),
  orderedW: number().positive().max(1e7).optional(),
  freeVolumeCm3: number().min(0).max(10_000_000).required(),
  ambientMinC: number().min(-100).max(60).required(),
  /** Highest temperature at the cable entry in service. */
  entryMaxC: number().min(-20).max(300).required(),
})
  .noUnknown()
  .required();

export type Enclosure = InferType<typeof enclosureSchema>;

/** Flameproof by zones, explosionproof by divisions: a box that holds an explosion inside. */
export const isFlameproof = (enclosure: Pick<Enclosure, 'concept'>): boolean =>
  enclosure.concept === 'Ex d' || enclosure.concept === 'explosionproof';

export const isGasZone = (zone: number): boolean => GAS_ZONES.some((z) => z === zone);

type Place = Pick<Enclosure, 'zone' | 'hazardClass' | 'division'>;

/** The place in words: “zone 1”, “class I, division 2”, “not classified”, “place not known”. */
export function placeWords({ zone, hazardClass, division }: Place): string {
  const words: string[] = [];
  if (zone !== null && zone !== undefined) words.push(`zone ${zone}`);
  if (hazardClass !== null && hazardClass !== undefined)
    words.push(`class ${hazardClass}, division ${division ?? '?'}`);
  if (words.length > 0) return words.join(' · ');
  return zone === null || hazardClass === null ? 'not classified' : 'place not known';
}

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
  /** Threads of a tapered entry that engage wrench-tight, from the box's own sheet. */
  taperedTurns: number().min(0).max(20).optional(),
  /** Made for a plug-in gland body: plant that is moved. */
  plugIn: boolean().optional(),
  /** The device's own clamp, which takes no gland. */
  ownClamp: boolean().optional(),
  /** The inlet of a coupler, which the cable's own coupler goes on. */
  coupler: boolean().optional(),
  /** The housing of an in-line joint, which takes two cable ends: this half of it. */
  inLine: string().oneOf(JOINT_HALVES).optional(),
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

/** An entry that is made: the last stroke of `box/entry` parts the two, so its label has none. */
export const newEntrySchema = entrySchema.shape({
  label: string()
    .min(1)
    .max(20)
    .matches(/^[^/]+$/, 'has no stroke in it')
    .required(),
});
