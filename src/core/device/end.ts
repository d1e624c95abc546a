import type { Family } from '@/core/catalogue';
import { fail, ok, type IntervalMm, type Problem, type Result } from '@/core/kernel';
import type { Enclosure } from '@/core/schedule';
import { coverPasses, type BoltPass } from '@/core/tightening';
import { PLATE_FIGURES, PLATE_WORDS, plateSpans, type DeviceOrder, type PlateFigure } from './nameplate';
import type { TurnRule } from './turning';

/** What the place asks of a device's plate besides the supply. */
export type DevicePlace = Pick<Enclosure, 'concept' | 'ip' | 'gasGroup' | 'dustGroup' | 'temperatureClass'>;

/** What of a device with its own clamp is worked out besides its cut: its plate, its turning, its cover. */
export interface DeviceEndPlan {
  readonly ordered: DeviceOrder;
  readonly plate: Readonly<Record<PlateFigure, IntervalMm>>;
  readonly place: DevicePlace;
  readonly turn: TurnRule;
  readonly passes: readonly BoltPass[];
  readonly coverToleranceNm: number;
}

const ORDERED = { volts: 'orderedV', hz: 'orderedHz', watts: 'orderedW' } as const satisfies Record<
  PlateFigure,
  keyof Enclosure
>;

/**
 * Plate, turning and cover of a device by its sheet and by what was ordered; null where the family is none. What nobody said of the order is
 * refused: a plate cannot be compared with nothing.
 */
export function planDeviceEnd(
  { device }: Pick<Family, 'device'>,
  box: DevicePlace & Pick<Enclosure, (typeof ORDERED)[PlateFigure]>,
): Result<DeviceEndPlan> | null {
  if (device === undefined) return null;
  const { bolts, shape, torqueNm, toleranceNm } = device.cover;
  const passes = coverPasses(bolts, shape, torqueNm);
  if (!passes.ok) return passes;
  const { orderedV: volts, orderedHz: hz, orderedW: watts } = box;
  if (volts === undefined || hz === undefined || watts === undefined)
    return fail(PLATE_FIGURES.filter((f) => box[ORDERED[f]] === undefined).map(notOrdered));
  const ordered = { volts, hz, watts };
  const { concept, ip, gasGroup, dustGroup, temperatureClass } = box;
  return ok({
    ordered,
    plate: plateSpans(ordered, device),
    place: { concept, ip, gasGroup, dustGroup, temperatureClass },
    turn: device.turn,
    passes: passes.value,
    coverToleranceNm: toleranceNm,
  });
}

const notOrdered = (figure: PlateFigure): Problem => ({
  path: `enclosure.${ORDERED[figure]}`,
  message: `nobody said which ${PLATE_WORDS[figure].toLowerCase()} was ordered: its plate is compared with it`,
});
