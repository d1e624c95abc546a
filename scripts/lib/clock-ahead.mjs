// Loaded before a program whose clock is to go ahead: what a cure of hours leads to is tried without waiting for it. How many minutes stands in
// the file that AMBER_COLLAR_AHEAD names, and may grow.
import { readFileSync } from 'node:fs';

const FILE = process.env.AMBER_COLLAR_AHEAD;
const READ_AGAIN_MS = 100;
const Real = Date;
let [ahead, readAt] = [0, 0];

function now() {
  const real = Real.now();
  if (real - readAt > READ_AGAIN_MS) [ahead, readAt] = [Number(readFileSync(FILE, 'utf8')) * 60_000, real];
  return real + ahead;
}

globalThis.Date = class Date extends Real {
  constructor(...given) {
    super(...(given.length === 0 ? [now()] : given));
  }
  static now() {
    return now();
  }
  // Its own as well, since whoever wraps it in turn copies only what is its own.
  static parse(text) {
    return Real.parse(text);
  }
  static UTC(...parts) {
    return Real.UTC(...parts);
  }
};
