import { randomUUID } from 'node:crypto';
import type { Result } from '@/core/kernel';
import type { ScheduleRow } from '@/data';
import { BUSY } from '../heavy';
import { heavyPlaces } from '../heavy-place';
import { processBefore, startedCluster, type NodeProcess } from './nodes';

// A row's lock does not reach another node: what decides between writers at three of them are keys and versions.

const cluster = startedCluster();
const processes: NodeProcess[] = [];
beforeAll(() => {
  for (const { url } of cluster.nodes) processes.push(processBefore(url, cluster.keep));
});
afterAll(async () => {
  for (const process of processes) await process.end();
});

const at = (i: number): NodeProcess => {
  const process = processes[i % processes.length];
  if (!process) throw new Error('no process');
  return process;
};
const SOON_MS = 250;
const soon = () => Date.now() + SOON_MS;
const everywhere = () => Promise.all(processes.map((p) => p.sure({ what: 'catchUp' })));
const newJob = async () => {
  const job = (await at(0).sure({ what: 'makeJob' })) as string;
  await everywhere();
  return job;
};
const looked = async <T>(
  i: number,
  name: 'schedulePage' | 'viewTermination' | 'viewCrossing' | 'viewJobRecord',
  args: unknown[],
) => (await at(i).sure({ what: 'look', name, args })) as T;
/** All of them do it in one instant, each at the node whose turn it is. */
const together = (
  writers: number,
  name: 'editCable' | 'setTerminals' | 'setCrossing' | 'addCable' | 'addReading',
  argsOf: (i: number) => unknown[],
  id?: string,
) => {
  const when = soon();
  return Promise.all(
    Array.from({ length: writers }, (_, i) =>
      at(i).sure({ what: 'act', name, args: argsOf(i), at: when, id: id ?? randomUUID() }),
    ),
  ) as Promise<Result<object | null>[]>;
};
const saved = (told: readonly Result<object | null>[]) =>
  told.filter((r) => r.ok && !(r.value !== null && 'conflict' in r.value)).length;

const ROUNDS = 6;

describe.each([2, 20])('%d writers over three nodes who have read the same version', (writers) => {
  it('of a row of the schedule: one is told that it was saved, the others are shown what it says now', async () => {
    const job = await newJob();
    for (let round = 0; round < ROUNDS; round += 1) {
      const [row] = (
        await looked<{ rows: ScheduleRow[] }>(round, 'schedulePage', [job, 'K-2', 'tag', false, 0, 1])
      ).rows;
      if (!row) throw new Error('no K-2');
      const versions = { cable: row.version, A: row.a.version, B: row.b.version };
      const told = await together(writers, 'editCable', (i) => [
        job,
        row.id,
        versions,
        { note: `${round} by ${i}` },
      ]);
      expect(saved(told)).toBe(1);
      await everywhere();
      const notes = await Promise.all(
        processes.map(
          async (_, i) =>
            (await looked<{ rows: ScheduleRow[] }>(i, 'schedulePage', [job, 'K-2', 'tag', false, 0, 1]))
              .rows[0]?.note,
        ),
      );
      const winner = told.findIndex((r) => r.ok && !(r.value !== null && 'conflict' in r.value));
      expect(notes).toEqual(processes.map(() => `${round} by ${winner}`));
    }
  });

  it('of the terminals of an end', async () => {
    const job = await newJob();
    const ref = { job, cable: 'K-1', end: 'A' };
    for (let round = 0; round < ROUNDS; round += 1) {
      const { versions } = await looked<{ versions: { A: number } }>(round, 'viewTermination', [ref]);
      const told = await together(writers, 'setTerminals', (i) => [
        ref,
        versions.A,
        `L1 ${100 + 20 * round + i}`,
      ]);
      expect(saved(told)).toBe(1);
      await everywhere();
    }
  });
});

it('one command that is sent twenty times, to three nodes at once, is done once, and all are answered alike', async () => {
  const job = await newJob();
  const end = { job, cable: 'K-2', end: 'A' };
  const caliper = { quantity: 'core', method: 'caliper', text: '7.1', unit: 'mm' };
  const told = await together(20, 'addReading', () => [end, caliper], randomUUID());
  expect(new Set(told.map((r) => JSON.stringify(r))).size).toBe(1);
  expect(told[0]).toMatchObject({ ok: true });
  await everywhere();
  for (const i of processes.keys()) {
    const { readings } = await looked<{ readings: { reading: { text: string } }[] }>(i, 'viewTermination', [
      end,
    ]);
    expect(readings.filter((r) => r.reading.text === '7.1')).toHaveLength(1);
  }
});

