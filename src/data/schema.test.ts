import { getTableColumns, getTableName, is } from 'drizzle-orm';
import { MySqlTable } from 'drizzle-orm/mysql-core';
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { migrate, readSteps } from './migrate';
import * as schema from './schema';

const owner = process.env.DATABASE_OWNER_URL ?? '';
const application = process.env.DATABASE_URL ?? '';

const on = async <T>(url: string, work: (connection: Connection) => Promise<T>): Promise<T> => {
  const connection = await mysql.createConnection({ uri: url, timezone: 'Z' });
  try {
    return await work(connection);
  } finally {
    await connection.end();
  }
};

describe('migrations', () => {
  it('make every table and column that the queries name, with the same nullability', async () => {
    const tables = Object.values(schema).filter((t) => is(t, MySqlTable));
    expect(tables.length).toBeGreaterThan(10);
    const rows = await on(owner, async (c) => {
      const [found] = await c.query<RowDataPacket[]>(
        'SELECT TABLE_NAME AS t, COLUMN_NAME AS c, IS_NULLABLE AS n FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE()',
      );
      return new Map(found.map((r) => [`${String(r.t)}.${String(r.c)}`, r.n === 'YES']));
    });
    for (const table of tables) {
      for (const column of Object.values(getTableColumns(table))) {
        const name = `${getTableName(table)}.${column.name}`;
        expect([name, rows.get(name)]).toEqual([name, !column.notNull]);
      }
    }
  });

  it('have nothing left to do the second time', async () => expect(await migrate(owner)).toEqual([]));

  it('go on where they were cut off, even when the step had run and was not recorded', async () => {
    const step = 'bench-event';
    await on(owner, (c) => c.query('DELETE FROM schema_step WHERE name LIKE ?', [`%/${step}`]));
    expect(await migrate(owner)).toEqual([`0001_schema/${step}`]);
    expect(await migrate(owner)).toEqual([]);
  });

  it('have one statement a step and no name twice', () => {
    const steps = readSteps();
    expect(new Set(steps.map((s) => s.name)).size).toBe(steps.length);
    for (const s of steps) expect(s.sql).toMatch(/^(ALTER|CREATE|INSERT IGNORE)/);
  });
});

describe('what the application’s account may do', () => {
  it.each([
    'UPDATE record_event SET actor = "x"',
    'DELETE FROM record_receipt',
    'SELECT * FROM bench_event',
    'DELETE FROM record_event',
    'DROP TABLE record_event',
    'ALTER TABLE record_event ADD COLUMN x INT',
  ])('not: %s', async (statement) => {
    await expect(on(application, (c) => c.query(statement))).rejects.toMatchObject({
      code: expect.stringMatching(/DENIED/) as string,
    });
  });

  it('refuses a change of the record even to the owner', async () => {
    const statements = [
      `INSERT INTO job (slug, name, unit, second_person, profile) VALUES ('trigger', 't', 'mm', 0, '{}')`,
      'SET @job = LAST_INSERT_ID()',
      `INSERT INTO cable_type (job_id, code, facts) VALUES (@job, 'x', '{}')`,
      'SET @type = LAST_INSERT_ID()',
      `INSERT INTO cable (job_id, tag, type_id) VALUES (@job, 'x', @type)`,
      'SET @cable = LAST_INSERT_ID()',
      `INSERT INTO termination (cable_id, cable_end) VALUES (@cable, 'A')`,
      'SET @end = LAST_INSERT_ID()',
      `INSERT INTO record_event VALUES ('id', 3, @job, 'termination', @end, 'x/A', 1, 's', 'k', 'a', 't', UTC_TIMESTAMP(3), '{}', 'p', 'p', NULL, NULL, 'h', NULL, NULL, NULL)`,
    ];
    await on(owner, async (c) => {
      await c.beginTransaction();
      for (const statement of statements) await c.query(statement);
      await expect(c.query(`UPDATE record_event SET actor = 'forger' WHERE id = 'id'`)).rejects.toThrow(
        /append-only/,
      );
      await expect(c.query(`DELETE FROM record_event WHERE id = 'id'`)).rejects.toThrow(/append-only/);
      await c.rollback();
    });
  });

  it('refuses a tag with a slash at the last line of defence', async () => {
    await on(owner, async (c) => {
      await c.beginTransaction();
      // Ids are those that the database gives: other tests insert jobs beside this one.
      await c.query(
        `INSERT INTO job (slug, name, unit, second_person, profile) VALUES ('slash', 't', 'mm', 0, '{}')`,
      );
      await c.query('SET @job = LAST_INSERT_ID()');
      await c.query(`INSERT INTO cable_type (job_id, code, facts) VALUES (@job, 'x', '{}')`);
      await c.query('SET @type = LAST_INSERT_ID()');
      await expect(
        c.query(`INSERT INTO cable (job_id, tag, type_id) VALUES (@job, 'a/b', @type)`),
      ).rejects.toThrow(/cable_tag_has_no_slash/);
      await c.rollback();
    });
  });
});

describe('the rights of the application’s account, as the server holds them', () => {
  it('are none on the list of migrations, no right to delete but who is signed in, and no change of what is only added to', async () => {
    const [grants] = await on(application, (c) => c.query<RowDataPacket[]>('SHOW GRANTS'));
    const lines = grants.map((g) => String(Object.values(g)[0]));
    expect(lines.join('\n')).not.toMatch(/schema_step|ALL PRIVILEGES|DROP|ALTER|CREATE/);
    const deleting = lines.filter((l) => l.includes('DELETE')).map((l) => /`\.`(\w+)`/.exec(l)?.[1] ?? l);
    expect([...new Set(deleting)].sort()).toEqual(['person_session', 'person_verification', 'sign_in_limit']);
    const changing = lines
      .filter((l) => l.includes('UPDATE'))
      .flatMap((l) => /`\.`(\w+)`/.exec(l)?.[1] ?? []);
    for (const table of [
      'record_event',
      'record_receipt',
      'crossing_plan',
      'family_revision',
      'part_revision',
    ])
      expect(changing).not.toContain(table);
    expect(changing.length).toBeGreaterThan(5);
  });

  it.each([
    'SELECT * FROM schema_step',
    `UPDATE plan SET body = '{}'`,
    `UPDATE reading SET text = '1'`,
    `UPDATE family_revision SET body = '{}'`,
    `UPDATE crossing_plan SET body = '{}'`,
    'DELETE FROM cable',
    'DELETE FROM plan',
    'DELETE FROM photo',
    `UPDATE photo SET bytes = 'x'`,
    'DELETE FROM person',
    'DELETE FROM membership',
    `UPDATE invitation SET roles = 'administrator'`,
  ])('refuse: %s', async (statement) => {
    await expect(on(application, (c) => c.query(statement))).rejects.toMatchObject({
      code: expect.stringMatching(/DENIED/) as string,
    });
  });

  it('hold for no account without a password', async () => {
    const port = new URL(owner).port;
    for (const user of ['root', '', 'amber_app', 'amber_owner'])
      await expect(
        on(`mysql://${user}@127.0.0.1:${port}/mysql`, (c) => c.query('SELECT 1')),
      ).rejects.toMatchObject({
        code: expect.stringMatching(/ACCESS_DENIED|AUTH/) as string,
      });
  });
});
