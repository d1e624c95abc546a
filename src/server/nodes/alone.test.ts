import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as after } from 'node:timers/promises';
import type { Result } from '@/core/kernel';
import type { ScheduleRow } from '@/data';
import { processBefore, startedCluster, type NodeProcess } from './nodes';

const cluster = startedCluster();
const processes: NodeProcess[] = [];
const pidOf = (data: string) => Number(readFileSync(join(dirname(data), 'db.pid'), 'utf8'));
const others = cluster.nodes.slice(1).map(({ data }) => pidOf(data));
const all = (signal: 'SIGSTOP' | 'SIGCONT') => others.forEach((pid) => process.kill(pid, signal));
beforeAll(() => {
  for (const { url } of cluster.nodes) processes.push(processBefore(url, cluster.keep));
});
afterAll(async () => {
  all('SIGCONT');
  for (const process of processes) await process.end();
});

const [LONGEST, STEP] = [60, 500];
async function until(process: NodeProcess, state: 'writes' | 'alone'): Promise<void> {
  for (let i = 0; i < LONGEST; i += 1) {
    if ((await process.ask({ what: 'state' })) === state) return;
    await after(STEP);
  }
  throw new Error(`not in the state "${state}" after ${(LONGEST * STEP) / 1000} s`);
}

it('of what is being saved while the others are lost it is said that nobody knows, and sent again it is done once', async () => {
  const [here] = processes;
  if (!here) throw new Error('no process');
  const job = (await here.sure({ what: 'makeJob' })) as string;
  const adding = (tag: string) =>
    ({
      what: 'act',
      name: 'addCable',
      args: [job, { tag, type: 'W4-25' }],
      id: randomUUID(),
      at: 0,
    }) as const;
  // Once before, so that it is quick: the other two are lost two seconds after they stop. Where that was too late for its end, it is tried again.
  expect(await here.sure(adding('K-86'))).toMatchObject({ ok: true });
  const add = adding('K-87');
  const told: string[] = [];
  for (let tries = 0; tries < 3 && !told.some((words) => words.includes('not known yet')); tries += 1) {
    all('SIGSTOP');
    const answer = (await here.ask(add)) as Result<unknown>;
    told.push(answer.ok ? 'done' : (answer.problems[0]?.message ?? ''));
    await until(here, 'alone');
    all('SIGCONT');
    for (const process of processes) await until(process, 'writes');
  }
  expect(told.at(-1)).toContain('not known yet');
  expect(await here.ask({ what: 'held' })).toBe(0);
  const done = await here.ask(add);
  expect(done).toMatchObject({ ok: true });
  expect(await here.ask(add)).toEqual(done);
  const seen = (await here.ask({
    what: 'look',
    name: 'schedulePage',
    args: [job, 'K-87', 'tag', false, 0, 5],
  })) as { rows: ScheduleRow[] };
  expect(seen.rows.map((row) => row.tag)).toEqual(['K-87']);
});

it('a node that has lost the others writes nothing, shows nothing as if it were so now, and says of when it is what it last knew', async () => {
  const [here] = processes;
  if (!here) throw new Error('no process');
  const job = (await here.sure({ what: 'makeJob' })) as string;
  const schedule = [job, 'K-2', 'tag', false, 0, 1];
  const look = { what: 'look', name: 'schedulePage', args: schedule } as const;
  const before = (await here.ask(look)) as { rows: ScheduleRow[] };
  expect(before.rows[0]?.tag).toBe('K-2');
  expect(await here.ask({ what: 'state' })).toBe('writes');
  const from = Date.now();
  await here.ask({ what: 'say' });
  await after(1000);
  all('SIGSTOP');
  const lost = Date.now();
  await until(here, 'alone');

  const add = { what: 'act', name: 'addCable', args: [job, { tag: 'K-88', type: 'W4-25' }], at: 0 } as const;
  const told = (await here.ask(add)) as Result<unknown>;
  expect(told).toMatchObject({ ok: false, problems: [{ path: '' }] });
  await expect(here.ask(look)).rejects.toThrow('has lost the others');
  const dated = (await here.ask({ what: 'dated', name: 'schedulePage', args: schedule })) as {
    at: string;
    seen: { rows: ScheduleRow[] };
  };
  expect(dated.seen.rows).toEqual(before.rows);
  const at = Date.parse(dated.at);
  expect(at).toBeGreaterThanOrEqual(from);
  expect(at).toBeLessThanOrEqual(lost);

  all('SIGCONT');
  for (const process of processes) await until(process, 'writes');
  expect(await here.ask(look)).toEqual(before);
  expect(await here.ask(add)).toMatchObject({ ok: true });
});
