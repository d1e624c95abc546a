import { LIMITS, needsAttention, type ProcessView, type RunningView } from '.';

const NOW = Date.parse('2026-05-04T10:00:00Z');
const hoursAgo = (hours: number) => new Date(NOW - hours * 3_600_000).toISOString();

const process = (over: Partial<ProcessView> = {}): ProcessView => ({
  id: 'a',
  host: 'node-a',
  pid: 10,
  version: '1.0.0',
  build: 'b1',
  startedAt: hoursAgo(9),
  quietSeconds: 12,
  lagMs: 21,
  memoryMb: 400,
  heavyRunning: 0,
  heavyWaiting: 0,
  followers: 3,
  statementsWaiting: 0,
  ...over,
});
const node = {
  ready: true,
  state: 'Synced',
  size: 3,
  addresses: [],
  receiveQueue: 0,
  sendQueue: 0,
  heldBack: 0,
};
const running = (over: Partial<RunningView> = {}): RunningView => ({
  heavy: { held: 0, of: 4 },
  processes: [process()],
  database: { engine: '10.11', node: 'node1', cluster: node },
  backup: { node: 'node1', place: '/b', bytes: 1, beganAt: hoursAgo(5), endedAt: hoursAgo(5) },
  lostJobs: [],
  catalogueFaults: [],
  ...over,
});
const codes = (view: RunningView) => needsAttention(view, NOW).map((a) => a.code);
const cluster = (over: Partial<typeof node>) =>
  running({ database: { engine: '', node: 'n', cluster: { ...node, ...over } } });

it('finds nothing of three nodes, processes that speak and a backup of this morning', () =>
  expect(needsAttention(running(), NOW)).toEqual([]));

it.each([
  [
    'a job that is gone before all else',
    running({ lostJobs: [{ job: 'quillmere', entries: 12 }], backup: null }),
    ['lost-job', 'no-backup'],
  ],
  [
    'figures of the catalogue that somebody changed, after a job that is gone',
    running({
      lostJobs: [{ job: 'quillmere', entries: 12 }],
      catalogueFaults: [{ words: 'the sheet RW2 revision 5 has other figures', changed: true }],
    }),
    ['lost-job', 'catalogue'],
  ],
  ['a backup at its limit', running({ backup: backupOf(LIMITS.backupHours) }), []],
  ['a backup a little beyond it', running({ backup: backupOf(LIMITS.backupHours + 0.01) }), ['old-backup']],
  ['a backup of no time', running({ backup: { ...backupOf(1), endedAt: '' } }), ['old-backup']],
  ['no backup at all', running({ backup: null }), ['no-backup']],
  ['a process at the limit of its silence', running({ processes: [process({ quietSeconds: 45 })] }), []],
  [
    'a quiet process, of which its last figures say nothing',
    running({ processes: [process({ quietSeconds: 46, lagMs: 9000, statementsWaiting: 4 })] }),
    ['quiet'],
  ],
  ['turns that come late', running({ processes: [process({ lagMs: 251 })] }), ['late']],
  ['statements that wait', running({ processes: [process({ statementsWaiting: 1 })] }), ['statements']],
  ['two builds side by side', running({ processes: [process(), process({ build: 'b2' })] }), ['builds']],
  [
    'two builds, one of them gone',
    running({ processes: [process(), process({ build: 'b2', quietSeconds: 90 })] }),
    ['quiet'],
  ],
  [
    'a node that lost the others, gravest first',
    cluster({ ready: false, size: 1, state: 'Initialized' }),
    ['not-ready', 'no-majority-left'],
  ],
  ['two nodes of three', cluster({ size: 2 }), ['no-majority-left']],
  ['a node held back at its limit', cluster({ heldBack: 0.1, receiveQueue: 50 }), []],
  ['a node beyond both', cluster({ heldBack: 0.11, receiveQueue: 51 }), ['held-back', 'queue']],
  [
    'a server that stands alone by choice',
    running({ database: { engine: '', node: 'n', cluster: null } }),
    [],
  ],
] as [string, RunningView, string[]][])('%s', (_, view, expected) => expect(codes(view)).toEqual(expected));

function backupOf(hours: number) {
  return { node: 'n', place: '/b', bytes: 1, beganAt: hoursAgo(hours + 0.1), endedAt: hoursAgo(hours) };
}
