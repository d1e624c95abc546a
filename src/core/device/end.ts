import type { Family } from '@/core/catalogue';
import { fail, ok, type IntervalMm, type Problem, type Result } from '@/core/kernel';
import type { Enclosure } from '@/core/schedule';
import { coverPasses, type BoltPass } from '@/core/tightening';
import { PLATE_WORDS, plateSpans, type DeviceOrder, type PlateFigure } from './nameplate';
import type { TurnRule } from './turning';

/** What of a device with its own clamp is worked out besides its cut: its plate, its turning, its cover. */
export interface DeviceEndPlan {
  readonly ordered: DeviceOrder;
  readonly plate: Readonly<Record<PlateFigure, IntervalMm>>;
  /** What its plate must say of protection besides, by the place. */
  readonly place: readonly string[];
  readonly turn: TurnRule;
  readonly passes: readonly BoltPass[];
  readonly coverToleranceNm: number;
}

type Ordered = Pick<
  Enclosure,
  'orderedV' | 'orderedHz' | 'orderedW' | 'ip' | 'gasGroup' | 'dustGroup' | 'temperatureClass' | 'concept'
>;

const ORDERED: Readonly<Record<PlateFigure, 'orderedV' | 'orderedHz' | 'orderedW'>> = {
  volts: 'orderedV',
  hz: 'orderedHz',
  watts: 'orderedW',
};

/** What the plate must say of protection, in words of the place. */
const placeOf = ({ ip, gasGroup, dustGroup, temperatureClass, concept }: Ordered): string[] => [
  `Protection IP ${ip} or better`,
  ...(concept === 'none' ? [] : [`${concept}, certified for this place by its certificate`]),
  ...(gasGroup === undefined || gasGroup === null ? [] : [`Group ${gasGroup} or better`]),
  ...(dustGroup === undefined || dustGroup === null ? [] : [`Group ${dustGroup} or better`]),
  ...(temperatureClass === undefined || temperatureClass === null
    ? []
    : [`Temperature class ${temperatureClass} or cooler`]),
];

/**
 * Plate, turning and cover of a device by its sheet and by what was ordered; null where the family is none. What nobody said of the order is
 * refused: a plate cannot be compared with nothing.
 */
export function planDeviceEnd(
  { device }: Pick<Family, 'device'>,
  box: Ordered,
): Result<DeviceEndPlan> | null {
  if (device === undefined) return null;
  const problems: Problem[] = (Object.keys(ORDERED) as PlateFigure[]).flatMap((figure) =>
    box[ORDERED[figure]] === undefined
      ? [
          {
            path: `enclosure.${ORDERED[figure]}`,
            message: `nobody said which ${PLATE_WORDS[figure].toLowerCase()} was ordered: its plate is compared with it`,
          },
        ]
      : [],
  );
  const passes = coverPasses(device.cover.bolts, device.cover.shape, device.cover.torqueNm);
  if (!passes.ok) problems.push(...passes.problems);
  if (problems.length > 0 || !passes.ok) return fail(problems);
  const ordered = { volts: box.orderedV ?? 0, hz: box.orderedHz ?? 0, watts: box.orderedW ?? 0 };
  return ok({
    ordered,
    plate: plateSpans(ordered, device),
    place: placeOf(box),
    turn: device.turn,
    passes: passes.value,
    coverToleranceNm: device.cover.toleranceNm,
  });
}
