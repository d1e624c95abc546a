import { seededRandom } from '@/core/kernel';

/** A cable as it is cut across: an ellipse. `ovality` is (widest − narrowest) / mean. */
export interface CableSection {
  readonly meanMm: number;
  readonly ovality: number;
}

/**
 * What parallel jaws find at an angle from its widest place, mm: the width of an ellipse, `2·√(a²cos²θ + b²sin²θ)`. The same at θ and θ + 180°.
 */
export function widthAt({ meanMm, ovality }: CableSection, angleDeg: number): number {
  const a = (meanMm / 2) * (1 + ovality / 2);
  const b = (meanMm / 2) * (1 - ovality / 2);
  const rad = (angleDeg * Math.PI) / 180;
  return 2 * Math.sqrt((a * Math.cos(rad)) ** 2 + (b * Math.sin(rad)) ** 2);
}

/** Hundredths, as calipers of the bench resolve. */
const STEP_MM = 0.01;
/** The hand presses a sheath a little more or less each time, mm. */
const HAND_MM = 0.03;

/** The text that the simulated caliper types: the same for the same seed. */
export function caliperShows(section: CableSection, angleDeg: number, seed: number): string {
  const hand = HAND_MM * (2 * seededRandom(seed)() - 1);
  const shown = Math.round((widthAt(section, angleDeg) + hand) / STEP_MM) * STEP_MM;
  return Math.max(0, shown).toFixed(2);
}
