import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import mysql, { type RowDataPacket } from 'mysql2/promise';

export interface MigrationStep {
  readonly name: string;
  readonly sql: string;
}

/** Steps of all migration files in order: `-- step: name`, then one statement. */
export function readSteps(folder = join(process.cwd(), 'src/data/migrations')): MigrationStep[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort()
    .flatMap((file) => {
      const [, ...parts] = readFileSync(join(folder, file), 'utf8').split(/^-- step: /m);
      return parts.map((part) => {
        const [name = '', ...lines] = part.split('\n');
        return {
          name: `${file.replace('.sql', '')}/${name.trim()}`,
          sql: lines.join('\n').trim().replace(/;$/, ''),
        };
      });
    });
}

/**
 * Runs the steps that have not run yet and returns their names. Data definition commits implicitly, so each step is recorded on its
 * own and written so that it can run twice: a migration that was cut off goes on where it stopped.
 */
export async function migrate(ownerUrl: string, steps = readSteps()): Promise<string[]> {
  const connection = await mysql.createConnection({ uri: ownerUrl, timezone: 'Z' });
  try {
    await connection.query(
      'CREATE TABLE IF NOT EXISTS schema_step (name VARCHAR(120) NOT NULL PRIMARY KEY, done_at DATETIME(3) NOT NULL) ENGINE=InnoDB',
    );
    const [rows] = await connection.query<RowDataPacket[]>('SELECT name FROM schema_step');
    const done = new Set(rows.map((r) => String(r.name)));
    const ran: string[] = [];
    for (const step of steps) {
      if (done.has(step.name)) continue;
      await connection.query(step.sql);
      await connection.execute('INSERT INTO schema_step (name, done_at) VALUES (?, UTC_TIMESTAMP(3))', [
        step.name,
      ]);
      ran.push(step.name);
    }
    return ran;
  } finally {
    await connection.end();
  }
}

/**
 * What the application's account may change besides adding rows, table by table: whole rows, or single columns. Events, bodies of plans and
 * revisions of sheets cannot be changed by the account that writes them, and nothing can be deleted but what only says who is signed in. A new table is add-only until it is
 * listed here.
 */
const MAY_UPDATE: Readonly<Record<string, string>> = {
  job: 'UPDATE',
  cable: 'UPDATE',
  termination: 'UPDATE',
  cable_type: 'UPDATE',
  enclosure: 'UPDATE',
  entry: 'UPDATE',
  sheet_mapping: 'UPDATE',
  instrument: 'UPDATE',
  crossing: 'UPDATE',
  station_summary: 'UPDATE',
  reading: 'UPDATE (withdrawn_at)',
  plan: 'UPDATE (superseded_at)',
  edit: 'UPDATE (undone_at)',
  person: 'UPDATE',
  person_account: 'UPDATE',
  person_session: 'UPDATE, DELETE',
  person_verification: 'UPDATE, DELETE',
  person_pin: 'UPDATE',
  membership: 'UPDATE',
  invitation: 'UPDATE (used_by, used_at, withdrawn_at)',
  first_run: 'UPDATE',
  sign_in_limit: 'UPDATE, DELETE',
  server_process: 'UPDATE',
  heavy_place: 'UPDATE (holder, person_id, until)',
};

/** What no application has any business with. */
const NOTHING = new Set(['schema_step', 'bench_event', 'crossing_event']);

/** Gives the application's account what it needs, table by table, and takes away what it once had more. `application` is a user name. */
export async function grantApplication(ownerUrl: string, application: string): Promise<void> {
  if (!/^[a-z_]{1,32}$/.test(application)) throw new Error(`not a user name: ${application}`);
  const connection = await mysql.createConnection({ uri: ownerUrl, timezone: 'Z' });
  try {
    const [tables] = await connection.query<RowDataPacket[]>(
      'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()',
    );
    for (const host of ['127.0.0.1', 'localhost']) {
      const account = `'${application}'@'${host}'`;
      const [held] = await connection.query<RowDataPacket[]>(
        'SELECT DISTINCT TABLE_NAME AS name FROM information_schema.TABLE_PRIVILEGES WHERE TABLE_SCHEMA = DATABASE() AND GRANTEE = ?',
        [account],
      );
      for (const { name } of held)
        await connection.query(`REVOKE ALL PRIVILEGES ON \`${String(name)}\` FROM ${account}`);
      for (const { name } of tables) {
        const table = String(name);
        if (NOTHING.has(table)) continue;
        const rights = ['SELECT', 'INSERT', ...(MAY_UPDATE[table] === undefined ? [] : [MAY_UPDATE[table]])];
        await connection.query(`GRANT ${rights.join(', ')} ON \`${table}\` TO ${account}`);
      }
    }
  } finally {
    await connection.end();
  }
}

/** How long a command that was sent is remembered: a device that comes back after weeks is still answered as it was. */
const REMEMBERED_DAYS = 90;

/** Forgets commands that nobody sends again, and processes that are long gone. The application's account may not: it only adds. */
export async function forgetOld(ownerUrl: string): Promise<void> {
  const connection = await mysql.createConnection({ uri: ownerUrl, timezone: 'Z' });
  try {
    await connection.execute('DELETE FROM sent_command WHERE at < UTC_TIMESTAMP(3) - INTERVAL ? DAY', [
      REMEMBERED_DAYS,
    ]);
    await connection.execute('DELETE FROM server_process WHERE seen_at < UTC_TIMESTAMP(3) - INTERVAL 7 DAY');
  } finally {
    await connection.end();
  }
}
