import { ok, refuse, type Result } from '@/core/kernel';
import type { TimePoint } from '@/core/catalogue';
import { trimNumber } from '@/core/units';

/** `neighbour`: the printed point on the safe side. `estimate`: between the points, which no sheet prints and which is shown as such. */
export const TIME_MODES = ['neighbour', 'estimate'] as const;
export type TimeMode = (typeof TIME_MODES)[number];

export interface WorkTime {
  readonly minutes: number;
  /** `held`: beyond the table on the side where its last value is the safe one. */
  readonly basis: 'point' | 'neighbour' | 'estimate' | 'held';
  readonly words: string;
}

const KELVIN = 273.15;

/** Neighbours of a temperature in a table that rises in temperature. */
function around(
  points: readonly TimePoint[],
  c: number,
): { below: TimePoint | null; above: TimePoint | null } {
  const below = [...points].reverse().find((p) => p.c <= c) ?? null;
  const above = points.find((p) => p.c >= c) ?? null;
  return { below, above };
}

/** ln(minutes) against 1/T in kelvin, between two printed points (Arrhenius). */
export function estimateMinutes(a: TimePoint, b: TimePoint, c: number): number {
  const x = (t: number) => 1 / (t + KELVIN);
  const share = (x(c) - x(a.c)) / (x(b.c) - x(a.c));
  return Math.exp(Math.log(a.minutes) + share * (Math.log(b.minutes) - Math.log(a.minutes)));
}

const degrees = (c: number) => `${trimNumber(c, 1)} °C`;

/** Which side of a table is the safe one. */
interface Side {
  readonly path: string;
  readonly unprinted: string;
  /** The neighbour that counts between two points. */
  readonly neighbour: 'below' | 'above';
  readonly neighbourWord: string;
  readonly round: (minutes: number) => number;
  /** The refusal beyond the end that is not safe. */
  readonly refuse: (c: number, limit: TimePoint) => string;
  readonly heldWord: string;
}

const POT_LIFE: Side = {
  path: 'potLife',
  unprinted: 'the sheet of the compound prints no pot life',
  neighbour: 'above',
  neighbourWord: 'hotter',
  round: Math.floor,
  refuse: (c, limit) =>
    `the work is at ${degrees(c)}, the pot life is printed up to ${degrees(limit.c)}: ${degrees(c - limit.c)} too hot. Cool the work, or wait`,
  heldWord: 'below the table',
};

const CURE: Side = {
  path: 'cure',
  unprinted: 'the sheet of the compound prints no cure',
  neighbour: 'below',
  neighbourWord: 'colder',
  round: Math.ceil,
  refuse: (c, limit) =>
    `the work is at ${degrees(c)}, the cure is printed from ${degrees(limit.c)} up: ${degrees(limit.c - c)} too cold. Warm the work`,
  heldWord: 'above the table',
};

function timeAt(points: readonly TimePoint[], c: number, mode: TimeMode, side: Side): Result<WorkTime> {
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last) return refuse(side.path, side.unprinted);
  if (!Number.isFinite(c)) return refuse('c', 'is not a temperature', c);
  const hotIsUnsafe = side.neighbour === 'above';
  if (hotIsUnsafe ? c > last.c : c < first.c)
    return refuse('c', side.refuse(c, hotIsUnsafe ? last : first), c);
  if (hotIsUnsafe ? c < first.c : c > last.c) return ok(held(hotIsUnsafe ? first : last, side.heldWord));
  const { below, above } = around(points, c);
  if (!below || !above) throw new Error('inside the table there is a point on either side');
  if (below.c === above.c) return ok(printed(below));
  if (mode === 'estimate') return ok(estimated(below, above, c, side.round));
  const point = hotIsUnsafe ? above : below;
  return ok({
    minutes: point.minutes,
    basis: 'neighbour',
    words: `${point.minutes} min, by the ${side.neighbourWord} point ${degrees(point.c)}`,
  });
}

/**
 * Workable minutes after mixing at this temperature of the work. Heat shortens them: between two points the hotter one counts, above
 * the table it is refused, below it the coldest point's value is held. Source: the compound's own table.
 */
export const potLife = (
  points: readonly TimePoint[],
  c: number,
  mode: TimeMode = 'neighbour',
): Result<WorkTime> => timeAt(points, c, mode, POT_LIFE);

/**
 * Minutes until hard at this temperature of the work. Cold lengthens them: between two points the colder one counts, below the table it
 * is refused, above it the hottest point's value is held. Source: the compound's own table.
 */
export const cureTime = (
  points: readonly TimePoint[],
  c: number,
  mode: TimeMode = 'neighbour',
): Result<WorkTime> => timeAt(points, c, mode, CURE);

const held = (p: TimePoint, beyond: string): WorkTime => ({
  minutes: p.minutes,
  basis: 'held',
  words: `${p.minutes} min, held at the value for ${degrees(p.c)}: ${beyond}`,
});

const printed = (p: TimePoint): WorkTime => ({
  minutes: p.minutes,
  basis: 'point',
  words: `${p.minutes} min, as printed for ${degrees(p.c)}`,
});

function estimated(a: TimePoint, b: TimePoint, c: number, round: (n: number) => number): WorkTime {
  const minutes = round(estimateMinutes(a, b, c));
  return {
    minutes,
    basis: 'estimate',
    words: `about ${minutes} min, an estimate between ${degrees(a.c)} and ${degrees(b.c)}: no sheet prints it`,
  };
}
