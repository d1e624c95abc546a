import type { Adaptor, Accessory, Family, Purpose, Size } from '@/core/catalogue';
import type { IntervalMm } from '@/core/kernel';
import type { MeasuredQuantity, TerminationInput } from './termination-input';
import type { BarrierTrail, MissingField } from './barrier/trail';
import type { EndStopFit } from './end-stop-fit';
import type { EntryFit } from './entry-fit';
import type { AbsentPart, FindingCase } from './finding-case';
import type { RingFit } from './ring-fit';
import type { SizeFacts } from './size-facts';
import type { Source } from './source';
import type { Verdict } from './verdict';

export const CRITERION_IDS = [
  'cableListing',
  'construction',
  'filling',
  'coldFlow',
  'outerSeal',
  'ovality',
  'innerSeal',
  'armourRing',
  'endStop',
  'coreCount',
  'overCores',
  'freeArea',
  'compound',
  'entryThread',
  'engagement',
  'concept',
  'group',
  'ip',
  'temperature',
  'temperatureClass',
  'corrosion',
  'singleCore',
] as const;
export type CriterionId = (typeof CRITERION_IDS)[number];

/** Something that is not known and that a rule waits for: a fact that is entered, or a quantity that is measured. */
export type AskedFact = MissingField | MeasuredQuantity;

/** The one shape in which every rule answers: codes and figures, of which `words` makes sentences. */
export interface Finding {
  readonly criterion: CriterionId;
  readonly verdict: Verdict;
  /** What was found, of what the rule takes and what is there. */
  readonly case: FindingCase;
  /** Catalogue range and measured interval in mm, for the rules that compare diameters. */
  readonly range?: IntervalMm;
  readonly interval?: IntervalMm;
  /** In mm (°C for temperature); negative by how much it is out; null where nothing is measured. */
  readonly margin: number | null;
  readonly source: Source;
  /** What would have to be known, where the verdict is `unknown`. */
  readonly asks?: readonly AskedFact[];
}

/** Everything one rule may look at. What other rules hang on (barrier, ring, end stop, entry) is settled first. */
export interface JudgeContext {
  readonly input: TerminationInput;
  readonly family: Family;
  readonly purpose: Purpose;
  readonly size: Size;
  readonly facts: SizeFacts;
  readonly trail: BarrierTrail;
  readonly ring: RingFit | null;
  readonly endStop: EndStopFit | null;
  readonly entry: EntryFit;
}

/**
 * What an answer hangs on besides the termination: the family alone, the family and the way into the entry, or the size with all its
 * figures. Answers of the first two are worked out once and shared by all sizes they hold for.
 */
export type CriterionScope = 'family' | 'entry' | 'size';

export interface Criterion {
  readonly id: CriterionId;
  readonly scope: CriterionScope;
  /** For a rule of scope `size`: why there is nothing to judge in this size. Must hang on the size's parts (`partsKey`), family and cable only. */
  absent?: (context: JudgeContext) => AbsentPart | null;
  judge: (context: JudgeContext) => Finding;
}

export interface Parts {
  readonly adaptors: readonly Adaptor[];
  readonly accessories: readonly Accessory[];
}

const sheets = new WeakMap<Family, Source>();

/** Sheet and revision of a family: the source that most findings name. */
export function sheetOf(family: Family): Source {
  const known = sheets.get(family);
  if (known !== undefined) return known;
  const { title, revision } = family.sheet;
  const made: Source = { code: 'sheet', title, revision };
  sheets.set(family, made);
  return made;
}

/** A finding that compares no diameters. */
export const plainFinding = (
  criterion: CriterionId,
  verdict: Verdict,
  found: FindingCase,
  source: Source,
  asks?: readonly AskedFact[],
): Finding => ({
  criterion,
  verdict,
  case: found,
  margin: null,
  source,
  ...(asks === undefined || asks.length === 0 ? {} : { asks }),
});
