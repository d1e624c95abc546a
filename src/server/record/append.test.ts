import { randomUUID } from 'node:crypto';
import { closeDatabase } from '@/data';
import { verifyRecord } from '../../../cli/verify';
import { takeSize } from '../operations/gland-selection';
import { inOneRequest } from '../operations/just-seen';
import { exportRecord } from '../operations/job-record';
import { viewTermination } from '../operations/view';
import { confirmNext, confirmStep, nextStep, ref, view } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER } from '../testing/job';

afterAll(closeDatabase);

const ENDS = ['A', 'B'] as const;
const at = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);
const confirm = (job: string, end: string, minutes: number) =>
  confirmNext(job, FITTER, 'clamped', at(minutes), end);

async function bothPlanned(): Promise<string> {
  const job = await makeJob();
  for (const end of ENDS) await good(takeSize({ ...ref(job), end }, 'RW2-32', randomUUID(), PLANNER, NOW));
  return job;
}

it('numbers what several ends of one job record at the same moment one after the other, without a gap', async () => {
  const job = await bothPlanned();
  for (let i = 1; i <= 8; i += 1) await Promise.all(ENDS.map((end) => good(confirm(job, end, i))));
  const file = JSON.parse(await good(exportRecord(job, NOW))) as { receipts: { number: number }[] };
  expect(file.receipts.map((r) => r.number)).toEqual(Array.from({ length: 16 }, (_, i) => i + 1));
  expect(verifyRecord(file)).toMatchObject({ ok: true });
});

it('lets one of several who do the same step at the same moment record it', async () => {
  const job = await bothPlanned();
  const step = await nextStep(job);
  const done = await Promise.all(
    Array.from({ length: 10 }, () => confirmStep(job, step, { decision: 'clamped', now: at(1) })),
  );
  expect(done.filter((r) => r.ok)).toHaveLength(1);
  expect((await view(job)).events).toHaveLength(1);
});

it('shows with its answer what is seen by whoever looks afterwards, and does not keep it for a second look', async () => {
  const job = await bothPlanned();
  await inOneRequest(async () => {
    await good(confirm(job, 'A', 1));
    const shown = await good(viewTermination(ref(job)));
    expect(shown).toEqual(await view(job));
    expect(shown.events).toHaveLength(1);
    await good(confirm(job, 'A', 2));
    expect((await view(job, 'K-1', 'B')).events).toHaveLength(0);
    expect((await view(job)).events).toHaveLength(2);
    expect(await view(job)).toEqual(await view(job));
  });
});

describe('while processes serve that cannot read sealed names', () => {
  const writes = process.env.AMBER_COLLAR_WRITES;
  afterEach(() => {
    if (writes === undefined) delete process.env.AMBER_COLLAR_WRITES;
    else process.env.AMBER_COLLAR_WRITES = writes;
  });
  const versions = async (job: string) => {
    const file = JSON.parse(await good(exportRecord(job, NOW))) as {
      subjects: { events: { version: number; actor: string; names: unknown }[] }[];
    };
    expect(verifyRecord(file)).toMatchObject({ ok: true });
    return file.subjects.flatMap((s) => s.events.map((e) => [e.version, e.actor, e.names === null]));
  };

  it('events are written as those read them, and sealed from the day on which the word is taken out', async () => {
    const job = await bothPlanned();
    process.env.AMBER_COLLAR_WRITES = '4';
    await good(confirm(job, 'A', 1));
    delete process.env.AMBER_COLLAR_WRITES;
    await good(confirm(job, 'A', 2));
    // A process that was started with the word by mistake does not go back.
    process.env.AMBER_COLLAR_WRITES = '4';
    await good(confirm(job, 'A', 3));
    expect(await versions(job)).toEqual([
      [4, 'fitter', true],
      [5, 'fitter', false],
      [5, 'fitter', false],
    ]);
  });
});
