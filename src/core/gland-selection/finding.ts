import type { Adaptor, Accessory, Family, Size } from '@/core/catalogue';
import type { IntervalMm } from '@/core/kernel';
import type { TerminationInput } from './termination-input';
import type { EntryFit } from './entry-fit';
import type { RingFit } from './ring-fit';
import type { Verdict } from './verdict';

export const CRITERION_IDS = [
  'construction',
  'outerSeal',
  'ovality',
  'innerSeal',
  'armourRing',
  'entryThread',
  'engagement',
  'concept',
  'group',
  'ip',
  'temperature',
] as const;
export type CriterionId = (typeof CRITERION_IDS)[number];

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
}

/** Everything one rule may look at. Ring and entry are settled first, because other rules hang on them. */
export interface JudgeContext {
  readonly input: TerminationInput;
  readonly family: Family;
  readonly size: Size;
  readonly ring: RingFit | null;
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
  readonly title: string;
  judge(context: JudgeContext): Finding;
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
