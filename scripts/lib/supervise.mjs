// Keeps the application and its database running: whichever ends without being asked is started again, alone.
import { alive } from './mariadb.mjs';

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

const MOST = 10;
const WITHIN_MS = 60_000;

/** May something be started again? Not when it has ended `MOST` times within a minute: then something is wrong that starting does not mend. */
export function restartBudget(now = Date.now) {
  const times = [];
  return () => {
    times.push(now());
    while (times.length > 0 && times[0] < now() - WITHIN_MS) times.shift();
    return times.length <= MOST;
  };
}

/**
 * Watches what `current()` returns (`{ pid }`) until `stopping()`; when it has ended, `again()` starts it anew. Ends with an error when it ends
 * too often, or cannot be started.
 */
export async function keepRunning(name, { current, again, stopping }) {
  const may = restartBudget();
  while (!stopping()) {
    await sleep(500);
    if (stopping() || alive(current().pid)) continue;
    if (!may()) throw new Error(`${name} ended ${MOST} times within a minute`);
    console.error(`${name} has ended by itself and is started again.`);
    await again();
  }
}
