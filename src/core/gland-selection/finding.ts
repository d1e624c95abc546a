import type { Adaptor, Accessory, Family, Purpose, Size } from '@/core/catalogue';
import type { IntervalMm } from '@/core/kernel';
import type { MeasuredQuantity, TerminationInput } from './termination-input';
import type { BarrierTrail, MissingField } from './barrier/trail';
import type { EndStopFit } from './end-stop-fit';
import type { EntryFit } from './entry-fit';
import type { RingFit } from './ring-fit';
import type { SizeFacts } from './size-facts';
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
  'corrosion',
  'singleCore',
] as const;
export type CriterionId = (typeof CRITERION_IDS)[number];

/** Column heads and row heads of the criteria. */
export const CRITERION_TITLES: Readonly<Record<CriterionId, string>> = {
  cableListing: 'Cable listing',
  construction: 'Construction',
  filling: 'Barrier',
  coldFlow: 'Cold flow',
  outerSeal: 'Outer seal',
  ovality: 'Ovality',
  innerSeal: 'Inner seal',
  armourRing: 'Armour',
  endStop: 'End stop',
  coreCount: 'Cores',
  overCores: 'Over cores',
  freeArea: 'Room for compound',
  compound: 'Compound',
  entryThread: 'Entry',
  engagement: 'Threads engaged',
  concept: 'Concept and place',
  group: 'Group',
  ip: 'IP',
  temperature: 'Temperature',
  corrosion: 'Metals',
  singleCore: 'Single core',
};

/** Something that is not known and that a rule waits for: a fact that is entered, or a quantity that is measured. */
export type AskedFact = MissingField | MeasuredQuantity;

/** The one shape in which every rule answers. */
export interface Finding {
  readonly criterion: CriterionId;
  readonly verdict: Verdict;
  /** What the catalogue or the profile takes, and what is there, for display. */
  readonly takes: string;
  readonly has: string;
  /** Catalogue range and measured interval in mm, for the rules that compare diameters. */
  readonly range?: IntervalMm;
  readonly interval?: IntervalMm;
  /** In mm (°C for temperature); negative by how much it is out; null where nothing is measured. */
  readonly margin: number | null;
  readonly reason: string;
  readonly source: string;
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
  absent?: (context: JudgeContext) => string | null;
  judge: (context: JudgeContext) => Finding;
}

export interface Parts {
  readonly adaptors: readonly Adaptor[];
  readonly accessories: readonly Accessory[];
}

const names = new WeakMap<Family, string>();

/** Sheet and revision of a family: the source that most findings name. */
export function sheetName(family: Family): string {
  const known = names.get(family);
  if (known !== undefined) return known;
  const made = `${family.sheet.title}, revision ${family.sheet.revision}`;
  names.set(family, made);
  return made;
}

/** A finding that compares no diameters. */
export const plainFinding = (
  criterion: CriterionId,
  verdict: Verdict,
  takes: string,
  has: string,
  reason: string,
  source: string,
  asks?: readonly AskedFact[],
): Finding => ({
  criterion,
  verdict,
  takes,
  has,
  margin: null,
  reason,
  source,
  ...(asks === undefined || asks.length === 0 ? {} : { asks }),
});
