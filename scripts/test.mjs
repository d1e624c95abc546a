// npm test: sets a fresh machine up and runs everything that CI runs. The last line counts the tests.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDebian, ensureNode, LOCAL, ROOT } from './lib/setup.mjs';

const started = Date.now();
const seconds = () => `${((Date.now() - started) / 1000).toFixed(0)} s`;
mkdirSync(LOCAL, { recursive: true });
ensureDebian({ database: true, tests: true, cluster: true });
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
const BUILD = [
  'build',
  ...node(
    '--input-type=module',
    '--eval',
    "import { ensureBuild } from './scripts/lib/setup.mjs'; ensureBuild();",
  ),
];
const check =
  ([name, command, args]) =>
  async () => {
    const { good, said } = await ran(command, args);
    console.log(`${good ? 'ok  ' : 'FAIL'} ${name} (${seconds()})`);
    if (good) return;
    failures.push(name);
    console.log(said);
  };

const { freePort, startMariadb, stopMariadb } = await import('./lib/mariadb.mjs');
const { startApplication } = await import('./lib/application.mjs');
const { freshServer, ran, TEST_DATABASES, testEnv } = await import('./lib/test-databases.mjs');
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

/** What stood on the console for the first who signs in, by the database. */
let codes = {};

/** Another server with what one has, which is stopped for it: its data, its accounts, and the key of its records. The demo takes its time to be worked. */
async function copyOfServer(name, other) {
  await stopMariadb(name);
  await stopMariadb(other);
  const home = join(LOCAL, other);
  rmSync(home, { recursive: true, force: true });
  cpSync(join(LOCAL, name), home, { recursive: true, filter: (path) => !/db\.(pid|sock)$/.test(path) });
  // The folder of its socket is named by this, where the path of the checkout is long.
  const file = join(home, 'passwords.json');
  const passwords = JSON.parse(readFileSync(file, 'utf8'));
  writeFileSync(file, JSON.stringify({ ...passwords, tag: randomBytes(4).toString('hex') }), { mode: 0o600 });
}

// Two queues in the browser, each with a demo and a server of its own: what one changes, or takes away, the other does not see.
const FIRST_QUEUE =
  'e2e/(path|newcomer|choose|seal|soft-seal|own-job|metal-clad|instruments|apprentice|mineral-insulated|own-clamp|coupler|plug-in|joint)';
const QUEUES = [
  ['test-database', 'browser', ['--testPathPatterns', FIRST_QUEUE]],
  ['test-database-2', 'browser-2', ['--testPathIgnorePatterns', FIRST_QUEUE, '/node_modules/']],
];
const applications = [];
const counts = [];
try {
  let db, second;
  // Two lanes, each as long as the other: they wait for one another's core only.
  const [lint, ...checks] = CHECKS.map(check);
  const lanes = [
    [lint, check(BUILD)],
    [
      ...checks,
      async () => {
        const [[first], [other]] = QUEUES;
        ({ codes } = await freshServer(first, TEST_DATABASES));
        await copyOfServer(first, other);
        db = await startMariadb(first, 0);
        second = await startMariadb(other, 0);
        console.log(`ok   two servers with the demo (${seconds()})`);
      },
    ],
  ];
  const ends = await Promise.allSettled(
    lanes.map(async (lane) => {
      for (const task of lane) await task();
    }),
  );
  for (const end of ends) if (end.status === 'rejected') throw end.reason;
  if (failures.includes('build')) throw new Error('there is nothing to try in a browser');
  const env = testEnv(db);
  writeFileSync(
    join(LOCAL, 'test.env'),
    Object.entries(env)
      .map(([k, v]) => `${k}=${v}\n`)
      .join(''),
  );
  counts.push(await jest('unit', ['--maxWorkers=2', '--selectProjects', 'unit', 'db'], env));
  const servers = [db, second];
  for (const [i, server] of servers.entries())
    applications.push(
      await startApplication({
        port: await freePort(0),
        databaseUrl: server.url,
        keep: join(server.keep, 'amber_collar'),
        logName: `test-application-${i + 1}.log`,
      }),
    );
  const own = await startApplication({
    port: await freePort(0),
    databaseUrl: db.urlOf('amber_collar_own'),
    keep: join(db.keep, 'amber_collar_own'),
    demo: false,
    logName: 'test-application-own.log',
  });
  applications.push(own);
  counts.push(
    ...(await Promise.all(
      QUEUES.map(([server, report, args], i) =>
        jest(report, ['--runInBand', '--selectProjects', 'browser', ...args], {
          ...env,
          E2E_ADDRESS: applications[i].address,
          E2E_OWN_ADDRESS: own.address,
          E2E_OWN_CODE: codes.amber_collar_own,
          E2E_DATABASE_URL: servers[i].url,
          E2E_KEEP: join(servers[i].keep, 'amber_collar'),
          E2E_DATABASE_NAME: server,
          E2E_LOG: join(LOCAL, `test-application-${i + 1}.jsonl`),
          E2E_DATABASE_PORT: String(servers[i].port),
        }),
      ),
    )),
  );
  // One after the other: three nodes have what two cores can do.
  for (const application of applications.splice(0)) await application.stop();
  const { startNodes } = await import('./lib/cluster.mjs');
  rmSync(join(LOCAL, 'test-nodes'), { recursive: true, force: true });
  const nodes = await startNodes('test-nodes');
  try {
    counts.push(
      await jest('nodes', ['--runInBand', '--selectProjects', 'nodes'], {
        ...env,
        CLUSTER_FILE: nodes.file,
      }),
    );
  } finally {
    await nodes.stop();
  }
  // A run for some tests only asks for no faults.
  if (process.argv.length === 2)
    await check([
      'three nodes and three processes under faults',
      ...node('scripts/bench-cluster.mjs', '--short'),
    ])();
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
