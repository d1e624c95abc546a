import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { ok, type Result } from '@/core/kernel';
import { sql } from 'drizzle-orm';
import { closeDatabase, database, withTransaction, type Tx } from '@/data';
import { BUSY, HEAVY, heavily, heavyFigures, inBatches } from './heavy';
import { heavyPlaces, sharedPlace } from './heavy-place';

afterAll(closeDatabase);

setFlagsFromString('--expose-gc');
const collectGarbage = runInNewContext('gc') as () => void;

const SOMEBODY = randomUUID();

const words = (r: Result<unknown>): string => (r.ok ? 'done' : (r.problems[0]?.message ?? ''));

/** Work in many small batches that counts how far it came. */
function work(batches: number, seen: { count: number; most?: number; now?: number }) {
  return async () => {
    seen.now = (seen.now ?? 0) + 1;
    seen.most = Math.max(seen.most ?? 0, seen.now);
    try {
      for await (const _ of inBatches(Array.from({ length: batches }), 1)) {
        seen.count += 1;
        await wait(1);
      }
      return ok(seen.count);
    } finally {
      seen.now -= 1;
    }
  };
}

test('of twenty at once two work, some wait, and the rest are told to come again; all places are free afterwards', async () => {
  const seen = { count: 0, most: 0 };
  const stay = new AbortController().signal;
  const told = await Promise.all(Array.from({ length: 20 }, () => heavily(SOMEBODY, stay, work(5, seen))));
  expect(seen.most).toBe(HEAVY.atOnce);
  expect(told.filter((r) => r.ok)).toHaveLength(HEAVY.atOnce + HEAVY.waiting);
  expect(told.filter((r) => words(r) === BUSY)).toHaveLength(20 - HEAVY.atOnce - HEAVY.waiting);
  expect(words(await heavily(SOMEBODY, stay, work(1, seen)))).toBe('done');
});

test('work ends at the next batch when nobody waits for it any more, and gives its place back', async () => {
  const seen = { count: 0 };
  const left = new AbortController();
  const running = heavily(SOMEBODY, left.signal, work(10_000, seen));
  const behind = Array.from({ length: 3 }, () => heavily(SOMEBODY, left.signal, work(10_000, seen)));
  await wait(30);
  left.abort();
  const stopped = seen.count;
  expect(words(await running)).toMatch(/nobody waits/);
  for (const one of behind) expect(words(await one)).toMatch(/nobody waits/);
  expect(seen.count).toBeLessThanOrEqual(stopped + 2);
  const stay = new AbortController().signal;
  expect(words(await heavily(SOMEBODY, stay, work(1, { count: 0 })))).toBe('done');
});

test('who waits in vain is told to come again, and stands in the line no more', async () => {
  const left = new AbortController();
  const running = Array.from({ length: HEAVY.atOnce }, () =>
    heavily(SOMEBODY, left.signal, work(10_000, { count: 0 })),
  );
  const seen = { count: 0 };
  const stay = new AbortController().signal;
  const told = heavily(SOMEBODY, stay, work(1, seen), 200);
  await wait(20);
  // What only measures the time must not be cleared away meanwhile.
  collectGarbage();
  expect(words(await told)).toBe(BUSY);
  expect(heavyFigures()).toEqual({ running: HEAVY.atOnce, waiting: 0 });
  // Whoever stands behind has the place that becomes free.
  const behind = heavily(SOMEBODY, stay, work(1, seen), 5000);
  left.abort();
  expect(words(await behind)).toBe('done');
  await Promise.all(running);
  expect(seen.count).toBe(1);
  expect(heavyFigures()).toEqual({ running: 0, waiting: 0 });
});

test('what breaks gives its place back and is not swallowed', async () => {
  const stay = new AbortController().signal;
  for (let i = 0; i < 4; i += 1)
    await expect(heavily(SOMEBODY, stay, () => Promise.reject(new Error('broken')))).rejects.toThrow(
      'broken',
    );
  expect(words(await heavily(SOMEBODY, stay, work(1, { count: 0 })))).toBe('done');
});

test('a place is given back though the database takes back the first attempt, since it and another are in each other’s way', async () => {
  const person = randomUUID();
  const rows = async (tx: Tx, statement: ReturnType<typeof sql>) =>
    ((await tx.execute(statement)) as unknown as [Record<string, unknown>[]])[0];
  const heldBy = () =>
    rows(database(), sql`SELECT place, holder FROM heavy_place WHERE person_id = ${person} ORDER BY place`);
  const got = await sharedPlace(person, new AbortController().signal, Date.now() + 20_000);
  if (!got.ok || 'not' in got.value) throw new Error(`no place: ${JSON.stringify(got)}`);
  const { leave } = got.value;
  // A second row under the same name, among those that nobody asks for: what gives back holds one and waits for the other.
  const [{ place, holder } = {}] = await heldBy();
  await database().execute(
    sql`UPDATE heavy_place SET holder = ${holder}, person_id = ${person} WHERE place = 32`,
  );
  let leaving: Promise<void> | undefined;
  const other = withTransaction(async (tx) => {
    // Whoever has written more is not the one that is taken back.
    await tx.execute(sql`UPDATE heavy_place SET person_id = 'other' WHERE place BETWEEN 20 AND 31`);
    await tx.execute(sql`SELECT place FROM heavy_place WHERE place = 32 FOR UPDATE`);
    leaving ??= leave();
    await wait(300);
    await tx.execute(sql`UPDATE heavy_place SET person_id = ${person} WHERE place = ${place}`);
    throw new Error('taken back');
  });
  await expect(other).rejects.toThrow('taken back');
  await leaving;
  expect(await heldBy()).toEqual([]);
});

test('between two batches others have a turn', async () => {
  let turns = 0;
  const timer = setInterval(() => (turns += 1), 0);
  for await (const _ of inBatches([1, 2, 3, 4, 5, 6], 2)) {
    const until = Date.now() + 5;
    while (Date.now() < until);
  }
  clearInterval(timer);
  expect(turns).toBeGreaterThan(0);
});

test.each([
  [undefined, 4],
  ['1', 1],
  ['32', 32],
])('as many places for heavy work as the environment says: %j', (set, places) =>
  expect(heavyPlaces(set)).toBe(places),
);

test.each(['0', '33', '', 'four', '4.5', '-1', '1e1'])(
  '%j places for heavy work are a mistake, and said to be one',
  (set) => expect(() => heavyPlaces(set)).toThrow(/AMBER_COLLAR_HEAVY is .*, not 1 to 32/),
);
