/** An angle gauge shows halves of a degree. */
const STEP_DEG = 0.5;

/** What it shows when it has been turned so far, from 0 to 359.5°. */
export const angleShows = (turnedDeg: number): string => {
  const round = Math.round(turnedDeg / STEP_DEG) * STEP_DEG;
  return (((round % 360) + 360) % 360).toFixed(1);
};
