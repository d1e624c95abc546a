import { ok, refuse, type Result } from '@/core/kernel';
import type { TimePoint } from '@/core/catalogue';
import { cureTime } from './time-table';

/** One reading of the temperature of the work. `at` in minutes on any clock. */
export interface TemperatureReading {
  readonly at: number;
  readonly c: number;
}

export interface CureHold {
  readonly from: number;
  readonly to: number;
  readonly why: 'cold' | 'gap';
  readonly words: string;
}

export interface CurePoint {
  readonly at: number;
  readonly progress: number;
}

export interface CureTrack {
  /** 0 to 1; hard at 1. Never falls. */
  readonly progress: number;
  /** When progress reached 1; null while it has not. */
  readonly hardAt: number | null;
  readonly curve: readonly CurePoint[];
  readonly holds: readonly CureHold[];
  /** Is progress standing still at the last reading? Then why. */
  readonly standing: CureHold | null;
  /** Readings that do not count, by their place in the list, with the reason. */
  readonly ignored: readonly {
    readonly index: number;
    readonly why: 'beforePour' | 'afterNow';
    readonly words: string;
  }[];
  /** When it will be hard if the work stays as it is; the band is by the coldest and hottest reading so far. Null: not by this temperature. */
  readonly ready: { readonly at: number; readonly earliest: number; readonly latest: number | null } | null;
}

/** After this long without a reading nobody knows what the work did. */
export const LONGEST_GAP_MINUTES = 30;

/**
 * Progress = Σ Δt / t_cure(T), each interval by the colder of its two readings. Below the lowest printed point, and in gaps of over
 * 30 minutes, progress stops and a hold is raised. Readings must rise in time. `now` extends the last reading up to the same 30 minutes.
 * Readings before the pour or after `now` do not cure and are named; without `pouredAt` the clock begins with the first reading. Errors:
 * readings out of order or beyond any temperature of work, a pour after `now`, no reading at all.
 */
export function trackCure(
  cure: readonly TimePoint[],
  readings: readonly TemperatureReading[],
  now: number,
  pouredAt: number = -Infinity,
): Result<CureTrack> {
  if (!Number.isFinite(now)) return refuse('now', 'is not a time', now);
  if (pouredAt > now)
    return refuse('pouredAt', 'lies after now: what is not poured yet does not cure', pouredAt);
  const disorder = disorderOf(readings);
  if (disorder) return disorder;
  const ignored = readings.flatMap((r, index) => ignoredAs(r, index, now, pouredAt));
  const left = new Set(ignored.map((i) => i.index));
  const counted = readings.filter((_, i) => !left.has(i));
  if (counted.length === 0) {
    if (readings.length === 0) return refuse('readings', 'no temperature has been read yet');
    return ok({ ...NOTHING_READ, ignored });
  }
  return ok({ ...trackCounted(cure, counted, now), ignored });
}

/** No reading counts: nothing is known, and nothing cures. */
const NOTHING_READ = {
  progress: 0,
  hardAt: null,
  curve: [],
  holds: [],
  standing: null,
  ready: null,
} as const;

function ignoredAs(
  { at }: TemperatureReading,
  index: number,
  now: number,
  pouredAt: number,
): CureTrack['ignored'] {
  if (at < pouredAt) return [{ index, why: 'beforePour', words: 'read before the compound was in' }];
  return at > now ? [{ index, why: 'afterNow', words: 'lies after now' }] : [];
}

function disorderOf(readings: readonly TemperatureReading[]) {
  const disorder = readings.findIndex((r, i) => i > 0 && r.at <= (readings[i - 1]?.at ?? -Infinity));
  if (disorder > 0)
    return refuse(
      `readings[${disorder}].at`,
      'is not later than the reading before it',
      readings[disorder]?.at,
    );
  const wild = readings.findIndex((r) => !Number.isFinite(r.c) || r.c < -50 || r.c > 120);
  return wild >= 0
    ? refuse(`readings[${wild}].c`, 'is not a temperature of the work', readings[wild]?.c)
    : null;
}

function trackCounted(
  cure: readonly TimePoint[],
  readings: readonly TemperatureReading[],
  now: number,
): Omit<CureTrack, 'ignored'> {
  const first = readings[0];
  const last = readings[readings.length - 1];
  if (!first || !last) throw new Error('an empty list is answered before');
  let progress = 0;
  let hardAt: number | null = null;
  const curve: CurePoint[] = [{ at: first.at, progress: 0 }];
  const holds: CureHold[] = [];
  const advance = (from: number, to: number, c: number) => {
    if (to <= from) return;
    if (to - from > LONGEST_GAP_MINUTES) {
      hold(holds, {
        from,
        to,
        why: 'gap',
        words: `no reading for ${Math.round(to - from)} min: read the temperature`,
      });
    } else {
      const time = cureTime(cure, c);
      if (!time.ok) {
        hold(holds, { from, to, why: 'cold', words: time.problems[0]?.message ?? 'too cold' });
      } else {
        const step = (to - from) / time.value.minutes;
        if (hardAt === null && progress + step >= 1 - 1e-9)
          hardAt = from + (1 - progress) * time.value.minutes;
        // A sum of many intervals may miss 1 in its last bit.
        progress = progress + step >= 1 - 1e-9 ? 1 : progress + step;
      }
    }
    curve.push({ at: to, progress });
  };
  readings.forEach((reading, i) => {
    const before = readings[i - 1];
    if (before) advance(before.at, reading.at, Math.min(before.c, reading.c));
  });
  advance(last.at, now, last.c);
  const end = curve[curve.length - 1]?.at ?? last.at;
  const tail = holds[holds.length - 1];
  return {
    progress,
    hardAt,
    curve,
    holds,
    standing: progress < 1 && tail !== undefined && tail.to === end ? tail : null,
    ready: hardAt !== null ? null : predict(cure, readings, progress, end),
  };
}

/** Neighbouring holds of one kind are one hold. */
function hold(holds: CureHold[], next: CureHold): void {
  const last = holds[holds.length - 1];
  if (last && last.why === next.why && last.to === next.from)
    holds[holds.length - 1] = { ...last, to: next.to };
  else holds.push(next);
}

function predict(
  cure: readonly TimePoint[],
  readings: readonly TemperatureReading[],
  progress: number,
  from: number,
): CureTrack['ready'] {
  const temperatures = readings.map((r) => r.c);
  const at = (c: number): number | null => {
    const time = cureTime(cure, c);
    return time.ok ? from + (1 - progress) * time.value.minutes : null;
  };
  const expected = at(temperatures[temperatures.length - 1] ?? NaN);
  const earliest = at(Math.max(...temperatures));
  if (expected === null || earliest === null) return null;
  return { at: expected, earliest, latest: at(Math.min(...temperatures)) };
}
