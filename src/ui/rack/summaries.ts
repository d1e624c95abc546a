'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { SummaryView } from '@/core/termination-view';

interface Loaded {
  readonly rows: readonly SummaryView[] | null;
  readonly failed: boolean;
}

const cache = new Map<string, Loaded>();
const listeners = new Set<() => void>();
const EMPTY: Loaded = { rows: null, failed: false };

async function load(job: string): Promise<void> {
  try {
    const answer = await fetch(`/api/job/${encodeURIComponent(job)}/summary`, { cache: 'no-store' });
    if (!answer.ok) throw new Error(String(answer.status));
    cache.set(job, { rows: (await answer.json()) as SummaryView[], failed: false });
  } catch {
    cache.set(job, { rows: cache.get(job)?.rows ?? null, failed: true });
  }
  for (const listener of listeners) listener();
}

const CHANGED = 'amber-collar:changed';

/** Tells every list on the page that something of the job has changed. */
export const announceChange = () => window.dispatchEvent(new Event(CHANGED));

/** Calls when something of the job has changed on this page. Returns what ends it. */
export function onChange(listener: () => void): () => void {
  window.addEventListener(CHANGED, listener);
  return () => window.removeEventListener(CHANGED, listener);
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** All terminations of a job in a line each, kept between pages and fetched anew on a change, on focus, and while the server is away. */
export function useSummaries(job: string): Loaded {
  const loaded = useSyncExternalStore(
    subscribe,
    () => cache.get(job) ?? EMPTY,
    () => EMPTY,
  );
  const [, setTick] = useState(0);
  useEffect(() => {
    const again = () => void load(job);
    again();
    window.addEventListener(CHANGED, again);
    window.addEventListener('focus', again);
    return () => {
      window.removeEventListener(CHANGED, again);
      window.removeEventListener('focus', again);
    };
  }, [job]);
  useEffect(() => {
    if (!loaded.failed) return undefined;
    const timer = setTimeout(() => {
      setTick((n) => n + 1);
      void load(job);
    }, 3000);
    return () => clearTimeout(timer);
  }, [job, loaded]);
  return loaded;
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
