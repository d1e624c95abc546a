import { array, number, object, string, type InferType } from 'yup';
import { deviceSchema } from '@/core/catalogue';
import { fitInRange, intervalSchema, ok, refuse, type RangeFit, type Result } from '@/core/kernel';
import { coverPasses, type BoltPass } from '@/core/tightening';
import { trimNumber } from '@/core/units';
import { comparePlate, type PlateFinding } from './nameplate';
import { turned } from './turning';

const volts = () => number().min(0).max(100_000);
const hertz = () => number().min(0).max(1000);
const watts = () => number().min(0).max(1e7);

export const deviceRequestSchema = object({
  sheet: deviceSchema
    .shape({
      /** Packing rings of its clamp, each for a range of diameters. */
      rings: array()
        .of(
          object({ id: string().trim().min(1).max(40).required(), takesMm: intervalSchema(200) })
            .noUnknown()
            .required(),
        )
        .min(1)
        .max(40)
        .required(),
    })
    .required(),
  ordered: object({ volts: volts().required(), hz: hertz().required(), watts: watts().required() })
    .noUnknown()
    .required(),
  /** As its plate reads; left out what nobody has read. */
  plate: object({ volts: volts().optional(), hz: hertz().optional(), watts: watts().optional() })
    .noUnknown()
    .required(),
  /** Turns of the housing one after another, °, clockwise counted up. */
  turns: array().of(number().min(-720).max(720).required()).max(100).required(),
  /** The cable as it was measured, mm. */
  cableMm: intervalSchema(200),
})
  .noUnknown()
  .required();
export type DeviceRequest = InferType<typeof deviceRequestSchema>;

export interface DevicePlan {
  readonly answer: 'holds' | 'fails' | 'ask';
  readonly plate: readonly PlateFinding[];
  /** Where the housing stands, °. */
  readonly standsAtDeg: number;
  /** The ring that wholly takes the cable, with its least room, mm; null where one only may, or none does. */
  readonly ring: { readonly id: string; readonly marginMm: number } | null;
  readonly ringWords: string;
  readonly passes: readonly BoltPass[];
}

const RING_VERDICTS = { fits: 'holds', marginal: 'ask', misfit: 'fails' } as const satisfies Record<
  RangeFit['verdict'],
  PlateFinding['verdict']
>;
const RING_WORDS: Readonly<Record<RangeFit['verdict'], (id: string, mm: string) => string>> = {
  fits: (id, mm) => `${id}, ${mm} mm to spare`,
  marginal: (id, mm) => `${id} takes a part of what it may measure: ${mm} mm over, measure again`,
  misfit: (id, mm) => `no ring takes it: ${id} misses it by ${mm} mm`,
};

/** Plate against order, the turns so far, the packing ring of the clamp and the passes of the cover. Refused where the housing is turned too far. */
export function planDevice({ sheet, ordered, plate, turns, cableMm }: DeviceRequest): Result<DevicePlan> {
  const stands = turned(turns, sheet.turn);
  if (!stands.ok) return stands;
  const passes = coverPasses(sheet.cover.bolts, sheet.cover.shape, sheet.cover.torqueNm);
  if (!passes.ok) return passes;
  const rings = sheet.rings
    .map(({ id, takesMm }) => ({ id, ...fitInRange(takesMm, cableMm) }))
    .sort((a, b) => b.marginMm - a.marginMm);
  // What fits has room, so it comes first; what may fit misses by less than what does not.
  const [best] = rings;
  if (best === undefined) return refuse('sheet.rings', 'there is no ring');
  const findings = comparePlate(ordered, sheet, plate);
  const verdicts = [...findings.map((f) => f.verdict), RING_VERDICTS[best.verdict]];
  return ok({
    answer: verdicts.includes('fails') ? 'fails' : verdicts.includes('ask') ? 'ask' : 'holds',
    plate: findings,
    standsAtDeg: stands.value,
    ring: best.verdict === 'fits' ? { id: best.id, marginMm: best.marginMm } : null,
    ringWords: RING_WORDS[best.verdict](best.id, trimNumber(Math.abs(best.marginMm), 2)),
    passes: passes.value,
  });
}
