import { canonicalJson } from '@/core/kernel';
import type { TerminationInput } from './termination-input';

/** What a box and an entry are called, and under which heading they stand: no rule looks at it. */
const NAMES = new Set(['tag', 'title', 'label']);
const nameless = (value: object): object =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !NAMES.has(key)));

/**
 * Numbers for values: equal values have equal numbers, and values that differ in no more than their names too, unless names count. An object
 * that is met again is not read again.
 */
export function identities(namesCount = false): (value: object) => number {
  const byObject = new Map<object, number>();
  const byText = new Map<string, number>();
  return (value) => {
    const known = byObject.get(value);
    if (known !== undefined) return known;
    const text = canonicalJson(namesCount ? value : nameless(value));
    const id = byText.get(text) ?? byText.size;
    byText.set(text, id);
    byObject.set(value, id);
    return id;
  };
}

/** What of a cable's type says with which metals it may be together. */
export const metalKey = ({ cableType: c }: TerminationInput): string =>
  `${c.armour === 'none'} ${c.armourMaterial ?? ''} ${c.cores > 1 ? 'many' : c.singleCoreAc}`;

/**
 * Key of all that the way into an entry hangs on besides the gland, and of the box's name, which its words may hold: equal keys, equal ways.
 */
export function placeKeys(): (input: TerminationInput) => string {
  const idOf = identities();
  const boxOf = identities(true);
  return (input) =>
    `${boxOf(input.enclosure)} ${idOf(input.entry)} ${idOf(input.profile)} ${metalKey(input)}`;
}
