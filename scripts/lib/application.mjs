// Starting and stopping the built application.
import { spawn } from 'node:child_process';
import { openSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { LOCAL, ROOT } from './setup.mjs';

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Starts `next start` (or `next dev`) on loopback and waits until it answers.
 * @param {{ port: number, databaseUrl: string, keep?: string, dev?: boolean, demo?: boolean, logName?: string, aheadFile?: string | null, more?: Record<string, string> }} how
 */
export async function startApplication({
  port,
  databaseUrl,
  keep,
  dev = false,
  demo = true,
  logName = 'application.log',
  /** A file of how many minutes its clock goes ahead: for tests of what takes hours. */
  aheadFile = null,
  /** More for its environment. */
  more = {},
}) {
  const log = openSync(join(LOCAL, logName), 'a');
  const child = spawn(
    process.execPath,
    [
      // Bounded, so that work on large jobs gives its memory back in time; a roomier nursery halves the time of collecting it.
      '--max-old-space-size=1152',
      '--max-semi-space-size=32',
      ...(aheadFile === null
        ? []
        : ['--import', pathToFileURL(join(ROOT, 'scripts/lib/clock-ahead.mjs')).href]),
      'node_modules/next/dist/bin/next',
      dev ? 'dev' : 'start',
      '--hostname',
      '127.0.0.1',
      '--port',
      String(port),
    ],
    {
      cwd: ROOT,
      stdio: ['ignore', log, log],
      env: {
        ...process.env,
        DATABASE_URL: databaseUrl,
        ...(keep ? { AMBER_COLLAR_KEEP: keep } : {}),
        AMBER_COLLAR_DEMO: demo ? '1' : '',
        // What it says of its work goes into files of their own, which are rotated; what it cries out stands in the log beside.
        LOG_FILE: join(LOCAL, `${logName.replace(/\.log$/, '')}.jsonl`),
        ...more,
        ...(aheadFile === null ? {} : { AMBER_COLLAR_AHEAD: aheadFile }),
        NEXT_TELEMETRY_DISABLED: '1',
        NODE_ENV: dev ? 'development' : 'production',
      },
    },
  );
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 300; i += 1) {
    if (child.exitCode !== null) throw new Error(`the application ended at once; see .local/${logName}`);
    try {
      const answer = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(5000) });
      if (answer.ok) {
        return {
          address,
          pid: child.pid,
          ended: new Promise((resolve) => child.once('exit', resolve)),
          async stop() {
            if (child.exitCode !== null) return;
            child.kill('SIGTERM');
            for (let n = 0; n < 50 && child.exitCode === null && child.signalCode === null; n += 1)
              await sleep(100);
            if (child.exitCode === null && child.signalCode === null) child.kill('SIGKILL');
          },
        };
      }
    } catch {
      // not listening yet
    }
    await sleep(200);
  }
  child.kill('SIGKILL');
  throw new Error(`the application did not answer; see .local/${logName}`);
}
