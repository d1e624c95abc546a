// npm run pictures: takes the pictures of docs/screenshots from a freshly loaded demo job.
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensureNode, LOCAL, run } from './lib/setup.mjs';

mkdirSync(LOCAL, { recursive: true });
ensureDebian({ database: true, tests: true });
ensureNode();
ensureBuild();
const { freePort, startMariadb, stopMariadb } = await import('./lib/mariadb.mjs');
const { startApplication } = await import('./lib/application.mjs');
const NAME = 'picture-database';
await stopMariadb(NAME);
rmSync(join(LOCAL, NAME), { recursive: true, force: true });
const db = await startMariadb(NAME, 0);
let application;
try {
  const env = {
    ...process.env,
    DATABASE_URL: db.url,
    AMBER_COLLAR_KEEP: db.keep,
    DATABASE_OWNER_URL: db.ownerUrl,
    DATABASE_APPLICATION: db.application,
  };
  run(
    process.execPath,
    ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server', 'cli/database.ts', '--demo'],
    { env },
  );
  application = await startApplication({
    port: await freePort(0),
    databaseUrl: db.url,
    keep: db.keep,
    logName: 'picture-application.log',
  });
  run(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'e2e/pictures.ts'], {
    env: { ...env, E2E_ADDRESS: application.address },
  });
} finally {
  await application?.stop();
  await db.stop();
}
