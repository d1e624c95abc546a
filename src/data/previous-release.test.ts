import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { plainStatement } from './statements';
import previous from './testing/previous-release.json';

// While a new release comes up machine by machine, processes of the one before serve on the new tables.

let application: Connection;
beforeAll(async () => {
  application = await mysql.createConnection({ uri: process.env.DATABASE_URL ?? '' });
});
afterAll(() => application.end());

/** Columns that a row must be given, by table. */
async function demanded(): Promise<Map<string, string[]>> {
  const [rows] = await application.query<RowDataPacket[]>(
    "SELECT TABLE_NAME AS t, COLUMN_NAME AS c FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND IS_NULLABLE = 'NO' AND COLUMN_DEFAULT IS NULL AND EXTRA NOT LIKE '%auto_increment%'",
  );
  const found = new Map<string, string[]>();
  for (const { t, c } of rows) found.set(String(t), [...(found.get(String(t)) ?? []), String(c)]);
  return found;
}

const INSERT = /^insert (?:ignore )?into `([^`]+)` \(([^)]+)\) values/i;

it('every statement of the release before can be asked of the tables of this one, with the rights of the application', async () => {
  expect(previous.statements.length).toBeGreaterThan(150);
  const failed: string[] = [];
  for (const statement of previous.statements)
    try {
      const prepared = await application.prepare(statement);
      await prepared.close();
    } catch (error) {
      failed.push(`${(error as Error).message}: ${statement.slice(0, 200)}`);
    }
  expect(failed).toEqual([]);
});

it('no table asks more of a new row than the release before gives it', async () => {
  const must = await demanded();
  let looked = 0;
  for (const statement of previous.statements) {
    const [, table, columns] = INSERT.exec(statement) ?? [];
    if (table === undefined || columns === undefined) continue;
    looked += 1;
    const given = new Set(columns.split(',').map((c) => c.trim().replaceAll('`', '')));
    expect([table, (must.get(table) ?? []).filter((c) => !given.has(c))]).toEqual([table, []]);
  }
  expect(looked).toBeGreaterThan(20);
});

it('a statement is one, however many values its lists have and however many rows it adds', () => {
  expect(plainStatement('select `a` from `t` where `b` in (?, ?, ?)')).toBe(
    'select `a` from `t` where `b` in (?)',
  );
  expect(plainStatement('insert into `t` (`a`, `b`) values (?, default), (?, default), (?, ?)')).toBe(
    'insert into `t` (`a`, `b`) values (?, default)',
  );
  expect(plainStatement('insert into `t` (`a`, `b`) values (?, ?)')).toBe(
    'insert into `t` (`a`, `b`) values (?, ?)',
  );
});
