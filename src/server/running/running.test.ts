import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { setTimeout as after } from 'node:timers/promises';
import { closeDatabase, database, inRequest, insertPerson, isDuplicate, processesSeen } from '@/data';
import { act, look } from '../gate';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { mayRead, metricsText, sayThatItRuns } from '.';
import { madeLog } from './log';
import { saidOf } from './said-of';

afterAll(closeDatabase);

const folder = mkdtempSync(join(tmpdir(), 'amber-collar-log-'));
afterAll(() => rmSync(folder, { recursive: true }));

interface Row {
  readonly said: string;
}
const whatIsRunning = async (): Promise<string> => {
  const [[row]] = (await database().execute(
    sql`SELECT INFO AS said, SLEEP(0.05) FROM information_schema.PROCESSLIST WHERE ID = CONNECTION_ID()`,
  )) as unknown as [Row[]];
  return row?.said ?? '';
};

describe('the id of a request', () => {
  it('stands in every statement that is asked for it, also where forty wait for eight connections', async () => {
    const ids = Array.from({ length: 40 }, () => randomUUID());
    const said = await Promise.all(ids.map((id) => inRequest(id, whatIsRunning)));
    said.forEach((text, i) => expect(text).toContain(`/* request ${ids[i]} */`));
    expect(await whatIsRunning()).not.toContain('request');
  });

  it.each(['short', 'x*/ DROP TABLE job; /*', 'a'.repeat(65), ''])('is not taken from “%s”', (id) =>
    expect(() => inRequest(id, () => 1)).toThrow('not the id'),
  );

  it('is kept beside the command that came with it', async () => {
    const [id, request] = [randomUUID(), randomUUID()];
    const job = await makeJob();
    await good(
      inRequest(request, () =>
        act('addCable', [job, { tag: 'K-9', type: 'W4-25' }], PLANNER, { id, now: NOW }),
      ),
    );
    const [[row]] = (await database().execute(
      sql`SELECT request AS said FROM sent_command WHERE id = ${id}`,
    )) as unknown as [Row[]];
    expect(row?.said).toBe(request);
  });
});

describe('the log', () => {
  const lines = (file: string) =>
    readFileSync(join(folder, file), 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);

  it('says of a name that is taken which statement failed, for which request, and not whose name it is', async () => {
    const secret = `Zaphira ${randomUUID().slice(0, 8)}`;
    const person = { name: secret, username: secret, administrator: false, passwordHash: 'x' };
    await insertPerson(database(), { ...person, id: randomUUID() }, NOW);
    const error: unknown = await insertPerson(database(), { ...person, id: randomUUID() }, NOW).catch(
      (e: unknown) => e,
    );
    expect(isDuplicate(error)).toBe(true);
    expect(String(error)).toContain(secret);
    const log = madeLog(join(folder, 'one.log'), 'info');
    const request = randomUUID();
    inRequest(request, () => log.warn({ err: error }, 'a name is taken'));
    await after(200);
    const [line] = lines('one.log');
    expect(line).toMatchObject({ request, msg: 'a name is taken', err: { cause: { code: 'ER_DUP_ENTRY' } } });
    expect(JSON.stringify(line)).toContain('insert into `person`');
    expect(JSON.stringify(line).toLowerCase()).not.toContain(secret.toLowerCase());
  });

  it('leaves the words of a bug out, over however many lines, and keeps where it was', () => {
    const said = JSON.stringify(saidOf(new Error('Zaphira lives\n    in Quillmere', { cause: 'Zaphira' })));
    expect(said).toContain('running.test');
    expect(said).not.toMatch(/Zaphira|Quillmere/);
  });

  it('begins another file at its size and keeps only so many', async () => {
    const log = madeLog(join(folder, 'small.log'), 'info', { size: '2K', interval: '1d', maxFiles: 3 });
    for (let i = 0; i < 200; i += 1) {
      log.info({ i }, 'a line of some length that says nothing');
      if (i % 20 === 0) await after(20);
    }
    await after(500);
    const files = readdirSync(folder).filter((name) => name.includes('small') && !name.endsWith('.txt'));
    expect(files.length).toBeGreaterThan(1);
    expect(files.length).toBeLessThanOrEqual(4);
  });
});

describe('figures', () => {
  it('are there for who has the word, and for nobody where none is set', () => {
    expect(mayRead('Bearer word-of-theirs', 'word-of-theirs')).toBe(true);
    for (const [given, word] of [
      ['Bearer word', 'word-of-theirs'],
      ['word-of-theirs', 'word-of-theirs'],
      [null, 'word-of-theirs'],
      ['Bearer ', ''],
      ['Bearer undefined', undefined],
    ] as const)
      expect(mayRead(given, word)).toBe(false);
  });

  it('count what was done and what was refused, and say that a server alone is ready', async () => {
    const job = await makeJob();
    await good(act('addCable', [job, { tag: 'K-8', type: 'W4-25' }], PLANNER, { now: NOW }));
    await refused(act('addCable', [job, { tag: 'K-8', type: 'W4-25' }], PLANNER, { now: NOW }));
    const { text } = await metricsText();
    expect(text).toMatch(/operation_seconds_count\{operation="addCable",outcome="done"\} [1-9]/);
    expect(text).toMatch(/operation_seconds_count\{operation="addCable",outcome="refused"\} 1\n/);
    expect(text).toContain('amber_collar_node_ready 1\n');
    expect(text).not.toMatch(/K-8|fitter|planner/i);
  });
});

describe('what runs', () => {
  it('shows a process that says so, to an administrator of the whole alone', async () => {
    const before = new Set((await processesSeen(database(), 60)).map((p) => p.id));
    const end = sayThatItRuns();
    await after(400);
    end();
    const mine = (await processesSeen(database(), 60)).filter((p) => !before.has(p.id));
    expect(mine).toHaveLength(1);
    expect(mine[0]).toMatchObject({ pid: process.pid, version: '0.1.0' });
    expect(mine[0]?.quietSeconds).toBeLessThan(5);
    expect(await refused(look('viewRunning', [], FITTER))).toContain('administrator of the whole');
  });
});
