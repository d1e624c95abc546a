import type { ArmourKind, Family, Size } from '@/core/catalogue';
import type { TerminationInput } from '@/core/gland-selection';
import type { CableType, CoreNames } from '@/core/schedule';
import { BOX, CABLE, ENTRY, interval, TERMINATION } from './termination';

const middle = (range: { min: number; max: number } | undefined, otherwise: number): number =>
  range ? (range.min + range.max) / 2 : otherwise;
/** A jacket in the middle of a bore of the entrance, where it is in that of the strain relief too. */
const inOneBore = ({ coupler }: Size): number | null =>
  coupler === undefined ? null : coupler.entrance.lastMm - coupler.entrance.stepMm / 2;

const at = (quantity: Parameters<typeof interval>[0], mm: number) => interval(quantity, mm - 0.05, mm + 0.05);

/** Three screened phases, two earth cores and a pilot, with conductors that the stem takes. */
const trailingCable = ({ coupler }: Size): Partial<CableType> => ({
  phaseColours: ['BN', 'BK', 'GY'],
  earthCores: 2,
  pilotCores: 1,
  screened: true,
  semiconducting: true,
  coreSectionMm2: middle(coupler?.sectionMm2, 50),
});

const FOUR_CORES: CoreNames = [
  { name: 'BN', use: 'power' },
  { name: 'BK', use: 'power' },
  { name: 'GY', use: 'power' },
  { name: 'GNYE', use: 'earth' },
];

/** A cable that sits in the middle of every range of a size, in one construction that the family accepts. */
export function fitting(family: Family, size: Size, armour: ArmourKind, jacketed: boolean): TerminationInput {
  const ring = size.rings.find((r) => r.armour.includes(armour));
  const metalClad = armour === 'interlocked' || armour === 'corrugated';
  const outer =
    inOneBore(size) ?? middle(size.outerSeal, metalClad && ring ? middle(ring.range, 30) + 2 : 30);
  const positions = size.insert?.positions;
  const cores = Math.min(4, size.insert?.contacts ?? size.pot?.conductors.at(-1) ?? 4);
  const { construction } = family.accepts;
  const over = size.chamber ? size.chamber.maxOverCoresMm * 0.7 : outer * 0.5;
  const trailing = construction === 'screenedTrailing';
  return {
    ...TERMINATION,
    cableType: {
      ...CABLE,
      armour,
      jacketed: jacketed && construction === undefined,
      cores: trailing ? 6 : cores,
      innerSheath: !metalClad && armour !== 'none',
      ...(construction === undefined ? {} : { construction, ratedV: 500 }),
      ...(trailing ? trailingCable(size) : {}),
      ...(positions === undefined ? {} : { coreNames: FOUR_CORES }),
    },
    outerSheath: at('outerSheath', outer),
    innerSheath:
      metalClad || armour === 'none' ? null : at('innerSheath', middle(size.innerSeal, outer * 0.6)),
    armourWire: metalClad || armour === 'none' ? null : at('armourWire', middle(ring?.range, 1)),
    overArmour: metalClad && ring ? at('overArmour', middle(ring.range, outer - 2)) : null,
    laidUpCores: at('laidUpCores', over),
    core: at('core', over / 2.6),
    enclosure: { ...BOX, concept: 'Ex e', orderedV: 400, orderedHz: 50, orderedW: 4000 },
    entry: { ...ENTRY, thread: size.entry.thread, taperedTurns: 6 },
  };
}
