'use client';
import type { SummaryView } from '@/core/termination-view';
import { useLook } from '../data/use-look';

interface Loaded {
  readonly rows: readonly SummaryView[] | null;
  readonly failed: boolean;
}

/** All terminations of a job in a line each, kept between pages and looked up anew on a change, on focus, and while the server is away. */
export function useSummaries(job: string): Loaded {
  const { view, problems } = useLook(['viewSummaries', job], { insist: true });
  return { rows: view, failed: problems.length > 0 };
}

/** Text that a filter looks into, folded once for each row. */
const folded = new WeakMap<SummaryView, string>();

export function filterSummaries(rows: readonly SummaryView[], filter: string): readonly SummaryView[] {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return rows;
  return rows.filter((row) => {
    let text = folded.get(row);
    if (text === undefined) {
      text = [
        `${row.cable}/${row.end}`,
        row.enclosure,
        row.title,
        row.area,
        row.type,
        row.size,
        row.next?.action,
        row.blockedBy,
      ]
        .join(' ')
        .toLowerCase();
      folded.set(row, text);
    }
    const found = text;
    return words.every((w) => found.includes(w));
  });
}

export const stationPath = (job: string, cable: string, end: string, station: string): string =>
  `/job/${encodeURIComponent(job)}/t/${encodeURIComponent(cable)}/${end}/${station}`;
