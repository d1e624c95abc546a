import { toUm, type NoFigures, type Said } from '@/core/kernel';
import type { PrintedRange, RingOption, Size } from '@/core/catalogue';
import { compoundLimit } from './chamber-fit';
import { isMetalClad } from './termination-input';

/** What has a range: a seal, a face of a ring, the chamber, an end stop; with what of the cable lies in it where that is not plain. */
export interface RangeNames {
  outerSeal: NoFigures;
  innerSeal: NoFigures;
  /** `ring`: the part number of an alternative ring; `clad`: it grips the armour's outside. */
  ring: { face: RingOption['face']; ring: string | null; clad: boolean };
  chamber: NoFigures;
  endStop: { on: 'outerSheath' | 'cable' };
}
export type RangeName = Said<RangeNames>;

/** A catalogue range, named, as printed and in whole micrometres. */
export interface RangeFacts {
  readonly name: RangeName;
  readonly range: PrintedRange;
  readonly minUm: number;
  readonly maxUm: number;
}

/** A size ready to be compared: what every termination would otherwise work out again. */
export interface SizeFacts {
  readonly outerSeal: RangeFacts | null;
  readonly innerSeal: RangeFacts | null;
  readonly rings: readonly { readonly option: RingOption; readonly facts: RangeFacts }[];
  readonly overCores: RangeFacts | null;
  /** The compounds of its approval list, with how many cores each is for, and the least of these. */
  readonly compounds: { readonly limits: readonly CompoundLimit[]; readonly least: number } | null;
  /** Sizes with the same key go into an entry in the same way. */
  readonly entryKey: string;
  readonly endStop: RangeFacts | null;
  /** Sizes with the same key have the same parts, and so the same criteria to answer. */
  readonly partsKey: number;
}

export interface CompoundLimit {
  readonly kind: string;
  readonly product: string;
  readonly upTo: number;
}

const rangeFacts = (range: PrintedRange, name: RangeName): RangeFacts => ({
  name,
  range,
  minUm: toUm(range.min),
  maxUm: toUm(range.max),
});

const ringFacts = ({ range, face, ring, armour }: RingOption): RangeFacts =>
  rangeFacts(range, { code: 'ring', face, ring: ring ?? null, clad: armour.every(isMetalClad) });

const compoundFacts = (chamber: NonNullable<Size['chamber']>) => ({
  limits: chamber.compounds.map((c) => ({
    kind: c.kind,
    product: c.product,
    upTo: compoundLimit(chamber, c),
  })),
  least: Math.min(...chamber.compounds.map((c) => compoundLimit(chamber, c))),
});

const facts = new WeakMap<Size, SizeFacts>();

/** The catalogue never changes while it is judged by, so each size is worked out once. */
export function factsOf(size: Size): SizeFacts {
  const known = facts.get(size);
  if (known) return known;
  const { thread, lengthMm, undercutMm, taperedTurns } = size.entry;
  const made: SizeFacts = {
    outerSeal: size.outerSeal ? rangeFacts(size.outerSeal, { code: 'outerSeal' }) : null,
    innerSeal: size.innerSeal ? rangeFacts(size.innerSeal, { code: 'innerSeal' }) : null,
    rings: size.rings.map((option) => ({ option, facts: ringFacts(option) })),
    overCores: size.chamber
      ? rangeFacts({ min: 0, max: size.chamber.maxOverCoresMm }, { code: 'chamber' })
      : null,
    compounds: size.chamber ? compoundFacts(size.chamber) : null,
    entryKey: `${thread.form} ${thread.size} ${thread.pitchMm} ${lengthMm} ${undercutMm} ${taperedTurns ?? ''}`,
    endStop: endStopRange(size),
    partsKey: partsKey(size),
  };
  facts.set(size, made);
  return made;
}

const partsKey = ({ outerSeal, innerSeal, endStop, chamber, pot }: Size): number =>
  [outerSeal, innerSeal, endStop, chamber, chamber?.minFreeShare, pot].reduce<number>(
    (key, part) => key * 2 + Number(part !== undefined),
    0,
  );

/** Within this range the end stop stays. */
function endStopRange(size: Size): RangeFacts | null {
  const stop = size.endStop;
  if (stop === undefined) return null;
  if (stop.test === 'cableRange')
    return stop.stays ? rangeFacts(stop.stays, { code: 'endStop', on: 'outerSheath' }) : null;
  return stop.boreMm === undefined
    ? null
    : rangeFacts({ min: 0, max: stop.boreMm }, { code: 'endStop', on: 'cable' });
}
