// npm run demo: from a bare machine to the demo job in the browser. With --own (npm start): to your own jobs, which begin empty.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensureNode, LOCAL, run } from './lib/setup.mjs';

const dev = process.argv.includes('--dev');
const own = process.argv.includes('--own');
/** Folder of the private database; the demo and one's own jobs never meet. */
const NAME = own ? 'own' : 'mariadb';
const started = Date.now();
mkdirSync(LOCAL, { recursive: true });
const external = process.env.DATABASE_URL;
// A second demo on the same data would take the database from under the first.
const lock = join(LOCAL, own ? 'own.json' : 'demo.json');
const running = runningDemo();
if (running) {
  console.log(
    `It is already running at ${running.address ?? 'its address, just starting'} (process ${running.pid}).`,
  );
  process.exit(0);
}
writeFileSync(lock, JSON.stringify({ pid: process.pid }));
ensureDebian({ database: !external, tests: false });
ensureNode();
if (!dev) ensureBuild();

const { startMariadb, freePort } = await import('./lib/mariadb.mjs');
const { startApplication } = await import('./lib/application.mjs');
const { keepRunning } = await import('./lib/supervise.mjs');
let db = external
  ? {
      url: external,
      ownerUrl: process.env.DATABASE_OWNER_URL ?? external,
      application: undefined,
      keep: undefined,
      pid: undefined,
      stop: async () => {},
    }
  : await startMariadb(NAME, Number(process.env.DEMO_DATABASE_PORT ?? (own ? 3319 : 3317)));

let application;
let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  await application?.stop();
  await db.stop();
  rmSync(lock, { force: true });
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));

try {
  run(
    process.execPath,
    [
      'node_modules/tsx/dist/cli.mjs',
      '--conditions=react-server',
      'cli/database.ts',
      ...(own ? [] : ['--demo']),
    ],
    {
      env: {
        ...process.env,
        DATABASE_URL: db.url,
        DATABASE_OWNER_URL: db.ownerUrl,
        ...(db.application ? { DATABASE_APPLICATION: db.application } : {}),
        ...(db.keep ? { AMBER_COLLAR_KEEP: db.keep } : {}),
      },
    },
  );
  const port = await freePort(Number(process.env.PORT ?? 3000));
  const startHere = async () => {
    application = await startApplication({ port, databaseUrl: db.url, keep: db.keep, dev, demo: !own });
    writeFileSync(
      lock,
      JSON.stringify({ pid: process.pid, address: application.address, applicationPid: application.pid }),
    );
  };
  await startHere();
  console.log(
    `\nAmber Collar is at ${application.address} (ready after ${((Date.now() - started) / 1000).toFixed(0)} s). Ctrl+C stops it and its database.\n`,
  );
  const watched = [
    keepRunning('The application', {
      current: () => application,
      again: startHere,
      stopping: () => stopping,
    }),
  ];
  if (db.pid !== undefined)
    watched.push(
      keepRunning('The database', {
        current: () => db,
        again: async () => {
          const was = db.url;
          db = await startMariadb(NAME, db.port);
          // Somebody else took its port meanwhile: the application must be told the new one.
          if (db.url !== was) await application.stop();
        },
        stopping: () => stopping,
      }),
    );
  await Promise.all(watched);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  await stop(1);
}

/** The demo that runs already, or null. What a killed run left behind is stopped: its server would keep the port. */
function runningDemo() {
  if (!existsSync(lock)) return null;
  const known = JSON.parse(readFileSync(lock, 'utf8'));
  if (commandOf(known.pid).includes('demo.mjs')) return known;
  if (known.applicationPid && /next/.test(commandOf(known.applicationPid)))
    process.kill(known.applicationPid, 'SIGKILL');
  return null;
}

/** Command line of a process, empty when there is none of that number. */
function commandOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return '';
  }
}
