import { randomUUID } from 'node:crypto';
import { closeDatabase } from '@/data';
import { tableSums } from '@/data/testing/table-sums';
import { ownDatabase } from '../testing/alone';
import { good, makeJob, NOW, PLANNER, STRANGER } from '../testing/job';
import { actLoose, act, followJob, look, lookLoose, type ReadName, type WriteName } from '.';
import { OPERATIONS } from './operations';

// Every row is counted here.
ownDatabase('GATE');
afterAll(closeDatabase);

const HUGE = 'x'.repeat(300_000);
const deep = (): unknown => {
  let value: unknown = 1;
  for (let i = 0; i < 5000; i += 1) value = [value];
  return value;
};

/** What nobody means, and what a script tries. */
const HOSTILE: readonly unknown[] = [
  undefined,
  null,
  true,
  false,
  0,
  1,
  -1,
  1.5,
  NaN,
  Infinity,
  1e308,
  2 ** 53,
  4_294_967_296,
  '',
  ' ',
  '0',
  '1',
  "' OR 1=1 --",
  '%',
  '%2e%2e',
  '../..',
  'constructor',
  '__proto__',
  'toString',
  '\u0000',
  '\u202etag',
  '😀',
  'ﬀ',
  HUGE,
  'A',
  'B',
  'Ä'.repeat(41),
  [],
  [[]],
  [null],
  [0],
  {},
  { job: 0, cable: 0, end: 0 },
  { job: 'x', cable: 'y', end: 'A' },
  { job: null },
  { id: '' },
  { constructor: 1 },
  { length: 5 },
  JSON.parse('{"__proto__":{"ok":true}}'),
  Object.create({ inherited: 1 }),
  new Map([[1, 2]]),
  new Set([1]),
  new Date(0),
  new Date(NaN),
  new Uint8Array(3),
  () => 1,
  Symbol('s'),
  10n,
  /x/,
  new Error('x'),
  deep(),
  { then: 1 },
  Array.from({ length: 25_000 }, () => ({})),
  { tag: { $ne: 1 } },
  [undefined, undefined],
];

/** Odd, but in order: a crossing may be called anything, what is not locked may be unlocked, no terminals and no compound are none. */
const IN_ORDER: Readonly<Record<string, (value: unknown) => boolean>> = {
  name: (value) => typeof value === 'string',
  locked: (value) => typeof value === 'boolean',
  archived: (value) => typeof value === 'boolean',
  compound: (value) => value === null,
  terminals: (value) => value === '' || value === ' ',
  pins: (value) => value === '' || value === ' ',
};

const reads = Object.keys(OPERATIONS).filter((n) => OPERATIONS[n as ReadName].kind === 'read') as ReadName[];
const writes = Object.keys(OPERATIONS).filter(
  (n) => OPERATIONS[n as WriteName].kind === 'write',
) as WriteName[];

test('every operation with every hostile value in every place answers with a sentence and writes nothing', async () => {
  // Rows with the first numbers belong to another job: a number that somebody guesses is not one of this job.
  await makeJob();
  const job = await makeJob();
  const ref = { job, cable: 'K-1', end: 'A' };
  const before = await tableSums();
  /** An argument that is in order, so that the hostile one is reached. */
  const usual: Readonly<Record<string, unknown>> = {
    job,
    ref,
    version: 1,
    cable: 1,
    versions: { cable: 1, A: 1, B: 1 },
    event: randomUUID(),
  };
  const silent: string[] = [];
  for (const [names, call] of [
    [reads, (n: string, args: unknown[]) => lookLoose(n as ReadName, args, PLANNER)],
    [writes, (n: string, args: unknown[]) => actLoose(n as WriteName, args, PLANNER, { now: NOW })],
  ] as const)
    for (const name of names)
      for (const [at, argument] of OPERATIONS[name].names.entries())
        await Promise.all(
          HOSTILE.filter((value) => !IN_ORDER[argument]?.(value)).map(async (value) => {
            const args = OPERATIONS[name].names.map((n, i) => (i === at ? value : (usual[n] ?? 'x')));
            const result = await call(name, args);
            const done = result.ok && OPERATIONS[name].kind === 'write';
            if (done || (!result.ok && result.problems.every((p) => p.message === '')))
              silent.push(`${name} ${argument} = ${String(value).slice(0, 40)}`);
          }),
        );
  expect(silent).toEqual([]);
  expect(await tableSums()).toEqual(before);
}, 300_000);

