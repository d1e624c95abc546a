/** A header says whole seconds, and takes its time to come: less than this is no difference between two clocks. */
const SAME_MS = 30_000;

let aheadMs = 0;

/** The server said that it is so late: from now on clocks that are shown go by it, whatever this device takes the time to be. */
export function noteServerTime(serverMs: number, deviceMs: number): void {
  const ahead = serverMs - deviceMs;
  aheadMs = Math.abs(ahead) < SAME_MS ? 0 : ahead;
}

/** The time by the server's clock, as far as this window has heard it, ms. */
export const clockNow = (): number => Date.now() + aheadMs;
