import type { Family, Size } from '@/core/catalogue';
import { CRITERIA } from './criteria';
import { fitEntry, type EntryFit } from './entry-fit';
import type { CriterionId, Finding, JudgeContext, Parts } from './finding';
import { chooseRing, type RingFit } from './ring-fit';
import { intervalUm, neededQuantities, provisionalReasons, type TerminationInput } from './termination-input';
import { verdictCode, VERDICTS, type IntervalUm, type Verdict } from './verdict';

/** Raised by hand whenever a change of these rules may change an answer; stored with every plan. */
export const GLAND_SELECTION_RULES = 1;

export interface CatalogueView extends Parts {
  readonly families: readonly Family[];
}

/** One gland size judged on every criterion. */
export interface Candidate {
  readonly family: Family;
  readonly size: Size;
  readonly verdict: Verdict;
  readonly findings: readonly Finding[];
  readonly ring: RingFit | null;
  readonly entry: EntryFit;
  /** Smallest margin over the diameters compared, mm; null when none was. */
  readonly marginMm: number | null;
  /** 1 in the middle of the tightest range, 0 at its edge, below 0 outside. */
  readonly centrality: number;
  /** How many criteria refuse it. */
  readonly refusals: number;
}

export interface Choice {
  /** Best first: verdict, then no adaptor, then most central. */
  readonly candidates: readonly Candidate[];
  readonly provisional: readonly string[];
  /** The answer in one sentence. */
  readonly answer: string;
}

/** Answers that several sizes share, for one termination. Findings stand at the place of their criterion. */
interface Shared {
  readonly wire: IntervalUm | null;
  readonly byFamily: Map<Family, readonly (Finding | null)[]>;
  readonly entryFits: Map<string | Size['entry'], EntryFit>;
  readonly byEntry: Map<EntryFit, readonly (Finding | null)[]>;
}

const sharedAnswers = (input: TerminationInput): Shared => ({
  wire: input.armourWire === null ? null : intervalUm(input.armourWire),
  byFamily: new Map(),
  entryFits: new Map(),
  byEntry: new Map(),
});

/** Judges one size with all reasons. */
export function judge(
  input: TerminationInput,
  family: Family,
  size: Size,
  parts: Parts,
  shared = sharedAnswers(input),
): Candidate {
  const ring =
    input.cableType.armour === 'none' ? null : chooseRing(size, input.cableType.armour, shared.wire);
  const entry = entryFor(input, family, size, parts, shared);
  const context: JudgeContext = { input, family, size, ring, entry };
  const ofFamily = answers('family', context, shared.byFamily, family);
  const ofEntry = answers('entry', context, shared.byEntry, entry);
  const findings = CRITERIA.map((c, i) => ofFamily[i] ?? ofEntry[i] ?? c.judge(context));
  let code = 0;
  let marginMm: number | null = null;
  let centrality = Infinity;
  let refusals = 0;
  for (const finding of findings) {
    code = Math.max(code, verdictCode(finding.verdict));
    if (finding.verdict === 'misfit') refusals += 1;
    if (finding.range === undefined || finding.margin === null) continue;
    marginMm = marginMm === null ? finding.margin : Math.min(marginMm, finding.margin);
    centrality = Math.min(centrality, centralityOf(finding));
  }
  return {
    family,
    size,
    verdict: VERDICTS[code] ?? 'misfit',
    findings,
    ring,
    entry,
    marginMm,
    centrality: marginMm === null ? 0 : centrality,
    refusals,
  };
}

/** Sizes with the same thread go into an entry in the same way. */
function entryFor(
  input: TerminationInput,
  family: Family,
  size: Size,
  parts: Parts,
  shared: Shared,
): EntryFit {
  const own = shared.entryFits.get(size.entry);
  if (own) return own;
  const { thread, lengthMm, undercutMm } = size.entry;
  const key = `${thread.form} ${thread.size} ${thread.pitchMm} ${lengthMm} ${undercutMm}`;
  const made = shared.entryFits.get(key) ?? fitEntry(input, family, size, parts);
  shared.entryFits.set(size.entry, made);
  shared.entryFits.set(key, made);
  return made;
}

