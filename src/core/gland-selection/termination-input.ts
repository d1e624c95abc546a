import { fail, ok, toUm, type NoFigures, type Problem, type Result, type Said } from '@/core/kernel';
import {
  measure,
  nestingProblems,
  type Measurement,
  type MeasuringRules,
  type Reading,
} from '@/core/cable-measurement';
import type { ArmourKind, Size } from '@/core/catalogue';
import type { CableType, CodeProfile, Enclosure, Entry } from '@/core/schedule';
import { isFlameproof } from '@/core/schedule';
import type { BarrierOutcome } from './barrier/outcome';
import type { IntervalUm } from './verdict';

/** What may be measured on a cable end and matters for its gland. */
export const MEASURED_QUANTITIES = [
  'outerSheath',
  'innerSheath',
  'armourWire',
  'overArmour',
  'laidUpCores',
  'core',
] as const;
export type MeasuredQuantity = (typeof MEASURED_QUANTITIES)[number];
export type MeasuredEnd = Readonly<Record<MeasuredQuantity, Measurement | null>>;

export const NOTHING_MEASURED: MeasuredEnd = {
  outerSheath: null,
  innerSheath: null,
  armourWire: null,
  overArmour: null,
  laidUpCores: null,
  core: null,
};

/** All that the choice for one termination depends on. */
export interface TerminationInput extends MeasuredEnd {
  readonly cableType: CableType;
  /** Length of the whole cable along its route, mm; null when the schedule does not say. */
  readonly cableLengthMm: number | null;
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

/** Interlocked and corrugated armour is gripped on its outside; of wire, braid and tape the thickness counts. */
export const isMetalClad = (armour: ArmourKind): boolean =>
  armour === 'interlocked' || armour === 'corrugated';

/** The measurement that the armour's ring is judged by. */
export const armourQuantity = (armour: ArmourKind): 'armourWire' | 'overArmour' =>
  isMetalClad(armour) ? 'overArmour' : 'armourWire';

/** Quantities that must be known before this cable can be judged at all; a barrier also asks for the cores. */
export function neededQuantities(cableType: CableType, outcome: BarrierOutcome | null): MeasuredQuantity[] {
  const needed: MeasuredQuantity[] = ['outerSheath'];
  if (cableType.innerSheath) needed.push('innerSheath');
  if (cableType.armour !== 'none') needed.push(armourQuantity(cableType.armour));
  if (outcome === 'barrier' || outcome === 'seal') needed.push('laidUpCores', 'core');
  return needed;
}

/** The sheath on which the flameproof seal of a size closes: the inner one where it has a seal for it. */
export const flameproofSealOn = (size: Pick<Size, 'innerSeal'>): 'innerSheath' | 'outerSheath' =>
  size.innerSeal === undefined ? 'outerSheath' : 'innerSheath';

/** What makes a plan provisional. */
export interface Provisionals {
  datasheet: { quantity: MeasuredQuantity };
  /** A flameproof entry asks for two caliper readings a quarter turn apart, and for a tape reading as well. */
  twoCalipers: NoFigures;
  tape: NoFigures;
}
export type Provisional = Said<Provisionals>;

/** Why a plan from this input would be provisional; empty when nothing stands in the way. */
export function provisionalReasons(input: TerminationInput): Provisional[] {
  const reasons: Provisional[] = MEASURED_QUANTITIES.filter((q) => input[q]?.provisional).map((quantity) => ({
    code: 'datasheet',
    quantity,
  }));
  const outer = input.outerSheath;
  if (outer && !outer.provisional && isFlameproof(input.enclosure)) {
    if (outer.ovality === null) reasons.push({ code: 'twoCalipers' });
    if (!outer.hasTape) reasons.push({ code: 'tape' });
  }
  return reasons;
}

/** Measures every quantity from the readings of one end. Problems name the reading; nothing is left out silently. */
export function measureEnd(readings: readonly Reading[], rules: MeasuringRules): Result<MeasuredEnd> {
  const problems: Problem[] = [];
  const measured = { ...NOTHING_MEASURED } as Record<MeasuredQuantity, Measurement | null>;
  for (const quantity of MEASURED_QUANTITIES) {
    const m = measure(readings, quantity, rules);
    if (m.ok) measured[quantity] = m.value;
    else problems.push(...m.problems);
  }
  return problems.length > 0 ? fail(problems) : ok(measured);
}

/** What the measurements of an end contradict, in themselves or in the type of the cable: see `nestingProblems`. */
export const contradictions = (cableType: CableType, measured: MeasuredEnd): Problem[] =>
  nestingProblems(cableType, measured);