it('a tag that twenty take at once at three nodes is one cable', async () => {
  const job = await newJob();
  const told = await together(20, 'addCable', () => [job, { tag: 'K-77', type: 'W4-25' }]);
  expect(saved(told)).toBe(1);
});

it('steps that three nodes confirm at the same end in one instant: each is recorded once, the chain and its receipts hold at every node', async () => {
  const job = await newJob();
  await at(0).sure({ what: 'take', job, size: 'RW2-32' });
  await everywhere();
  let recorded = 0;
  for (let round = 0; round < 5; round += 1) {
    const when = soon();
    const told = (await Promise.all(
      Array.from({ length: 6 }, (_, i) => at(i).sure({ what: 'confirm', job, id: randomUUID(), at: when })),
    )) as Result<object>[];
    // Each confirms the step that it saw: the second finds it done, or that it is another one's turn.
    const good = told.filter((r) => r.ok).length;
    expect(good).toBeGreaterThanOrEqual(1);
    recorded += good;
    await everywhere();
  }
  const seen = await Promise.all(
    processes.map((_, i) =>
      looked<{ events: { seq: number; hash: string }[]; chainFaults: string[] }>(i, 'viewTermination', [
        { job, cable: 'K-1', end: 'A' },
      ]),
    ),
  );
  for (const { events, chainFaults } of seen) {
    expect(chainFaults).toEqual([]);
    expect(events.map((e) => e.seq)).toEqual(Array.from({ length: recorded }, (_, i) => i + 1));
    expect(events).toEqual(seen[0]?.events);
  }
  for (const i of processes.keys())
    expect(await looked(i, 'viewJobRecord', [job])).toMatchObject({ faults: [], entries: recorded });
});

describe('places for heavy work', () => {
  const places = heavyPlaces();
  const wanted = (holders: readonly string[], seconds = 60, person?: string) => {
    const when = soon();
    return Promise.all(
      holders.map((holder, i) =>
        at(i).sure({ what: 'heavyPlace', holder, person: person ?? holder, places, seconds, at: when }),
      ),
    ) as Promise<boolean[]>;
  };
  const people = (n: number) => Array.from({ length: n }, () => randomUUID());
  /** Until no more become free: two who meet at one place are both told to ask again. */
  const heldOf = async (holders: readonly string[], seconds?: number, person?: string) => {
    const held = new Set<string>();
    for (let round = 0; round < 6 && held.size < Math.min(places, holders.length); round += 1) {
      const asking = holders.filter((h) => !held.has(h));
      const told = await wanted(asking, seconds, person);
      asking.forEach((h, i) => told[i] && held.add(h));
      await everywhere();
    }
    return [...held];
  };
  const left = async (holders: readonly string[]) => {
    for (const [i, holder] of holders.entries()) await at(i).sure({ what: 'leaveHeavyPlace', holder });
    await everywhere();
  };

  it('are never held by more than there are, though twenty at three nodes want one; each that is given back is taken once', async () => {
    const held = await heldOf(people(20));
    expect(held).toHaveLength(places);
    expect(await heldOf(people(5))).toEqual([]);
    await left(held.slice(0, 1));
    const next = await heldOf(people(5));
    expect(next).toHaveLength(1);
    await left([...held.slice(1), ...next]);
  });

  it('are not all taken by one person who asks at every node one after the other: others find one', async () => {
    const person = randomUUID();
    const held: string[] = [];
    for (let i = 0; i < 6; i += 1) {
      held.push(...(await heldOf(people(1), 60, person)));
      await everywhere();
    }
    expect(held).toHaveLength(2);
    const others = await heldOf(people(5));
    expect(others).toHaveLength(places - 2);
    await left([...held, ...others]);
  });

  it('keep heavy work at any process waiting while others hold them all, and are free again when their holders were killed', async () => {
    const job = await newJob();
    const held = await heldOf(people(places));
    expect(held).toHaveLength(places);
    await expect(at(1).ask({ what: 'look', name: 'viewJobRecord', args: [job] })).rejects.toThrow(BUSY);
    await left(held);
    expect(await heldOf(people(places), 3)).toHaveLength(places);
    // Nobody gives anything back, and nobody says that they still hold it.
    expect(await looked(2, 'viewJobRecord', [job])).toMatchObject({ faults: [] });
  }, 60_000);
});
