/** A probe takes its time: after so many seconds it has come 63 % of the way. */
export const PROBE_S = 4;
/** It says that it is settled when it moves less than this in a second, °C. */
const SETTLED = 0.1;

/** What a probe shows that was at `fromC` and has lain on work of `workC` for so many seconds: `T + (T₀ − T)·e^(−t/τ)`, in tenths. */
export const thermometerShows = (fromC: number, workC: number, seconds: number): number =>
  Math.round((workC + (fromC - workC) * Math.exp(-Math.max(0, seconds) / PROBE_S)) * 10) / 10;

/** Has it come to rest? Before that its figure is of the air that it came from. */
export const hasSettled = (fromC: number, workC: number, seconds: number): boolean =>
  (Math.abs(fromC - workC) * Math.exp(-Math.max(0, seconds) / PROBE_S)) / PROBE_S < SETTLED;
