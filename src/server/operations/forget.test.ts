import { randomUUID } from 'node:crypto';
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { closeDatabase, database, findJob, forgottenPeople, insertPerson, setRoles } from '@/data';
import { forgetPerson } from '@/data/forget';
import { verifyRecord } from '../../../cli/verify';
import { act, look } from '../gate';
import { ownDatabase } from '../testing/alone';
import { confirmNext, ref } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { exportRecord, viewJobRecord } from './job-record';

// Every row of the database is looked through here.
ownDatabase('FORGET');
const ownerUrl = () => process.env.DATABASE_OWNER_URL ?? '';
let owner: Connection;
beforeAll(async () => {
  owner = await mysql.createConnection({ uri: ownerUrl() });
});
afterAll(async () => {
  await owner.end();
  await closeDatabase();
});

/** Every column of every table in which a text stands. */
async function whereStands(text: string): Promise<string[]> {
  const [columns] = await owner.query<RowDataPacket[]>(
    "SELECT TABLE_NAME AS t, COLUMN_NAME AS c FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND DATA_TYPE IN ('char', 'varchar', 'text', 'mediumtext', 'longtext')",
  );
  const found: string[] = [];
  for (const { t, c } of columns) {
    const [[row]] = await owner.query<RowDataPacket[]>(
      `SELECT COUNT(*) AS n FROM \`${String(t)}\` WHERE \`${String(c)}\` LIKE ?`,
      [`%${text}%`],
    );
    if (Number(row?.n) > 0) found.push(`${String(t)}.${String(c)}`);
  }
  return found;
}

/** Somebody of an unmistakable name, who is a fitter and plans in a job of their own, and has worked there. */
async function worked() {
  const word = `Zaphira${randomUUID().slice(0, 6)}`;
  const who = { id: randomUUID(), name: `${word} Quill` };
  const job = await makeJob();
  await insertPerson(database(), { ...who, username: word, administrator: false, passwordHash: 'x' }, NOW);
  const row = await findJob(database(), job);
  await setRoles(database(), who.id, row?.id ?? 0, ['planner', 'fitter'], PLANNER.id, NOW);
  await good(act('takeSize', [ref(job), 'RW2-32', false], who, { id: randomUUID(), now: NOW }));
  for (let i = 1; i <= 2; i += 1)
    await good(confirmNext(job, i === 1 ? who : FITTER, 'clamped', new Date(NOW.getTime() + i * 60_000)));
  await good(act('addCable', [job, { tag: 'K-31', type: 'W4-25' }], who, { id: randomUUID(), now: NOW }));
  await good(
    act(
      'addReading',
      [ref(job, 'K-2'), { quantity: 'core', method: 'caliper', text: '7.1', unit: 'mm' }],
      who,
      { id: randomUUID(), now: NOW },
    ),
  );
  return { word, who, job };
}
const names = async (job: string) =>
  (await good(look('viewTermination', [ref(job)], PLANNER))).events.map((e) => e.actor);

it('somebody who is forgotten stands nowhere in the database any more, and every record of theirs still holds', async () => {
  const { word, who, job } = await worked();
  const before = await good(viewJobRecord(job));
  expect((await whereStands(word)).length).toBeGreaterThan(3);
  expect(await names(job)).toEqual([who.name, 'fitter']);

  const shown = await forgetPerson(ownerUrl(), word, { look: true });
  expect(shown).toMatchObject({ ok: true, value: { events: 1, unsealed: 0, typed: 0 } });
  expect(await names(job)).toEqual([who.name, 'fitter']);

  expect(await forgetPerson(ownerUrl(), word.toUpperCase(), { look: false })).toEqual(shown);
  expect(await whereStands(word)).toEqual([]);
  expect(await names(job)).toEqual([`person ${who.id.slice(0, 8)}`, 'fitter']);
  expect(await good(viewJobRecord(job))).toEqual(before);
  const [last] = (await forgottenPeople(database())).filter((p) => p.person === who.id);
  expect(last).toMatchObject({ events: 1 });
  const file = JSON.parse(await good(exportRecord(job, NOW))) as unknown;
  expect(verifyRecord(file)).toMatchObject({ ok: true, value: { events: 2 } });
  expect(JSON.stringify(file)).not.toContain(word);
});

it('a file that was saved before holds as well, and still says who it was', async () => {
  const { word, job } = await worked();
  const saved = JSON.parse(await good(exportRecord(job, NOW))) as {
    subjects: { events: { actor: string }[] }[];
  };
  await forgetPerson(ownerUrl(), word, { look: false });
  expect(verifyRecord(saved)).toMatchObject({ ok: true });
  expect(JSON.stringify(saved)).toContain(word);
  for (const event of saved.subjects[0]?.events ?? []) event.actor = 'somebody else';
  expect(verifyRecord(saved)).toMatchObject({ ok: false });
});

it('whoever is forgotten is out at once, and nothing is left to sign in by', async () => {
  const { word, who, job } = await worked();
  await good(look('viewTermination', [ref(job)], who));
  await forgetPerson(ownerUrl(), word, { look: false });
  expect(await refused(look('viewTermination', [ref(job)], who))).toContain('Nobody is signed in');
  const [[left]] = await owner.query<RowDataPacket[]>(
    'SELECT COUNT(*) AS n FROM person_account WHERE person_id = ?',
    [who.id],
  );
  expect(left?.n).toBe(0);
});

it('nobody of that name, and the last administrator, are refused', async () => {
  expect(await forgetPerson(ownerUrl(), 'nobody-at-all', { look: false })).toMatchObject({
    ok: false,
    problems: [{ message: 'nobody signs in under it' }],
  });
  const username = `chief${randomUUID().slice(0, 6)}`;
  await insertPerson(
    database(),
    { id: randomUUID(), name: username, username, administrator: true, passwordHash: 'x' },
    NOW,
  );
  await owner.query('UPDATE person SET administrator = 0 WHERE username <> ?', [username]);
  expect(await forgetPerson(ownerUrl(), username, { look: false })).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('last administrator') as string }],
  });
});
