import { scaleLinear, type ScaleLinear } from 'd3';
import type { CriterionId, Finding } from '@/core/gland-selection';
import type { IntervalMm } from '@/core/kernel';
import type { CandidateView } from '@/core/termination-view';

/** The three ranges that a ladder shows, with what they are measured on. */
export const LADDER_COLUMNS: readonly { readonly id: CriterionId; readonly title: string }[] = [
  { id: 'outerSeal', title: 'Outer seal' },
  { id: 'innerSeal', title: 'Inner seal' },
  { id: 'armourRing', title: 'Armour in the ring' },
];

export const findingIn = (candidate: CandidateView, id: CriterionId): Finding | undefined =>
  candidate.findings.find((f) => f.criterion === id);

export interface LadderColumn {
  readonly id: CriterionId;
  readonly title: string;
  readonly interval: IntervalMm | null;
  /** mm to percent of the column's width. */
  readonly scale: ScaleLinear<number, number>;
}

/** One common scale for each column, wide enough for every candidate's range and for the cable. Columns without any range are left out. */
export function ladderColumns(candidates: readonly CandidateView[]): LadderColumn[] {
  return LADDER_COLUMNS.flatMap(({ id, title }) => {
    const findings = candidates.map((c) => findingIn(c, id)).filter((f) => f !== undefined);
    const ranges = findings.map((f) => f.range).filter((r) => r !== undefined);
    if (ranges.length === 0) return [];
    const interval = findings.find((f) => f.interval !== undefined)?.interval ?? null;
    const lows = [...ranges.map((r) => r.min), ...(interval ? [interval.min] : [])];
    const highs = [...ranges.map((r) => r.max), ...(interval ? [interval.max] : [])];
    const [low, high] = [Math.min(...lows), Math.max(...highs)];
    const pad = (high - low) * 0.04;
    return [
      {
        id,
        title,
        interval,
        scale: scaleLinear()
          .domain([low - pad, high + pad])
          .range([0, 100]),
      },
    ];
  });
}
