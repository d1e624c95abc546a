import { array, number, object, string, type InferType } from 'yup';
import { deviceSchema, sheathRange } from '@/core/catalogue';
import { ok, refuse, type Result } from '@/core/kernel';
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
          object({ id: string().trim().min(1).max(40).required(), takesMm: sheathRange(200) })
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
  cableMm: sheathRange(200),
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

/** Plate against order, the turns so far, the packing ring of the clamp and the passes of the cover. Refused where the housing is turned too far. */
export function planDevice({ sheet, ordered, plate, turns, cableMm }: DeviceRequest): Result<DevicePlan> {
  const stands = turned(turns, sheet.turn);
  if (!stands.ok) return stands;
  const passes = coverPasses(sheet.cover.bolts, sheet.cover.shape, sheet.cover.torqueNm);
  if (!passes.ok) return passes;
  const rings = sheet.rings
    .map(({ id, takesMm }) => ({
      id,
      marginMm: Math.min(cableMm.min - takesMm.min, takesMm.max - cableMm.max),
      touches: cableMm.max >= takesMm.min && cableMm.min <= takesMm.max,
    }))
    .sort((a, b) => b.marginMm - a.marginMm);
  const [best] = rings;
  if (best === undefined) return refuse('sheet.rings', 'there is no ring');
  const misses = trimNumber(-best.marginMm, 2);
  const may = rings.find((r) => r.touches);
  const ring = best.marginMm >= -1e-9 ? { id: best.id, marginMm: Math.max(0, best.marginMm) } : null;
  const findings = comparePlate(ordered, sheet, plate);
  const fails = findings.some((f) => f.verdict === 'fails') || (ring === null && may === undefined);
  const asks = findings.some((f) => f.verdict === 'ask') || (ring === null && may !== undefined);
  return ok({
    answer: fails ? 'fails' : asks ? 'ask' : 'holds',
    plate: findings,
    standsAtDeg: stands.value,
    ring,
    ringWords:
      ring !== null
        ? `${ring.id}, ${trimNumber(ring.marginMm, 2)} mm to spare`
        : may === undefined
          ? `no ring takes it: ${best.id} misses it by ${misses} mm`
          : `${may.id} takes a part of what it may measure: ${trimNumber(-may.marginMm, 2)} mm over, measure again`,
    passes: passes.value,
  });
}
