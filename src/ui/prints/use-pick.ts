'use client';
import { useState } from 'react';
import type { SummaryView } from '@/core/termination-view';
import { tagOf } from './PickedEnds';

export const ALL_AREAS = '';
const areaOf = (row: SummaryView): string => row.area ?? 'no entry';

/** Which ends of a list are picked, by area and one by one; at first all of them or none. */
export function usePick(rows: readonly SummaryView[], begins: 'all' | 'none') {
  const [area, setArea] = useState(ALL_AREAS);
  /** Tags that are not as they were at first. */
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const shown = area === ALL_AREAS ? rows : rows.filter((r) => areaOf(r) === area);
  const isPicked = (tag: string) => turned.has(tag) !== (begins === 'all');
  return {
    area,
    setArea,
    areas: [...new Set(rows.map(areaOf))].sort((a, b) => a.localeCompare(b)),
    shown,
    isPicked,
    picked: shown.filter((r) => isPicked(tagOf(r))),
    put: (tags: readonly string[], on: boolean) => {
      const next = new Set(turned);
      for (const tag of tags) {
        if (on === (begins === 'all')) next.delete(tag);
        else next.add(tag);
      }
      setTurned(next);
    },
  };
}

export type Pick = ReturnType<typeof usePick>;
