import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { appendFileSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import mysql, { type Connection } from 'mysql2/promise';
import { closeDatabase, findJob, database } from '@/data';
import { verifyRecord } from '../../../cli/verify';
import { takeSize } from '../operations/gland-selection';
import { exportRecord, viewJobRecord } from '../operations/job-record';
import { viewRunning } from '../operations/running';
import { viewTermination } from '../operations/view';
import { ownDatabase } from '../testing/alone';
import { withAnotherKeep } from '../testing/another-keep';
import { confirmNext, ref } from '../testing/bench';
import { adoptRecords } from './append';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';

// Guards are taken away here.
ownDatabase('ATTACK');
let owner: Connection;
beforeAll(async () => {
  owner = await mysql.createConnection({
    uri: process.env.DATABASE_OWNER_URL ?? '',
    multipleStatements: true,
  });
  // Whoever owns the database can take the guards away; here they come back at the end.
  await owner.query(
    'DROP TRIGGER record_event_no_update; DROP TRIGGER record_event_no_delete; DROP TRIGGER record_receipt_no_update; DROP TRIGGER record_receipt_no_delete',
  );
});
afterAll(async () => {
  for (const table of ['record_event', 'record_receipt'])
    for (const act of ['update', 'delete'])
      await owner.query(
        `CREATE OR REPLACE TRIGGER ${table}_no_${act} BEFORE ${act} ON ${table} FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the record is append-only'`,
      );
  await owner.end();
  await closeDatabase();
});

const confirm = (job: string, minutes: number) =>
  confirmNext(job, FITTER, 'clamped', new Date(NOW.getTime() + minutes * 60_000));

/** A job with five steps done at one end. */
async function worked(): Promise<{ job: string; id: number; end: number }> {
  const job = await makeJob();
  await good(takeSize(ref(job), 'RW2-32', randomUUID(), PLANNER, NOW));
  for (let i = 1; i <= 5; i += 1) await good(confirm(job, i));
  const row = await findJob(database(), job);
  const [[event]] = (await owner.query('SELECT subject_id AS id FROM record_event WHERE job_id = ?', [
    row?.id,
  ])) as unknown as [[{ id: number }]];
  return { job, id: row?.id ?? 0, end: event.id };
}

const OF_END = "subject_kind = 'termination' AND subject_id = ?";

test.each<[string, string, (w: { id: number; end: number }) => unknown[], RegExp]>([
  [
    'changes who did a step',
    `UPDATE record_event SET actor = 'x' WHERE ${OF_END} AND seq = 2`,
    (w) => [w.end],
    /event 2 names somebody else than whoever made it/,
  ],
  [
    'changes what name a mark stands for',
    `UPDATE name_seal SET name = LEFT(mark, 8) WHERE mark = (SELECT by_mark FROM record_event WHERE ${OF_END} AND seq = 2)`,
    (w) => [w.end],
    /event 2 names somebody else than whoever made it/,
  ],
  [
    'puts another mark to an event',
    `UPDATE record_event SET by_mark = REPEAT('0', 64) WHERE ${OF_END} AND seq = 2`,
    (w) => [w.end],
    /event 2 has been changed/,
  ],
  [
    'changes when the server got it',
    `UPDATE record_event SET received_at = received_at - INTERVAL 1 HOUR WHERE ${OF_END} AND seq = 3`,
    (w) => [w.end],
    /event 3 has been changed/,
  ],
  [
    'takes an event out',
    `DELETE FROM record_event WHERE ${OF_END} AND seq = 3`,
    (w) => [w.end],
    /event 3 was written and is missing|number 3 was expected/,
  ],
  [
    'cuts the tail off',
    `DELETE FROM record_event WHERE ${OF_END} AND seq > 3`,
    (w) => [w.end],
    /event 4 was written and is missing/,
  ],
  [
    'deletes all events',
    `DELETE FROM record_event WHERE ${OF_END}`,
    (w) => [w.end],
    /event 1 was written and is missing/,
  ],
  [
    'cuts events and receipts off',
    `DELETE FROM record_event WHERE ${OF_END} AND seq > 3; DELETE FROM record_receipt WHERE ${OF_END} AND seq > 3`,
    (w) => [w.end, w.end],
    /ends at entry 3, and 5 were written/,
  ],
  [
    'deletes everything of the job',
    'DELETE FROM record_event WHERE job_id = ?; DELETE FROM record_receipt WHERE job_id = ?',
    (w) => [w.id, w.id],
    /ends at entry 0, and 5 were written/,
  ],
  [
    'signs with nothing',
    `UPDATE record_receipt SET signature = 'AAAA' WHERE job_id = ? AND number = 5`,
    (w) => [w.id],
    /not signed/,
  ],
  [
    'changes the plan and its hash',
    `UPDATE plan SET body = JSON_SET(body, '$.partNumber', 'other'), plan_hash = SHA2('x', 256) WHERE termination_id = ?`,
    (w) => [w.end],
    /plan has been changed|none that this record names/,
  ],
])(
  'whoever %s in the database is named on the end and on the board, and nothing more is confirmed',
  async (_, statement, args, words) => {
    const made = await worked();
    expect((await good(viewJobRecord(made.job))).faults).toEqual([]);
    await owner.query(statement, args(made));
    const view = await good(viewTermination(ref(made.job)));
    expect(view.chainFaults.map((f) => `event ${f.seq} ${f.fault}`).join('\n')).toMatch(words);
    expect((await good(viewJobRecord(made.job))).faults.map((f) => f.words).join('\n')).toMatch(/./);
    if (view.nextStep !== null) expect(await refused(confirm(made.job, 9))).toMatch(/does not hold/);
    const file = JSON.parse(await good(exportRecord(made.job, NOW))) as { receipts: unknown[] };
    if (file.receipts.length === 5) expect(verifyRecord(file).ok).toBe(false);
  },
);

test('the file of an untouched job is checked without the database, and ends where its prints end', async () => {
  const { job } = await worked();
  const state = await good(viewJobRecord(job));
  const report = verifyRecord(JSON.parse(await good(exportRecord(job, NOW))));
  expect(report).toMatchObject({ ok: true, value: { job, subjects: 1, events: 5, code: state.code } });
  expect(state.code).toMatch(/^5 · /);
});

test('a job that is renamed in the database is one whose record was written under another name', async () => {
  const { job, id } = await worked();
  const name = `${job}-b`;
  await owner.query('UPDATE job SET slug = ? WHERE id = ?', [name, id]);
  const words = RegExp(`was written under the name ${job}`);
  expect((await good(viewTermination(ref(name)))).chainFaults.map((f) => f.fault).join()).toMatch(words);
  expect((await good(viewJobRecord(name))).faults.map((f) => f.words).join()).toMatch(words);
  expect(await refused(confirm(name, 9))).toMatch(/does not hold/);
  // The name that it had is not in the database any more, and is remembered.
  expect((await good(viewRunning())).lostJobs).toContainEqual({ job, entries: 5 });
});

/** Puts the whole record of an end, plan and receipts too, to another one. */
const moveRecord = (from: number, to: number) =>
  owner.query(
    `UPDATE record_event SET subject_id = ? WHERE ${OF_END}; UPDATE record_receipt SET subject_id = ? WHERE ${OF_END};
     UPDATE plan SET termination_id = ? WHERE termination_id = ?`,
    [to, from, to, from, to, from],
  );
const idOf = async (job: number, tag: string, end: string): Promise<number> => {
  const [[row]] = (await owner.query(
    'SELECT t.id FROM termination t JOIN cable c ON c.id = t.cable_id WHERE c.job_id = ? AND c.tag = ? AND t.cable_end = ?',
    [job, tag, end],
  )) as unknown as [[{ id: number }]];
  return row.id;
};

test('a record that is put to the other end of its cable does not hold there', async () => {
  const { job, id, end } = await worked();
  const { cable } = ref(job);
  await moveRecord(end, await idOf(id, cable, 'B'));
  const view = await good(viewTermination({ job, cable, end: 'B' }));
  expect(view.chainFaults.map((f) => f.fault)).toEqual([`was written for ${cable}/A, and this is an end B`]);
  expect((await good(viewJobRecord(job))).faults).toEqual([
    { subject: `${cable}/A`, words: `event 1 was written for ${cable}/A, and this is an end B` },
  ]);
});

test('a record that is put to another cable says what it was called, as one of a cable that was renamed does', async () => {
  const { job, id, end } = await worked();
  const { cable } = ref(job);
  await moveRecord(end, await idOf(id, 'K-2', 'A'));
  expect(await good(viewTermination({ job, cable: 'K-2', end: 'A' }))).toMatchObject({
    formerNames: [`${cable}/A`],
  });
  expect((await good(viewJobRecord(job))).renamed).toEqual([{ subject: 'K-2/A', before: [`${cable}/A`] }]);
});

test('a record whose end is not in the database any more is named', async () => {
  const { job, end } = await worked();
  await owner.query(
    'SET FOREIGN_KEY_CHECKS = 0; DELETE FROM termination WHERE id = ?; SET FOREIGN_KEY_CHECKS = 1',
    [end],
  );
  expect((await good(viewJobRecord(job))).faults).toContainEqual({
    subject: `${ref(job).cable}/A`,
    words: 'is not in the database any more, and its record is',
  });
});

test('events without receipts get none at a start once this application has written any, and are never signed', async () => {
  const { job, id, end } = await worked();
  const name = `${job}-c`;
  await owner.query(
    `UPDATE job SET slug = ? WHERE id = ?; DELETE FROM record_receipt WHERE job_id = ?;
     DELETE FROM record_event WHERE ${OF_END} AND seq > 4`,
    [name, id, id, end],
  );
  expect(await adoptRecords(NOW)).toBe(0);
  expect((await good(viewTermination(ref(name)))).chainFaults.map((f) => f.fault).join()).toMatch(
    /has no receipt: it was not written by this application/,
  );
  // The first start of all after an upgrade, of which nothing is remembered.
  const [[{ n }]] = (await owner.query(
    'SELECT COUNT(*) AS n FROM record_event WHERE job_id NOT IN (SELECT job_id FROM record_receipt)',
  )) as unknown as [[{ n: number }]];
  expect(n).toBeGreaterThanOrEqual(4);
  await withAnotherKeep(async () => {
    expect(await adoptRecords(NOW)).toBe(n);
    expect((await good(viewTermination(ref(name)))).chainFaults).toEqual([]);
  });
});

test('a job that is not there any more is named to whoever audits and to the administrator', async () => {
  const { job, id } = await worked();
  expect((await good(viewRunning())).lostJobs).not.toContainEqual({ job, entries: 5 });
  await owner.query(
    `SET FOREIGN_KEY_CHECKS = 0; DELETE FROM record_event WHERE job_id = ?; DELETE FROM record_receipt WHERE job_id = ?;
     DELETE FROM job WHERE id = ?; SET FOREIGN_KEY_CHECKS = 1`,
    [id, id, id],
  );
  const { status, stderr } = spawnSync(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server', 'cli/audit.ts'],
    { encoding: 'utf8', env: { ...process.env, LOG_LEVEL: 'silent' } },
  );
  expect(stderr).toContain(`${job}: 5 entries were written here, and this database holds no such job`);
  expect(status).toBe(1);
  expect((await good(viewRunning())).lostJobs).toContainEqual({ job, entries: 5 });
}, 60_000);

test('what another process has remembered counts too', async () => {
  const { job } = await worked();
  const folder = process.env.AMBER_COLLAR_KEEP ?? '';
  appendFileSync(join(folder, 'heads.log'), `${job} 9 ${'0'.repeat(64)}\n`);
  const view = await good(viewTermination(ref(job)));
  expect(view.chainFaults[0]?.fault).toMatch(/ends at entry 5, and 9 were written/);
});

test('with another key nothing that was signed before holds', async () => {
  const { job } = await worked();
  await withAnotherKeep(async (other) => {
    const view = await good(viewTermination(ref(job)));
    expect(view.chainFaults.map((f) => f.fault).join()).toMatch(/has not signed/);
    expect(readFileSync(join(other, 'record-key.pem'), 'utf8')).toMatch(/PRIVATE KEY/);
  });
});
