import { randomUUID } from 'node:crypto';
import { makeJob } from '@/server/testing/job';
import {
  closeDatabase,
  database,
  duplicateKey,
  findJob,
  findSentReading,
  findTermination,
  hasLostTheOthers,
  inDated,
  insertReading,
  isDatabaseAway,
  isDuplicate,
  lockTermination,
  ping,
  withTransaction,
  type Tx,
} from '.';

afterAll(closeDatabase);
const NOON = '2026-11-10T12:00:00.000Z';

it('runs a transaction again that the server took back for the sake of another', async () => {
  const job = await findJob(database(), await makeJob());
  const ids = await Promise.all(
    (['A', 'B'] as const).map((end) => findTermination(database(), job?.id ?? 0, 'K-1', end)),
  );
  const [a, b] = ids.map((t) => t?.id ?? 0) as [number, number];
  let runs = 0;
  const lockBoth = (first: number, second: number) =>
    withTransaction(async (tx) => {
      runs += 1;
      await lockTermination(tx, first);
      // Long enough for the other to take its first row: then each waits for the other.
      await new Promise((resolve) => setTimeout(resolve, 150));
      await lockTermination(tx, second);
      return 'done';
    });
  expect(await Promise.all([lockBoth(a, b), lockBoth(b, a)])).toEqual(['done', 'done']);
  expect(runs).toBe(3);
});

it('looks again for a row that came in, as from another node, after it was looked for and before it was made', async () => {
  const job = await findJob(database(), await makeJob());
  const end = await findTermination(database(), job?.id ?? 0, 'K-1', 'A');
  const cable = end?.cable.id ?? 0;
  const client = randomUUID();
  const reading = {
    quantity: 'core',
    method: 'caliper',
    text: '7.1',
    unit: 'mm',
    person: 'fitter',
    at: NOON,
  } as const;
  const seen: (string | undefined)[] = [];
  const mine = await withTransaction(async (tx) => {
    const before = await findSentReading(tx, client);
    seen.push(before?.reading.text);
    if (before !== null) return before.id;
    if (seen.length === 1) await insertReading(database(), cable, 'A', reading, client, null);
    return insertReading(tx, cable, 'A', reading, client, null);
  });
  expect(seen).toEqual([undefined, '7.1']);
  expect(mine).toBe((await findSentReading(database(), client))?.id);
});

it('work that a node alone may answer reads, and can write nothing; a single server has no others to lose', async () => {
  const slug = await makeJob();
  const job = await inDated(() => findJob(database(), slug));
  const end = await inDated(() => findTermination(database(), job?.id ?? 0, 'K-1', 'A'));
  expect(end?.cable.tag).toBe('K-1');
  const insert = (tx: Tx) =>
    insertReading(
      tx,
      end?.cable.id ?? 0,
      'A',
      { quantity: 'core', method: 'caliper', text: '7.1', unit: 'mm', person: 'fitter', at: NOON },
      randomUUID(),
      null,
    );
  await expect(inDated(() => insert(database()))).rejects.toThrow();
  await expect(inDated(() => withTransaction(insert))).rejects.toThrow();
  expect(await insert(database())).toBeGreaterThan(0);
  expect(await hasLostTheOthers(new Error('why'))).toBe(false);
});

it('takes back everything when the work throws, and does not try a bug again', async () => {
  let runs = 0;
  await expect(
    withTransaction(() => {
      runs += 1;
      return Promise.reject(new Error('a bug'));
    }),
  ).rejects.toThrow('a bug');
  expect(runs).toBe(1);
});

it('knows a server that is away and a key that was hit, however deep the driver’s error lies', () => {
  const wrapped = (code: string, message = '') =>
    new Error('query failed', { cause: Object.assign(new Error(message), { code }) });
  expect(isDatabaseAway(wrapped('ECONNREFUSED'))).toBe(true);
  expect(isDatabaseAway(wrapped('ER_DUP_ENTRY'))).toBe(false);
  expect(isDatabaseAway(wrapped('ERR_STREAM_WRITE_AFTER_END'))).toBe(true);
  const ended = Object.assign(new Error('closed'), { fatal: true });
  expect(isDatabaseAway(new Error('query failed', { cause: ended }))).toBe(true);
  expect(isDatabaseAway(new Error('query failed', { cause: new Error('a bug') }))).toBe(false);
  expect(isDatabaseAway(Object.assign(new Error('denied'), { fatal: true, code: 'ER_X' }))).toBe(false);
  expect(isDuplicate(wrapped('ER_DUP_ENTRY'))).toBe(true);
  expect(duplicateKey(wrapped('ER_DUP_ENTRY', "Duplicate entry '1-K-1' for key 'cable_once'"))).toBe(
    'cable_once',
  );
  expect(duplicateKey(new Error('something else'))).toBe('');
});

it('does not take a process that is kept busy for a database that is away', async () => {
  await ping();
  const answered = ping();
  // The question is on its way, and its answer lies there long before anybody looks: after the clock has run out.
  for (let turn = 0; turn < 3; turn += 1) await new Promise((resolve) => process.nextTick(resolve));
  const until = performance.now() + 2100;
  while (performance.now() < until);
  await answered;
});
