import type { Quantity, Reading } from './reading';

/** Two diameters at a right angle make a caliper's picture of a layer; wires are round, and one is enough. */
const enough = (quantity: Quantity): number => (quantity === 'armourWire' ? 1 : 2);

/** Angle at which the next caliper reading of a layer belongs, degrees: at a right angle to the last. */
export const nextAngle = (readings: readonly Reading[], quantity: Quantity): number =>
  (calipersOf(readings, quantity) % 2) * 90;

const calipersOf = (readings: readonly Reading[], quantity: Quantity): number =>
  readings.filter((r) => r.quantity === quantity && r.method === 'caliper').length;

/**
 * What an instrument that types is to write next, after a reading of `current` was kept: the same layer until it has its readings, then the next
 * one that has not. Null when every layer has. So no value of one layer comes to stand in another.
 */
export function nextToMeasure<Q extends Quantity>(
  needed: readonly Q[],
  readings: readonly Reading[],
  current: Q,
): Q | null {
  const open = (quantity: Q) => calipersOf(readings, quantity) < enough(quantity);
  const at = needed.indexOf(current);
  return [...needed.slice(Math.max(0, at)), ...needed.slice(0, Math.max(0, at))].find(open) ?? null;
}
