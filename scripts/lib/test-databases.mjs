// The databases that tests work in: made empty for every run, the demo in those that want it.
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { startMariadb, stopMariadb } from './mariadb.mjs';
import { LOCAL, ROOT } from './setup.mjs';

/** One program: whether it ended well, and what it said. */
export const ran = (command, args, env = process.env) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
    child.on('close', (code) => resolve({ good: code === 0, said }));
  });

// Some tests count or search every row, take guards away or change figures of sheets, and so have a database to themselves; one reads the demo, as it is before a browser sees it.
const ALONE = {
  GATE_DATABASE: 'amber_collar_gate',
  ATTACK_DATABASE: 'amber_collar_attack',
  FORGET_DATABASE: 'amber_collar_forget',
  CATALOGUE_DATABASE: 'amber_collar_catalogue',
  DEMO_DATABASE: 'amber_collar',
};

/** Every database of the tests, and whether it has the demo. */
export const TEST_DATABASES = {
  amber_collar: true,
  amber_collar_test: false,
  amber_collar_gate: false,
  amber_collar_attack: false,
  amber_collar_forget: false,
  amber_collar_catalogue: false,
  amber_collar_own: false,
};

/** A server that begins empty, so that no test lives on what another run left. Returns it, and what stood on the console for the first who signs in, by the database. */
export async function freshServer(name, databases, env = {}) {
  await stopMariadb(name);
  rmSync(join(LOCAL, name), { recursive: true, force: true });
  const db = await startMariadb(name, 0, Object.keys(databases));
  const codes = {};
  for (const [database, demo] of Object.entries(databases)) {
    const { good, said } = await ran(
      process.execPath,
      [
        'node_modules/tsx/dist/cli.mjs',
        '--conditions=react-server',
        'cli/database.ts',
        ...(demo ? ['--demo'] : []),
      ],
      {
        ...process.env,
        ...env,
        DATABASE_URL: db.urlOf(database),
        DATABASE_OWNER_URL: db.ownerUrlOf(database),
        DATABASE_APPLICATION: db.application,
        AMBER_COLLAR_KEEP: join(db.keep, database),
      },
    );
    if (!good) throw new Error(`the database ${database} of ${name} could not be made\n${said}`);
    codes[database] = /made with this code, once: (\S+)/.exec(said)?.[1];
  }
  return { db, codes };
}

/** What tests that need a database are told of a server. */
export const testEnv = (db) => ({
  DATABASE_URL: db.urlOf('amber_collar_test'),
  DATABASE_OWNER_URL: db.ownerUrlOf('amber_collar_test'),
  AMBER_COLLAR_KEEP: join(db.keep, 'amber_collar_test'),
  ...Object.fromEntries(
    Object.entries(ALONE).flatMap(([name, database]) => [
      [`${name}_URL`, db.urlOf(database)],
      [`${name}_OWNER_URL`, db.ownerUrlOf(database)],
      [`${name}_KEEP`, join(db.keep, database)],
    ]),
  ),
});
