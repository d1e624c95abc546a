import { fromUm } from '@/core/kernel';
import { threadName } from '@/core/catalogue';
import type { Criterion } from '../finding';

const entryName = (entry: {
  thread: { form: 'metric' | 'npt'; size: string; pitchMm: number } | null;
  holeMm: number | null;
}) => (entry.thread ? threadName(entry.thread) : `hole ${entry.holeMm ?? '?'} mm`);

/** Direct, through one adaptor, or not at all; never two adaptors. */
export const entryThread: Criterion = {
  id: 'entryThread',
  scope: 'entry',
  judge: ({ input, size, entry }) => ({
    criterion: 'entryThread',
    verdict: entry.thread,
    takes: threadName(size.entry.thread),
    has: entryName(input.entry),
    margin: null,
    reason: entry.threadReason,
    source: 'sheets of gland and box',
    ...(entry.asks.length > 0 ? { asks: entry.asks } : {}),
  }),
};

/** Threads that really engage, after washer, earth tag, chamfer and undercut. */
export const engagement: Criterion = {
  id: 'engagement',
  scope: 'entry',
  judge: ({ entry }) => {
    const worst =
      entry.joints.length === 0 ? null : entry.joints.reduce((a, b) => (b.marginUm < a.marginUm ? b : a));
    return {
      criterion: 'engagement',
      verdict: entry.engagement,
      takes: entry.neededUm === null ? '–' : `${fromUm(entry.neededUm).toFixed(1)} mm`,
      has: worst === null ? '–' : `${worst.fullThreads} threads, ${fromUm(worst.engagedUm).toFixed(1)} mm`,
      margin: worst === null ? null : fromUm(worst.marginUm),
      reason: entry.engagementReason,
      source: entry.source,
    };
  },
};
