import { STATIONS, type ArcStation } from '@/core/record';
import type { SummaryView } from '@/core/termination-view';

/** Where an end stands: blocked, done, or at the station that is next. */
export type Lane = 'all' | 'blocked' | 'done' | ArcStation;
export const LANES: readonly Lane[] = ['all', 'blocked', ...STATIONS, 'done'];

export type LaneCounts = Readonly<Partial<Record<Lane, number>>>;

export const laneOf = (row: SummaryView): Lane =>
  row.blockedBy !== null ? 'blocked' : row.next === null ? 'done' : row.next.station;

export function countsOf(all: readonly SummaryView[]): LaneCounts {
  const counts: Partial<Record<Lane, number>> = { all: all.length };
  for (const row of all) {
    const lane = laneOf(row);
    counts[lane] = (counts[lane] ?? 0) + 1;
  }
  return counts;
}

/** As many lines as a tall screen shows: they come with the page, the others after it. */
const IN_SIGHT = 24;

/** So many lines are less than a page weighs already; of more, the first come with it and all of them after it. */
const WHOLE = 150;
export const comesWhole = (all: readonly SummaryView[]): boolean => all.length <= WHOLE;

/** What a page shows before all lines of a large job have come. */
export interface FirstLines {
  readonly rows: readonly SummaryView[];
  readonly counts: LaneCounts;
}

export const firstLines = (all: readonly SummaryView[]): FirstLines => ({
  rows: all.slice(0, IN_SIGHT),
  counts: countsOf(all),
});
