import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { database, poolFigures, sayProcess, type ProcessFigures } from '@/data';
import { heavyFigures } from '../heavy';
import { heavyPlaces } from '../heavy-place';
import { followers } from '../live';
import { log } from './log';

/** So often a process says that it is there. */
export const SAYS_EVERY_S = 15;

const NANO_TO_MS = 1e-6;
const BYTES_TO_MB = 1 / 1_048_576;

/** Of which release and build this process is; `?` where it was not built. */
export function versionNow(): { readonly version: string; readonly build: string } {
  const root = process.cwd();
  const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { version: string };
  const id = join(root, '.next/BUILD_ID');
  return { version, build: existsSync(id) ? readFileSync(id, 'utf8').trim() : '?' };
}

/** Says every few seconds that this process is there and how busy it is, until what is returned is called. */
export function sayThatItRuns(): () => void {
  // A setting that is none is said at the start, not to whoever comes first.
  heavyPlaces();
  const delay = monitorEventLoopDelay({ resolution: 20 });
  delay.enable();
  const me = {
    id: randomUUID(),
    host: hostname().slice(0, 80),
    pid: process.pid,
    ...versionNow(),
    startedAt: new Date(),
  };
  const figures = (): ProcessFigures => ({
    lagMs: Math.round(delay.percentile(99) * NANO_TO_MS),
    memoryMb: Math.round(process.memoryUsage().rss * BYTES_TO_MB),
    heavyRunning: heavyFigures().running,
    heavyWaiting: heavyFigures().waiting,
    followers: followers(),
    statementsWaiting: poolFigures().waiting,
  });
  const say = async () => {
    try {
      await sayProcess(database(), { ...me, figures: figures() });
    } catch (error) {
      // It is said again; meanwhile others see how long it has been quiet.
      log.warn({ err: error }, 'could not say that this process is there');
    }
    delay.reset();
  };
  void say();
  const every = setInterval(() => void say(), SAYS_EVERY_S * 1000);
  every.unref();
  return () => {
    clearInterval(every);
    delay.disable();
  };
}