/** Findings of the criteria of one scope, worked out once for each key; null at the places of the others. */
function answers<K>(
  scope: 'family' | 'entry',
  context: JudgeContext,
  known: Map<K, readonly (Finding | null)[]>,
  key: K,
): readonly (Finding | null)[] {
  const found = known.get(key);
  if (found) return found;
  const made = CRITERIA.map((c) => (c.scope === scope ? c.judge(context) : null));
  known.set(key, made);
  return made;
}

function centralityOf(finding: Finding): number {
  if (!finding.range || !finding.interval) return 0;
  const { range, interval } = finding;
  const width = range.max - range.min;
  return width === 0 ? 0 : 1 - Math.abs(interval.max + interval.min - range.max - range.min) / width;
}

/** Every size of every family judged and ranked for one termination, with the answer in a sentence. */
export function choose(input: TerminationInput, catalogue: CatalogueView): Choice {
  const shared = sharedAnswers(input);
  const candidates = catalogue.families.flatMap((family) =>
    family.sizes.map((size) => judge(input, family, size, catalogue, shared)),
  );
  candidates.sort(byMerit);
  const provisional = provisionalReasons(input);
  return { candidates, provisional, answer: answerFor(input, candidates, provisional) };
}

/** Order of merit: verdict, no adaptor, most central in the ranges; for misfits the nearest miss first. Ties by code. */
export function byMerit(a: Candidate, b: Candidate): number {
  const verdict = verdictCode(a.verdict) - verdictCode(b.verdict);
  if (verdict !== 0) return verdict;
  const refusals = a.refusals - b.refusals;
  if (refusals !== 0) return refusals;
  const adaptor = Number(a.entry.adaptor !== null) - Number(b.entry.adaptor !== null);
  if (adaptor !== 0) return adaptor;
  const central = b.centrality - a.centrality;
  if (Math.abs(central) > 1e-9) return central;
  return a.size.code < b.size.code ? -1 : a.size.code > b.size.code ? 1 : 0;
}

/** How the ring goes on: “coarse groove to the cone”, “ring AY3-R32F, flat face to the cone”; empty without armour. */
export function ringWords(ring: RingFit | null): string {
  if (ring === null) return '';
  const face =
    ring.option.face === 'plain' ? 'ring either way round' : `${ring.option.face} groove to the cone`;
  return ring.option.ring === undefined ? face : `ring ${ring.option.ring}, ${face}`;
}

function answerFor(
  input: TerminationInput,
  candidates: readonly Candidate[],
  provisional: readonly string[],
): string {
  const missing = neededQuantities(input.cableType).filter((q) => input[q] === null);
  if (missing.length > 0) return `Measure first: ${missing.map((q) => QUANTITY[q]).join(', ')}.`;
  const best = candidates[0];
  if (best === undefined) return 'The catalogue is empty.';
  const way = [ringWords(best.ring), best.entry.adaptor ? `adaptor ${best.entry.adaptor.partNumber}` : '']
    .filter((w) => w !== '')
    .join(', ');
  const name = way === '' ? best.size.code : `${best.size.code}, ${way}`;
  if (best.verdict === 'fits') return `${provisional.length > 0 ? 'Plan on' : 'Take'} ${name}.`;
  if (best.verdict === 'marginal') return `Measure again: ${best.size.code} may fit, nothing certainly does.`;
  const why = best.findings.find((f) => f.verdict === best.verdict);
  return `No size fits. Nearest is ${best.size.code}: ${why?.reason ?? 'not judged'}.`;
}

const QUANTITY = {
  outerSheath: 'outer sheath',
  innerSheath: 'inner sheath',
  armourWire: 'armour wire',
} as const;

export const findingOf = (candidate: Candidate, criterion: CriterionId): Finding | undefined =>
  candidate.findings.find((f) => f.criterion === criterion);
