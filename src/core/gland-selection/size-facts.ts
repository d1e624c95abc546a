import { toUm } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { PrintedRange, RingOption, Size } from '@/core/catalogue';
import { compoundLimit } from './chamber-fit';
import { isMetalClad } from './termination-input';

/** A catalogue range in words and in whole micrometres. */
export interface RangeFacts {
  readonly range: PrintedRange;
  readonly text: string;
  readonly minUm: number;
  readonly maxUm: number;
  /** How a reason about this range begins: “outer seal takes 18.5–24 mm, your outer sheath is ”. */
  readonly opening: string;
  /** Said of a quantity that nobody has measured. */
  readonly notMeasured: string;
}

/** A size ready to be compared: what every termination would otherwise work out again. */
export interface SizeFacts {
  readonly outerSeal: RangeFacts | null;
  readonly innerSeal: RangeFacts | null;
  readonly rings: readonly { readonly option: RingOption; readonly facts: RangeFacts }[];
  readonly overCores: RangeFacts | null;
  /** The compounds of its approval list in words: with their limits, and by product alone. */
  readonly compounds: { readonly limits: string; readonly products: string; readonly least: number } | null;
  /** Sizes with the same key go into an entry in the same way. */
  readonly entryKey: string;
  readonly endStop: RangeFacts | null;
  /** Sizes with the same key have the same parts, and so the same criteria to answer. */
  readonly partsKey: number;
}

function rangeFacts(range: PrintedRange, what: string, thing: string): RangeFacts {
  const text =
    range.min === 0
      ? `up to ${trimNumber(range.max, 2)} mm`
      : `${trimNumber(range.min, 2)}–${trimNumber(range.max, 2)} mm`;
  return {
    range,
    text,
    minUm: toUm(range.min),
    maxUm: toUm(range.max),
    opening: `${what} takes ${text}, your ${thing} is `,
    notMeasured: `${thing} is not measured: ${what} cannot be judged`,
  };
}

function ringFacts(option: RingOption): RangeFacts {
  const face = option.face === 'plain' ? 'ring' : `${option.face} groove`;
  const what = option.ring === undefined ? face : `${face} of ring ${option.ring}`;
  return rangeFacts(
    option.range,
    what,
    option.armour.every(isMetalClad) ? 'cable over its armour' : 'armour',
  );
}

const compoundFacts = (chamber: NonNullable<Size['chamber']>) => ({
  limits: chamber.compounds.map((c) => `${c.kind} up to ${compoundLimit(chamber, c)}`).join(', '),
  products: chamber.compounds.map((c) => c.product).join(' or '),
  least: Math.min(...chamber.compounds.map((c) => compoundLimit(chamber, c))),
});

const facts = new WeakMap<Size, SizeFacts>();

/** The catalogue never changes while it is judged by, so each size is worked out once. */
export function factsOf(size: Size): SizeFacts {
  const known = facts.get(size);
  if (known) return known;
  const { thread, lengthMm, undercutMm, taperedTurns } = size.entry;
  const made: SizeFacts = {
    outerSeal: size.outerSeal ? rangeFacts(size.outerSeal, 'outer seal', 'outer sheath') : null,
    innerSeal: size.innerSeal ? rangeFacts(size.innerSeal, 'inner seal', 'inner sheath') : null,
    rings: size.rings.map((option) => ({ option, facts: ringFacts(option) })),
    overCores: size.chamber
      ? rangeFacts({ min: 0, max: size.chamber.maxOverCoresMm }, 'chamber', 'laid-up cores')
      : null,
    compounds: size.chamber ? compoundFacts(size.chamber) : null,
    entryKey: `${thread.form} ${thread.size} ${thread.pitchMm} ${lengthMm} ${undercutMm} ${taperedTurns ?? ''}`,
    endStop: endStopRange(size),
    partsKey: partsKey(size),
  };
  facts.set(size, made);
  return made;
}

const partsKey = ({ outerSeal, innerSeal, endStop, chamber }: Size): number =>
  [outerSeal, innerSeal, endStop, chamber, chamber?.minFreeShare].reduce<number>(
    (key, part) => key * 2 + Number(part !== undefined),
    0,
  );

/** Within this range the end stop stays. */
function endStopRange(size: Size): RangeFacts | null {
  const stop = size.endStop;
  if (stop === undefined) return null;
  if (stop.test === 'cableRange')
    return stop.stays ? rangeFacts(stop.stays, 'end stop', 'outer sheath') : null;
  return stop.boreMm === undefined ? null : rangeFacts({ min: 0, max: stop.boreMm }, 'end stop', 'cable');
}
