import type { Problem } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { Measurement } from './measure';
import { QUANTITY_WORDS, type Quantity } from './reading';

/** What of a cable's construction says which layers there are and which lies in which. */
export interface Layers {
  readonly armour: string;
  readonly jacketed: boolean;
  readonly innerSheath: boolean;
  readonly cores: number;
}

type Measured = Readonly<Record<Quantity, Measurement | null>>;

/** What holds of every cable, whatever its construction: for readings that come without a type. */
export const ANY_LAYERS: Layers = { armour: 'any', jacketed: false, innerSheath: true, cores: 1 };

/** Which layer lies inside which, always; a pair counts when both are measured. */
const INSIDE: readonly (readonly [inner: Quantity, outer: Quantity])[] = [
  ['core', 'innerSheath'],
  ['core', 'outerSheath'],
  ['laidUpCores', 'innerSheath'],
  ['laidUpCores', 'overArmour'],
  ['laidUpCores', 'outerSheath'],
  ['innerSheath', 'overArmour'],
  ['innerSheath', 'outerSheath'],
];

/** Layers that a construction does not have: a reading of one contradicts the type of the cable. */
function absentLayers({ armour, innerSheath }: Layers): Quantity[] {
  const absent: Quantity[] = [];
  if (!innerSheath) absent.push('innerSheath');
  if (armour === 'none') absent.push('armourWire', 'overArmour');
  return absent;
}

/**
 * What a set of measurements contradicts: a layer that is as thick as the one around it, armour that has no room, a layer that this
 * construction does not have. Layers nest: cores inside the inner sheath inside the armour inside the outer sheath. Each problem names
 * both numbers (means of the readings, mm); its path is that of a reading, `readings[i].text`.
 */
export function nestingProblems(layers: Layers, measured: Measured): Problem[] {
  const problems: Problem[] = [];
  const note = (m: Measurement, message: string) =>
    problems.push({ path: `readings[${m.samples[0]?.index ?? 0}].text`, message });
  for (const quantity of absentLayers(layers)) {
    const m = measured[quantity];
    if (m !== null)
      note(m, `${QUANTITY_WORDS[quantity]} is given as ${mm(m.mean)}, but this type of cable has none`);
  }
  if (problems.length > 0) return problems;
  // A single core is its own bundle, and armour without a jacket is the outside of the cable: these two may be alike.
  const pairs = [
    ['core', 'laidUpCores', layers.cores === 1],
    ...INSIDE.map(([inside, around]) => [inside, around, false] as const),
    ['overArmour', 'outerSheath', !layers.jacketed],
  ] as const;
  for (const [inside, around, mayBeAlike] of pairs) {
    const [a, b] = [measured[inside], measured[around]];
    if (a === null || b === null || a.mean < b.mean || (mayBeAlike && a.mean === b.mean)) continue;
    note(
      a,
      `${QUANTITY_WORDS[inside]} of ${mm(a.mean)} cannot lie inside the ${QUANTITY_WORDS[around]} of ${mm(b.mean)}: measure both again`,
    );
  }
  return problems.length > 0 ? problems : armourRoom(layers, measured);
}

const mm = (value: number): string => `${trimNumber(value, 2)} mm`;

/** One wire or strip on each side at the least must find room between the sheaths. */
function armourRoom(
  { armour, jacketed }: Layers,
  { innerSheath, armourWire, outerSheath }: Measured,
): Problem[] {
  if (armour === 'interlocked' || armour === 'corrugated') return [];
  if (innerSheath === null || armourWire === null || outerSheath === null) return [];
  const built = innerSheath.mean + 2 * armourWire.mean;
  const full = jacketed
    ? built >= outerSheath.mean
    : innerSheath.interval.min + 2 * armourWire.interval.min > outerSheath.interval.max;
  if (!full) return [];
  return [
    {
      path: `readings[${armourWire.samples[0]?.index ?? 0}].text`,
      message: `an inner sheath of ${mm(innerSheath.mean)} with armour of ${mm(armourWire.mean)} on both sides is ${mm(built)}, and the outer sheath is ${mm(outerSheath.mean)}: measure again`,
    },
  ];
}
