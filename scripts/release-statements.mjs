// npm run release:statements: what this release asks of the database, kept so that the next one's tables can be tried with it. Before a release is given out.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDebian, ensureNode, LOCAL, ROOT } from './lib/setup.mjs';

mkdirSync(LOCAL, { recursive: true });
ensureDebian({ database: true, tests: false });
ensureNode();
const { freshServer, TEST_DATABASES, testEnv } = await import('./lib/test-databases.mjs');
const file = join(LOCAL, 'statements.jsonl');
rmSync(file, { force: true });
const logged = { AMBER_COLLAR_STATEMENTS: file };
const { db } = await freshServer('statements-database', TEST_DATABASES, logged);
try {
  const { status } = spawnSync(
    process.execPath,
    ['node_modules/jest/bin/jest.js', '--ci', '--selectProjects', 'db'],
    { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...testEnv(db), ...logged, NODE_ENV: 'test' } },
  );
  if (status !== 0)
    throw new Error('tests fail: what they ask of the database is not all that the release does');
} finally {
  await db.stop();
}
if (!existsSync(file)) throw new Error('nothing was asked of the database');
const statements = [
  ...new Set(
    readFileSync(file, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line)),
  ),
].sort();
const { version } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
writeFileSync(
  join(ROOT, 'src/data/testing/previous-release.json'),
  `${JSON.stringify({ release: version, statements }, null, 1)}\n`,
);
console.log(`${statements.length} statements of release ${version}`);
