const SECOND = 1000;
const MINUTE = 60 * SECOND;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** How old something is, in its two largest units and never younger than it is: `4 min 13 s`. Below a second: `1 s`. */
export function ageWords(ms: number): string {
  const up = Math.max(1, Math.ceil(ms / SECOND)) * SECOND;
  const whole = (of: number, within = Infinity) => Math.floor((up % within) / of);
  if (up < MINUTE) return `${whole(SECOND)} s`;
  if (up < HOUR) return `${whole(MINUTE)} min ${whole(SECOND, MINUTE)} s`;
  if (up < DAY) return `${whole(HOUR)} h ${whole(MINUTE, HOUR)} min`;
  return `${whole(DAY)} d ${whole(HOUR, DAY)} h`;
}

/** An instant to the second, as clocks of the database tell it. */
export const instantWords = (at: string): string => `${at.slice(0, 10)} ${at.slice(11, 19)} UTC`;
