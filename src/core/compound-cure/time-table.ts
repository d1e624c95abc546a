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

/**
 * Workable minutes after mixing at this temperature of the work. Heat shortens them: between two points the hotter one counts, above
 * the table it is refused, below it the coldest point's value is held. Source: the compound's own table.
 */
export function potLife(
  points: readonly TimePoint[],
  c: number,
  mode: TimeMode = 'neighbour',
): Result<WorkTime> {
  const last = points[points.length - 1];
  const first = points[0];
  if (!first || !last) return refuse('potLife', 'the sheet of the compound prints no pot life');
  if (!Number.isFinite(c)) return refuse('c', 'is not a temperature', c);
  if (c > last.c)
    return refuse(
      'c',
      `the work is at ${degrees(c)}, the pot life is printed up to ${degrees(last.c)}: ${degrees(c - last.c)} too hot. Cool the work, or wait`,
      c,
    );
  if (c < first.c)
    return ok({
      minutes: first.minutes,
      basis: 'held',
      words: `${first.minutes} min, held at the value for ${degrees(first.c)}: below the table`,
    });
  const { below, above } = around(points, c);
  if (!below || !above) throw new Error('inside the table there is a point on either side');
  if (below.c === above.c) return ok(printed(below));
  if (mode === 'estimate') return ok(estimated(below, above, c, Math.floor));
  return ok({
    minutes: above.minutes,
    basis: 'neighbour',
    words: `${above.minutes} min, by the hotter point ${degrees(above.c)}`,
  });
}

/**
 * Minutes until hard at this temperature of the work. Cold lengthens them: between two points the colder one counts, below the table it
 * is refused, above it the hottest point's value is held. Source: the compound's own table.
 */
export function cureTime(
  points: readonly TimePoint[],
  c: number,
  mode: TimeMode = 'neighbour',
): Result<WorkTime> {
  const last = points[points.length - 1];
  const first = points[0];
  if (!first || !last) return refuse('cure', 'the sheet of the compound prints no cure');
  if (!Number.isFinite(c)) return refuse('c', 'is not a temperature', c);
  if (c < first.c)
    return refuse(
      'c',
      `the work is at ${degrees(c)}, the cure is printed from ${degrees(first.c)} up: ${degrees(first.c - c)} too cold. Warm the work`,
      c,
    );
  if (c > last.c)
    return ok({
      minutes: last.minutes,
      basis: 'held',
      words: `${last.minutes} min, held at the value for ${degrees(last.c)}: above the table`,
    });
  const { below, above } = around(points, c);
  if (!below || !above) throw new Error('inside the table there is a point on either side');
  if (below.c === above.c) return ok(printed(below));
  if (mode === 'estimate') return ok(estimated(below, above, c, Math.ceil));
  return ok({
    minutes: below.minutes,
    basis: 'neighbour',
    words: `${below.minutes} min, by the colder point ${degrees(below.c)}`,
  });
}

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
