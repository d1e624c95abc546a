// npm test: sets a fresh machine up and runs everything that CI runs. The last line counts the tests.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensureNode, LOCAL, ROOT, run } from './lib/setup.mjs';

const started = Date.now();
const seconds = () => `${((Date.now() - started) / 1000).toFixed(0)} s`;
mkdirSync(LOCAL, { recursive: true });
ensureDebian({ database: true, tests: true });
ensureNode();

const failures = [];
const node = (...args) => [process.execPath, args];
const CHECKS = [
  ['lint', ...node('node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0')],
  ['types', ...node('node_modules/typescript/bin/tsc', '--noEmit', '-p', '.')],
  ['types of the core on its own', ...node('node_modules/typescript/bin/tsc', '--noEmit', '-p', 'src/core')],
  ['format', ...node('node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.')],
  [
    'imports',
    ...node(
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      '--config',
      '.dependency-cruiser.cjs',
      'src',
      'cli',
      'e2e',
    ),
  ],
  ['nothing unused', ...node('node_modules/knip/bin/knip.js', '--no-progress')],
];
/** One check: its name, whether it holds, and what it said. */
const check = ([name, command, args]) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
    child.on('close', (code) => resolve({ name, good: code === 0, said }));
  });
// Two at once: they wait for one another's core only.
const waiting = [...CHECKS];
await Promise.all(
  [0, 1].map(async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const { name, good, said } = await check(next);
      console.log(`${good ? 'ok  ' : 'FAIL'} ${name} (${seconds()})`);
      if (good) continue;
      failures.push(name);
      console.log(said);
    }
  }),
);

const { freePort, startMariadb, stopMariadb } = await import('./lib/mariadb.mjs');
const { startApplication } = await import('./lib/application.mjs');
/** Runs some of the tests and counts. A suite that cannot be loaded counts as one failure. */
const jest = (name, args, env) =>
  new Promise((resolve) => {
    const report = join(LOCAL, `jest-${name}.json`);
    rmSync(report, { force: true });
    const child = spawn(
      process.execPath,
      [
        'node_modules/jest/bin/jest.js',
        '--ci',
        '--json',
        `--outputFile=${report}`,
        ...args,
        ...process.argv.slice(2),
      ],
      {
        cwd: ROOT,
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, ...env, NODE_ENV: 'test' },
      },
    );
    child.on('close', () => {
      const result = JSON.parse(readFileSync(report, 'utf8'));
      console.log(`ok   ${name} tests ran (${seconds()})`);
      resolve({
        passed: result.numPassedTests,
        failed: result.numFailedTests + result.numRuntimeErrorTestSuites,
      });
    });
  });

/** A server that begins empty, so that no test lives on what another run left, with these databases; the demo in those that want it. */
async function freshServer(name, databases) {
  await stopMariadb(name);
  rmSync(join(LOCAL, name), { recursive: true, force: true });
  const db = await startMariadb(name, 0, Object.keys(databases));
  for (const [database, demo] of Object.entries(databases))
    run(
      process.execPath,
      [
        'node_modules/tsx/dist/cli.mjs',
        '--conditions=react-server',
        'cli/database.ts',
        ...(demo ? ['--demo'] : []),
      ],
      {
        env: {
          ...process.env,
          DATABASE_URL: db.urlOf(database),
          DATABASE_OWNER_URL: db.ownerUrlOf(database),
          DATABASE_APPLICATION: db.application,
          AMBER_COLLAR_KEEP: join(db.keep, database),
        },
      },
    );
  return db;
}

// Two tests count every row, or take guards away, and so have a database to themselves.
const ALONE = { GATE_DATABASE: 'amber_collar_gate', ATTACK_DATABASE: 'amber_collar_attack' };
// Two queues in the browser, each with a demo and a server of its own: what one changes, or takes away, the other does not see.
const FIRST_QUEUE = 'e2e/(path|newcomer|choose)';
const QUEUES = [
  ['test-database', 'browser', ['--testPathPatterns', FIRST_QUEUE]],
  ['test-database-2', 'browser-2', ['--testPathIgnorePatterns', FIRST_QUEUE, '/node_modules/']],
];
const applications = [];
const counts = [];
try {
  ensureBuild();
  console.log(`ok   build (${seconds()})`);
  const [[name]] = QUEUES;
  const db = await freshServer(name, {
    amber_collar: true,
    amber_collar_test: false,
    ...Object.fromEntries(Object.values(ALONE).map((database) => [database, false])),
  });
  const env = {
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
  };
  writeFileSync(
    join(LOCAL, 'test.env'),
    Object.entries(env)
      .map(([k, v]) => `${k}=${v}\n`)
      .join(''),
  );
  counts.push(await jest('unit', ['--maxWorkers=2', '--selectProjects', 'unit', 'db'], env));
  const servers = [db, await freshServer(QUEUES[1][0], { amber_collar: true })];
  for (const [i, server] of servers.entries())
    applications.push(
      await startApplication({
        port: await freePort(0),
        databaseUrl: server.url,
        keep: join(server.keep, 'amber_collar'),
        logName: `test-application-${i + 1}.log`,
      }),
    );
  counts.push(
    ...(await Promise.all(
      QUEUES.map(([server, report, args], i) =>
        jest(report, ['--runInBand', '--selectProjects', 'browser', ...args], {
          ...env,
          E2E_ADDRESS: applications[i].address,
          E2E_DATABASE_NAME: server,
          E2E_DATABASE_PORT: String(servers[i].port),
        }),
      ),
    )),
  );
} catch (error) {
  failures.push('run');
  console.error(error instanceof Error ? error.message : error);
} finally {
  for (const application of applications) await application.stop();
  for (const [name] of QUEUES) await stopMariadb(name);
}
const passed = counts.reduce((sum, some) => sum + some.passed, 0);
const failed = counts.reduce((sum, some) => sum + some.failed, 0) + failures.length;
if (failures.length > 0) console.log(`failed outside the tests: ${failures.join(', ')}`);
console.log(`finished after ${seconds()}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
