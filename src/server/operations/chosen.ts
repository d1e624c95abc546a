import { choose, type Choice, type TerminationInput } from '@/core/gland-selection';
import type { StoredCatalogue } from '@/data';

// Keeping a reading and showing the end afterwards ask the same question over the whole catalogue: it is answered once.
// As many as are worked at in one job at once.
const KEPT = 64;
const answers = new Map<string, Choice>();

const numbers = new WeakMap<object, number>();
let last = 0;
/** A number for an object, the same as long as it is the same object: rows of the catalogue are read once and shared. */
function numberOf(object: object): number {
  const known = numbers.get(object);
  if (known !== undefined) return known;
  last += 1;
  numbers.set(object, last);
  return last;
}

const catalogueKey = ({ families, adaptors, accessories }: StoredCatalogue): string =>
  [families.map((f) => f.family), adaptors, accessories].map((rows) => rows.map(numberOf).join()).join(';');

let judged = 0;
/** How often a whole catalogue has been judged for one end by `chosen`: for measurements. */
export const judgements = (): number => judged;

/** `choose` over the stored catalogue, remembered for the questions that were asked last. */
export function chosen(input: TerminationInput, catalogue: StoredCatalogue): Choice {
  // Made the same way each time, so that the same question is the same text.
  const key = `${catalogueKey(catalogue)} ${JSON.stringify(input)}`;
  const known = answers.get(key);
  if (known !== undefined) return known;
  judged += 1;
  const { families, adaptors, accessories } = catalogue;
  const choice = choose(input, { families: families.map((f) => f.family), adaptors, accessories });
  const [oldest] = answers.keys();
  if (answers.size >= KEPT && oldest !== undefined) answers.delete(oldest);
  answers.set(key, choice);
  return choice;
}
