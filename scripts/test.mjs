// npm test: sets a fresh machine up and runs everything that CI runs. The last line counts the tests.
import { spawn, spawnSync } from 'node:child_process';
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
const NAME = 'test-database';
/** Runs some of the test projects and counts. A suite that cannot be loaded counts as one failure. */
function jest(projects, env) {
  const report = join(LOCAL, `jest-${projects[0]}.json`);
  rmSync(report, { force: true });
  spawnSync(
    process.execPath,
    [
      'node_modules/jest/bin/jest.js',
      '--ci',
      '--json',
      `--outputFile=${report}`,
      ...(projects.includes('browser') ? ['--runInBand'] : ['--maxWorkers=2']),
      '--selectProjects',
      ...projects,
      ...process.argv.slice(2),
    ],
    { cwd: ROOT, stdio: ['ignore', 'ignore', 'inherit'], env },
  );
  const result = JSON.parse(readFileSync(report, 'utf8'));
  return { passed: result.numPassedTests, failed: result.numFailedTests + result.numRuntimeErrorTestSuites };
}

let application;
let counts = { passed: 0, failed: 0 };
try {
  ensureBuild();
  console.log(`ok   build (${seconds()})`);
  // Every run begins with an empty server, so that no test lives on what another left.
  await stopMariadb(NAME);
  rmSync(join(LOCAL, NAME), { recursive: true, force: true });
  // Two tests count every row, or take guards away, and so have a database to themselves.
  const ALONE = { GATE_DATABASE: 'amber_collar_gate', ATTACK_DATABASE: 'amber_collar_attack' };
  const db = await startMariadb(NAME, 0, ['amber_collar', 'amber_collar_test', ...Object.values(ALONE)]);
  for (const [database, demo] of [
    ['amber_collar', true],
    ['amber_collar_test', false],
    ...Object.values(ALONE).map((database) => [database, false]),
  ]) {
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
  }
  application = await startApplication({
    port: await freePort(0),
    databaseUrl: db.url,
    keep: join(db.keep, 'amber_collar'),
    logName: 'test-application.log',
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
    E2E_ADDRESS: application.address,
    E2E_DATABASE_NAME: NAME,
    E2E_DATABASE_PORT: String(db.port),
  };
  writeFileSync(
    join(LOCAL, 'test.env'),
    Object.entries(env)
      .map(([k, v]) => `${k}=${v}\n`)
      .join(''),
  );
  // The browser tests go last and alone: they share one demo job, and one of them takes the database away.
  for (const projects of [['unit', 'db'], ['browser']]) {
    const found = jest(projects, { ...process.env, ...env, NODE_ENV: 'test' });
    counts = { passed: counts.passed + found.passed, failed: counts.failed + found.failed };
    console.log(`ok   ${projects.join(' and ')} tests ran (${seconds()})`);
  }
} catch (error) {
  failures.push('run');
  console.error(error instanceof Error ? error.message : error);
} finally {
  await application?.stop();
  await stopMariadb(NAME);
}
if (failures.length > 0) console.log(`failed outside the tests: ${failures.join(', ')}`);
console.log(`finished after ${seconds()}`);
console.log(`${counts.passed} passed, ${counts.failed + failures.length} failed`);
process.exit(counts.failed + failures.length === 0 && counts.passed > 0 ? 0 : 1);
