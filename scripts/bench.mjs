// npm run bench: a database and the built application of its own, then the table.
import { mkdirSync } from 'node:fs';
import { ensureBuild, ensureDebian, ensureNode, LOCAL, run } from './lib/setup.mjs';

if (process.argv.includes('cluster')) {
  await import('./bench-cluster.mjs');
  process.exit(process.exitCode);
}
mkdirSync(LOCAL, { recursive: true });
ensureDebian({ database: true, tests: true });
ensureNode();
ensureBuild();
const { freePort, startMariadb } = await import('./lib/mariadb.mjs');
const { startApplication } = await import('./lib/application.mjs');
const db = await startMariadb('bench-database', 0);
let application;
try {
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: db.url,
    AMBER_COLLAR_KEEP: db.keep,
    DATABASE_OWNER_URL: db.ownerUrl,
    DATABASE_APPLICATION: db.application,
  };
  const tsx = ['node_modules/tsx/dist/cli.mjs', '--conditions=react-server'];
  run(process.execPath, [...tsx, 'cli/database.ts', '--demo'], { env });
  application = await startApplication({
    port: await freePort(0),
    databaseUrl: db.url,
    keep: db.keep,
    logName: 'bench-application.log',
  });
  run(process.execPath, [...tsx, 'bench/main.ts'], {
    env: { ...env, BENCH_ADDRESS: application.address, BENCH_PID: String(application.pid) },
  });
  await application.stop();
  run(process.execPath, [...tsx, 'bench/frames-main.ts'], { env });
} finally {
  await application?.stop();
  await db.stop();
}
