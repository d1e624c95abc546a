import { scaleLinear, type ScaleLinear } from 'd3';
import type { CriterionId, FindingView } from '@/core/gland-selection';
import type { IntervalMm } from '@/core/kernel';
import type { CandidateView } from '@/core/termination-view';

/** The ranges that a ladder shows, with what they are measured on. */
export const LADDER_COLUMNS: readonly { readonly id: CriterionId; readonly title: string }[] = [
  { id: 'outerSeal', title: 'Outer seal' },
  { id: 'innerSeal', title: 'Inner seal' },
  { id: 'overCores', title: 'Chamber' },
  { id: 'armourRing', title: 'Armour' },
];

export const findingIn = (candidate: CandidateView, id: CriterionId): FindingView | undefined =>
  candidate.findings.find((f) => f.criterion === id);

export interface LadderColumn {
  readonly id: CriterionId;
  readonly title: string;
  readonly interval: IntervalMm | null;
  /** mm to percent of the column's width. */
  readonly scale: ScaleLinear<number, number>;
}

/** How many widths of the nearest range are shown to either side of the cable. */
const WIDTHS_SHOWN = 1.7;

/**
 * One common scale for each column, centred on the cable and wide enough for the neighbours of the size that fits it: what lies
 * farther off is told by an arrow at the edge. Columns without any range are left out.
 */
export function ladderColumns(candidates: readonly CandidateView[]): LadderColumn[] {
  return LADDER_COLUMNS.flatMap(({ id, title }) => {
    const findings = candidates.map((c) => findingIn(c, id)).filter((f) => f !== undefined);
    const ranges = findings.map((f) => f.range).filter((r) => r !== undefined);
    if (ranges.length === 0) return [];
    const interval = findings.find((f) => f.interval !== undefined)?.interval ?? null;
    // A chamber is looked at only where the cores were measured for it.
    if (id === 'overCores' && interval === null) return [];
    return [
      { id, title, interval, scale: scaleLinear().domain(domainFor(ranges, interval)).range([0, 100]) },
    ];
  });
}

function domainFor(ranges: readonly IntervalMm[], interval: IntervalMm | null): [number, number] {
  const low = Math.min(...ranges.map((r) => r.min));
  const high = Math.max(...ranges.map((r) => r.max));
  if (interval === null) return [low, high];
  const middle = (interval.min + interval.max) / 2;
  const distance = (r: IntervalMm) => Math.max(r.min - middle, middle - r.max, 0);
  const nearest = ranges.reduce((a, b) => (distance(b) < distance(a) ? b : a));
  const half = (nearest.max - nearest.min) * WIDTHS_SHOWN + distance(nearest);
  return [middle - half, middle + half];
}
