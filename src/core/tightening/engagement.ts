/** Turns that an axial travel takes, by the pitch. Travel and turns may be converted; torque never is. */
export const turnsForTravel = (travelMm: number, pitchMm: number): number => travelMm / pitchMm;

/** Threads engaged after so many turns home, from those engaged when the turns began; never more than the thread has. */
export const threadsAfter = (
  turns: number,
  startThreads: number,
  threadLengthMm: number,
  pitchMm: number,
): number => Math.min(startThreads + turns, threadLengthMm / pitchMm);
