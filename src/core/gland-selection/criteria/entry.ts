import { fromUm } from '@/core/kernel';
import { plainFinding, type Criterion } from '../finding';

/** Direct, through one adaptor, or not at all; never two adaptors. */
export const entryThread: Criterion = {
  id: 'entryThread',
  scope: 'entry',
  judge: ({ input, size, entry }) =>
    plainFinding(
      'entryThread',
      entry.thread,
      {
        code: 'entryThread',
        gland: size.entry.thread,
        entry: input.entry.thread,
        holeMm: input.entry.holeMm,
        way: entry.threadCase,
      },
      { code: 'sheetsOfBoth' },
      entry.asks,
    ),
};

/** Threads that really engage, after washer, earth tag, chamfer and undercut. */
export const engagement: Criterion = {
  id: 'engagement',
  scope: 'entry',
  judge: ({ entry: { joints, engagement: verdict, neededUm, engagementCase, source } }) => {
    const weakest = joints.length === 0 ? null : joints.reduce((a, b) => (b.marginUm < a.marginUm ? b : a));
    return {
      ...plainFinding(
        'engagement',
        verdict,
        { code: 'engagement', neededUm, weakest, way: engagementCase },
        source,
      ),
      margin: weakest === null ? null : fromUm(weakest.marginUm),
    };
  },
};
