const clock = (ms: number): string =>
  new Date(ms).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
const day = (ms: number): string => new Date(ms).toLocaleDateString([], { day: 'numeric', month: 'short' });

/** `14:20`, in the reader's own zone; `05:00 on 1 Dec` where that is another day than the one of `now`. */
export const timeOfDay = (ms: number, now = Date.now()): string =>
  day(ms) === day(now) ? clock(ms) : `${clock(ms)} on ${day(ms)}`;

/** What stands below a chart at these times: hours, and the day with the first of each day that is not the one of `now`. */
export const hoursBelow = (times: readonly number[], now = Date.now()): string[] =>
  times.map((ms, i) => (day(times[i - 1] ?? now) === day(ms) ? clock(ms) : `${day(ms)} ${clock(ms)}`));

/** `12:05` minutes and seconds, or `3 h 20 min`; never below zero. */
export function countdown(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  if (seconds >= 3600) return `${Math.floor(seconds / 3600)} h ${Math.floor((seconds % 3600) / 60)} min`;
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** Minutes as people say them: `45 min`, `2 h 30 min`. */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 90) return `${whole} min`;
  const rest = whole % 60;
  return `${Math.floor(whole / 60)} h${rest === 0 ? '' : ` ${rest} min`}`;
}

/** A temperature as typed: a decimal comma is one, the unit may stand; null when it is none. Fahrenheit is turned. */
export function readTemperature(text: string): number | null {
  const found = /^\s*([+-−]?\d{1,3}(?:[.,]\d+)?)\s*°?\s*([CF])?\s*$/i.exec(text);
  if (!found?.[1]) return null;
  const value = Number(found[1].replace(',', '.').replace('−', '-'));
  if (!Number.isFinite(value)) return null;
  return found[2]?.toUpperCase() === 'F' ? Math.round(((value - 32) / 1.8) * 10) / 10 : value;
}
