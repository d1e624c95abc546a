import { toUm } from '@/core/kernel';
import type { Measurement } from '@/core/cable-measurement';
import type { CableType, CodeProfile, Enclosure, Entry } from '@/core/schedule';
import { isFlameproof } from '@/core/schedule';
import type { IntervalUm } from './verdict';

/** All that the choice for one termination depends on. */
export interface TerminationInput {
  readonly cableType: CableType;
  readonly outerSheath: Measurement | null;
  readonly innerSheath: Measurement | null;
  readonly armourWire: Measurement | null;
  readonly enclosure: Enclosure;
  readonly entry: Entry;
  readonly profile: CodeProfile;
}

export const intervalUm = (m: Measurement): IntervalUm => ({
  min: toUm(m.interval.min),
  max: toUm(m.interval.max),
  certainMin: toUm(m.certainMin),
  certainMax: toUm(m.certainMax),
});

/** Quantities that must be known before this cable can be judged at all. */
export function neededQuantities(cableType: CableType): ('outerSheath' | 'innerSheath' | 'armourWire')[] {
  const needed: ('outerSheath' | 'innerSheath' | 'armourWire')[] = ['outerSheath'];
  if (cableType.innerSheath) needed.push('innerSheath');
  if (cableType.armour !== 'none') needed.push('armourWire');
  return needed;
}

/** Why a plan from this input would be provisional; empty when nothing stands in the way. */
export function provisionalReasons(input: TerminationInput): string[] {
  const reasons: string[] = [];
  for (const quantity of neededQuantities(input.cableType)) {
    const m = input[quantity];
    if (m?.provisional) reasons.push(`${WORDS[quantity]} is a datasheet value`);
  }
  const outer = input.outerSheath;
  if (outer && !outer.provisional && isFlameproof(input.enclosure)) {
    if (outer.ovality === null)
      reasons.push('a flameproof entry asks for two caliper readings of the outer sheath');
    if (!outer.hasTape)
      reasons.push('a flameproof entry asks for a tape reading of the outer sheath as well');
  }
  return reasons;
}

const WORDS = {
  outerSheath: 'outer sheath',
  innerSheath: 'inner sheath',
  armourWire: 'armour wire',
} as const;
