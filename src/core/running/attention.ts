import type { CatalogueFaultView, RunningView } from './view';

/** Limits beyond which somebody has to look. */
export const LIMITS = {
  /** Three times as long as a process is quiet between two times that it says it is there. */
  quietSeconds: 45,
  /** A hand at the bench notices a turn that comes later. */
  lagMs: 250,
  /** A day, and time to take the next. */
  backupHours: 26,
  /** Of its time, in which a node waits for a slower one. */
  heldBack: 0.1,
  /** Write sets that a node has still to apply: more, and what it shows is of a while ago. */
  receiveQueue: 50,
} as const;

/** What somebody has to look at, with the figure and its limit. */
export type Attention =
  | { readonly code: 'lost-job'; readonly job: string; readonly entries: number }
  | ({ readonly code: 'catalogue' } & CatalogueFaultView)
  | { readonly code: 'no-backup' }
  | { readonly code: 'old-backup'; readonly hours: number; readonly limit: number }
  | { readonly code: 'quiet'; readonly process: string; readonly seconds: number; readonly limit: number }
  | { readonly code: 'late'; readonly process: string; readonly ms: number; readonly limit: number }
  | { readonly code: 'builds'; readonly builds: readonly string[] }
  | { readonly code: 'not-ready'; readonly node: string; readonly state: string }
  | { readonly code: 'no-majority-left'; readonly size: number }
  | { readonly code: 'held-back'; readonly share: number; readonly limit: number }
  | { readonly code: 'queue'; readonly waiting: number; readonly limit: number }
  | { readonly code: 'statements'; readonly process: string; readonly waiting: number };

const HOUR_MS = 3_600_000;

/** What of the running whole needs somebody, at `now` (milliseconds since 1970), the gravest first. Nothing where all is well. */
export function needsAttention(
  { processes, database, backup, lostJobs = [], catalogueFaults = [] }: RunningView,
  now: number,
): Attention[] {
  const found: Attention[] = [
    ...lostJobs.map((lost) => ({ code: 'lost-job' as const, ...lost })),
    ...catalogueFaults.map((fault) => ({ code: 'catalogue' as const, ...fault })),
  ];
  const { cluster } = database;
  if (cluster !== null && !cluster.ready)
    found.push({ code: 'not-ready', node: database.node, state: cluster.state });
  // Of two, the one that is left is not most of them: it stops writing.
  if (cluster !== null && cluster.size < 3) found.push({ code: 'no-majority-left', size: cluster.size });
  if (backup === null) found.push({ code: 'no-backup' });
  else {
    const hours = (now - Date.parse(backup.endedAt)) / HOUR_MS;
    if (!(hours <= LIMITS.backupHours)) found.push({ code: 'old-backup', hours, limit: LIMITS.backupHours });
  }
  for (const p of processes) {
    const process = `${p.host} ${p.pid}`;
    if (p.quietSeconds > LIMITS.quietSeconds)
      found.push({ code: 'quiet', process, seconds: p.quietSeconds, limit: LIMITS.quietSeconds });
    else {
      // What it said when it was last heard of tells nothing of one that is quiet.
      if (p.lagMs > LIMITS.lagMs) found.push({ code: 'late', process, ms: p.lagMs, limit: LIMITS.lagMs });
      if (p.statementsWaiting > 0) found.push({ code: 'statements', process, waiting: p.statementsWaiting });
    }
  }
  const builds = [
    ...new Set(
      processes.filter((p) => p.quietSeconds <= LIMITS.quietSeconds).map((p) => `${p.version} ${p.build}`),
    ),
  ].sort();
  if (builds.length > 1) found.push({ code: 'builds', builds });
  if (cluster !== null && cluster.heldBack > LIMITS.heldBack)
    found.push({ code: 'held-back', share: cluster.heldBack, limit: LIMITS.heldBack });
  if (cluster !== null && cluster.receiveQueue > LIMITS.receiveQueue)
    found.push({ code: 'queue', waiting: cluster.receiveQueue, limit: LIMITS.receiveQueue });
  return found;
}
