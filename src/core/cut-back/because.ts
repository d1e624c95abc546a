import { readingPaths, type Located, type TerminationInput } from '@/core/gland-selection';
import type { MarkId } from './cut-cases';

/** Figures that a depth of blade stands on. */
const GUARDS: Readonly<Record<'outer' | 'inner' | 'armour' | 'strip', (i: TerminationInput) => string[]>> = {
  outer: (input) => [
    'cableType.outerSheathThicknessMm',
    ...readingPaths(input, 'outerSheath'),
    ...readingPaths(input, 'overArmour'),
    ...readingPaths(input, 'innerSheath'),
    ...readingPaths(input, 'armourWire'),
    'profile.cut.sheathGuardMm',
  ],
  inner: (input) => [
    'cableType.innerSheathThicknessMm',
    ...readingPaths(input, 'innerSheath'),
    ...readingPaths(input, 'laidUpCores'),
    'profile.cut.sheathGuardMm',
  ],
  armour: (input) => [...readingPaths(input, 'armourWire'), 'profile.cut.wireDepthShare'],
  strip: () => [],
};

type Length = 'tails' | 'stub' | 'armour' | 'first' | 'second' | 'strip' | 'ladder';

/** Lengths that lie between the cable end and each mark, and the guard of its blade. */
const MARKS: Readonly<
  Record<MarkId, { readonly lengths: readonly Length[]; readonly guard: keyof typeof GUARDS }>
> = {
  firstJacket: { lengths: ['tails', 'first'], guard: 'outer' },
  outerSheath: { lengths: ['tails', 'stub', 'armour'], guard: 'outer' },
  armour: { lengths: ['tails', 'stub'], guard: 'armour' },
  jacket: { lengths: ['tails', 'armour'], guard: 'outer' },
  innerSheath: { lengths: ['tails'], guard: 'inner' },
  cores: { lengths: ['strip'], guard: 'strip' },
  secondInner: { lengths: ['tails', 'second'], guard: 'inner' },
  earthCores: { lengths: ['ladder'], guard: 'strip' },
  pilotCores: { lengths: ['ladder'], guard: 'strip' },
  screen: { lengths: ['ladder'], guard: 'strip' },
  semiconducting: { lengths: ['ladder'], guard: 'strip' },
};

const LENGTHS: Readonly<Record<Length, (at: Located) => readonly string[]>> = {
  tails: (at) => [
    'routeMm',
    'terminals',
    'spareMm',
    'recut',
    `${at.size}.innerLengthMm`,
    `${at.size}.entry.lengthMm`,
    `${at.size}.insert`,
    'entry.wallMm',
    ...at.accessories.map((a) => `${a}.thicknessMm`),
    ...(at.adaptor === null ? [] : [`${at.adaptor}.addedLengthMm`, `${at.adaptor}.maleLengthMm`]),
    'profile.cut.bendSlackMm',
  ],
  stub: (at) => [`${at.family}.emergenceMm`, 'profile.cut.stubToleranceMm'],
  armour: (at) => ['cableType.armour', `${at.size}.armourLengths`],
  first: (at) => [`${at.size}.sealingCut.firstJacketMm`],
  second: (at) => [`${at.size}.sealingCut.secondInnerMm`],
  strip: (at) => [`${at.size}.insert`],
  ladder: (at) => [`${at.family}.coupler.ladder`, 'cableType.earthCores', 'cableType.pilotCores'],
};

/** Paths, in the request, of the figures that a mark and its blade stand on. */
export function becauseOfMark(mark: { readonly id: MarkId }, input: TerminationInput, at: Located): string[] {
  const { lengths, guard } = MARKS[mark.id];
  return [...new Set([...lengths.flatMap((l) => LENGTHS[l](at)), ...GUARDS[guard](input)])];
}