test('rows of another job and retired cables are out of reach of every operation that names a row', async () => {
  const [mine, other] = [await makeJob(), await makeJob()];
  const theirs = await good(look('schedulePage', [other, 'K-1', 'tag', false, 0, 10], PLANNER));
  const row = theirs.rows[0];
  if (!row) throw new Error('the other job has a cable');
  const view = await good(look('viewTermination', [{ job: other, cable: 'K-1', end: 'A' }], PLANNER));
  const reading = view.readings[0];
  if (!reading) throw new Error('the other end is measured');
  const before = await tableSums();
  const versions = view.versions;
  const ref = { job: mine, cable: 'K-1', end: 'A' };
  for (const result of [
    await act('editCable', [mine, row.id, versions, { note: 'x' }], PLANNER),
    await act('retireCable', [mine, row.id, versions.cable], PLANNER),
    await act('withdrawReading', [ref, reading.id], PLANNER),
  ])
    expect(result).toMatchObject({ ok: false });
  expect(await tableSums()).toEqual(before);

  await good(act('retireCable', [other, row.id, versions.cable], PLANNER));
  const retired = await tableSums();
  const gone = { job: other, cable: 'K-1', end: 'A' };
  for (const result of [
    await act('editCable', [other, row.id, versions, { note: 'x' }], PLANNER),
    await act('retireCable', [other, row.id, versions.cable + 1], PLANNER),
    await act('withdrawReading', [gone, reading.id], PLANNER),
    await act('lockSize', [gone, versions.A, true], PLANNER),
    await act('setTerminals', [gone, versions.A, 'L1 200'], PLANNER),
  ])
    expect(result).toMatchObject({ ok: false });
  expect(await tableSums()).toEqual(retired);
});

test.each([
  ['nobody', { id: null, name: 'planner' }, /signed in/],
  ['somebody who cannot sign in', { id: randomUUID(), name: 'planner' }, /signed in/],
  ['somebody who is nothing in the job', STRANGER, /no such job/],
])('%s does nothing and sees nothing', async (_, who, words) => {
  const job = await makeJob();
  const before = await tableSums();
  for (const result of [await act('undo', [job], who), await look('viewSummaries', [job], who)])
    expect(result.ok ? '' : result.problems[0]?.message).toMatch(words);
  expect(await tableSums()).toEqual(before);
});

it('tells those who may see a job that something was done in it, by the id it was sent under, and nobody else', async () => {
  const [job, other] = [await makeJob(), await makeJob()];
  const heard: string[] = [];
  const follower = {
    heard: ({ id }: { readonly id: string }) => heard.push(id),
    behind: () => undefined,
    ended: () => undefined,
  };
  expect((await followJob(job, STRANGER, follower, null)).ok).toBe(false);
  expect((await followJob('no-such-job', PLANNER, follower, null)).ok).toBe(false);
  const leave = await good(followJob(job, PLANNER, follower, null));
  const id = randomUUID();
  const add = (into: string, tag: string, sent: string) =>
    act('addCable', [into, { tag, type: 'W4-10' }], PLANNER, { now: NOW, id: sent });
  const done = await add(job, 'F-1', id);
  await add(other, 'F-1', randomUUID());
  // Refused: the tag is taken.
  const refused = await add(job, 'F-1', randomUUID());
  expect([done.ok, refused.ok]).toEqual([true, false]);
  expect(heard).toEqual([id]);
  leave?.();
  await add(job, 'F-2', randomUUID());
  expect(heard).toEqual([id]);
});
