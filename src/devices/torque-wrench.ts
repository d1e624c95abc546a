import { seededRandom } from '@/core/kernel';

/** One pull at a wrench: how fast the hand goes, and what it is pulled against. */
export interface Pull {
  /** N·m that each second of pulling adds. */
  readonly paceNm: number;
  /** For how long it is pulled, s. */
  readonly seconds: number;
  /** What its gauge trembles by, N·m. */
  readonly noiseNm: number;
  readonly seed: number;
}

/** A hand does not stop at once: it goes on for so long after it has decided to, s. */
export const REACTION_S = 0.12;

/** Torque at a time of a pull, N·m, without noise: it climbs, goes on while the hand stops, and falls to nothing in half a second. */
export function torqueAt({ paceNm, seconds }: Pick<Pull, 'paceNm' | 'seconds'>, s: number): number {
  const end = seconds + REACTION_S;
  if (s <= end) return paceNm * Math.max(0, s);
  return Math.max(0, paceNm * end * (1 - (s - end) / 0.5));
}

export interface PulledTorque {
  readonly peakNm: number;
  /** By how much the peak is above where the hand meant to stop. */
  readonly overshootNm: number;
}

/** What the wrench holds after a pull: the peak, with the overshoot of the hand and the tremble of its gauge. */
export function pulledTorque(pull: Pull): PulledTorque {
  const meant = pull.paceNm * pull.seconds;
  const reached = torqueAt(pull, pull.seconds + REACTION_S);
  const noise = pull.noiseNm * (2 * seededRandom(pull.seed)() - 1);
  const peakNm = Math.max(0, Math.round((reached + noise) * 10) / 10);
  return { peakNm, overshootNm: peakNm - meant };
}
