import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import mysql, { type Connection } from 'mysql2/promise';
import { hashOf } from '@/core/kernel';
import { closeDatabase, database, loadCatalogue, withTransaction } from '@/data';
import { takeSize } from '../operations/gland-selection';
import { viewRunning } from '../operations/running';
import { viewTermination } from '../operations/view';
import { ownDatabase } from '../testing/alone';
import { withAnotherKeep } from '../testing/another-keep';
import { ref } from '../testing/bench';
import { good, makeJob, NOW, PLANNER, refused } from '../testing/job';

// Figures of the catalogue are changed here.
ownDatabase('CATALOGUE');
let owner: Connection;
beforeAll(async () => {
  owner = await mysql.createConnection({
    uri: process.env.DATABASE_OWNER_URL ?? '',
    jsonStrings: true,
  });
});
afterAll(async () => {
  await owner.end();
  await closeDatabase();
});

interface Row {
  readonly id: number;
  readonly body: string;
  readonly hash: string;
}
const rowOf = async (table: string, where: string): Promise<Row> => {
  const [[row]] = (await owner.query(`SELECT * FROM ${table} WHERE ${where}`)) as unknown as [[Row]];
  return row;
};
const write = (table: string, { id, body, hash }: Row) =>
  owner.query(`UPDATE ${table} SET body = ?, hash = ? WHERE id = ?`, [body, hash, id]);
const faults = async () => (await good(viewRunning())).catalogueFaults?.map((f) => f.words);

/** Does something while rows stand otherwise than they came in. */
async function whileItIs(table: string, was: Row, now: Row, does: () => Promise<void>): Promise<void> {
  await write(table, now);
  try {
    await does();
  } finally {
    await write(table, was);
  }
}

const SHEET = "code = 'RW2'";
const SHEET_CHANGED = 'the sheet RW2 revision 5 has other figures than it came in with';

test('a sheet whose figures and hash are changed in the database is named, and nothing is chosen or shown from it', async () => {
  const job = await makeJob();
  await good(viewTermination(ref(job)));
  const was = await rowOf('family_revision', SHEET);
  const body = was.body.replace(/"(max\w*Mm)":\s*(\d)/i, '"$1":9$2');
  expect(body).not.toBe(was.body);
  await whileItIs('family_revision', was, { ...was, body, hash: hashOf(JSON.parse(body)) }, async () => {
    const refusal = await refused(takeSize(ref(job), 'RW2-32', randomUUID(), PLANNER, NOW));
    expect(refusal).toContain(SHEET_CHANGED);
    expect(await refused(viewTermination(ref(job)))).toContain(SHEET_CHANGED);
    expect(await faults()).toEqual([SHEET_CHANGED]);
  });
  expect(await faults()).toEqual([]);
  await good(takeSize(ref(job), 'RW2-32', randomUUID(), PLANNER, NOW));
});

test.each([
  ['other figures under the hash of before', (body: string) => body.replace(/"revision":"/, '"revision":"x')],
  ['no figures at all', () => '{}'],
])(
  'a sheet with %s is named by this process, which knows it from before, and no new one reads it',
  async (_, to) => {
    const job = await makeJob();
    await good(viewTermination(ref(job)));
    const was = await rowOf('family_revision', SHEET);
    await whileItIs('family_revision', was, { ...was, body: to(was.body) }, async () => {
      expect(await faults()).toEqual([SHEET_CHANGED]);
      const { status, stderr } = audit();
      expect(stderr).toContain(`catalogue: ${SHEET_CHANGED}`);
      expect(status).toBe(1);
      // What a process that starts now knows: nothing, except that there is a pool.
      await jest.isolateModulesAsync(async () => {
        const fresh = await import('@/data');
        await expect(fresh.loadCatalogue(fresh.database())).rejects.toThrow(SHEET_CHANGED);
      });
    });
    expect(await faults()).toEqual([]);
  },
  60_000,
);

test('a part that is taken out in the database is named; what is there is still chosen from', async () => {
  const job = await makeJob();
  await good(viewTermination(ref(job)));
  const was = await rowOf('part_revision', "kind = 'accessory' ORDER BY id DESC LIMIT 1");
  const [before] = (await owner.query('SELECT * FROM part_revision WHERE id = ?', [was.id])) as [
    object[],
    unknown,
  ];
  await owner.query('DELETE FROM part_revision WHERE id = ?', [was.id]);
  try {
    await good(viewTermination(ref(job)));
    expect(await faults()).toEqual([
      expect.stringMatching(/^the accessory .* does not hold it as it came in$/),
    ]);
    expect(audit().status).toBe(1);
  } finally {
    await owner.query('INSERT INTO part_revision SET ?', before);
  }
  expect(await faults()).toEqual([]);
}, 60_000);

test('what only a transaction has read is not remembered, since it may be taken back; what is certain is, once', () =>
  withAnotherKeep(async (folder) => {
    const log = join(folder, 'catalogue.log');
    await withTransaction((tx) => loadCatalogue(tx));
    expect(existsSync(log)).toBe(false);
    await loadCatalogue(database());
    const once = readFileSync(log, 'utf8');
    await loadCatalogue(database());
    expect(readFileSync(log, 'utf8')).toBe(once);
    expect(once).toMatch(/^family RW2%20revision%205 [0-9a-f]{64}$/m);
  }));

function audit() {
  return spawnSync(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server', 'cli/audit.ts'],
    { encoding: 'utf8', env: { ...process.env, LOG_LEVEL: 'silent' } },
  );
}
