import { purposeOfSize, type Family, type Purpose, type Size } from '@/core/catalogue';
import { answerFor, type Answer } from './answer';
import { decideBarrier, type BarrierTrail } from './barrier';
import type { Candidate, CatalogueView } from './candidate';
import { CRITERIA } from './criteria';
import { fitEndStop } from './end-stop-fit';
import { entryKeyOf, fitEntry, type EntryFit } from './entry-fit';
import {
  plainFinding,
  sheetOf,
  type Criterion,
  type CriterionId,
  type Finding,
  type JudgeContext,
  type Parts,
} from './finding';
import { nearestOf, type Nearest } from './nearest';
import { notCalledFor, type NotCalledFor } from './purpose';
import { chooseRing } from './ring-fit';
import { factsOf } from './size-facts';
import {
  armourQuantity,
  intervalUm,
  provisionalReasons,
  type Provisional,
  type TerminationInput,
} from './termination-input';
import { verdictCode, VERDICTS, type IntervalUm } from './verdict';

/** Raised by hand whenever a change of these rules may change an answer; stored with every plan. */
export const GLAND_SELECTION_RULES = 3;

export interface Choice {
  /** Best first: what competes before what does not, verdict, no adaptor, most central. */
  readonly candidates: readonly Candidate[];
  /** Whether a barrier is called for, and by which path that was decided. */
  readonly barrier: BarrierTrail;
  readonly provisional: readonly Provisional[];
  /** Where nothing fits: the size that comes nearest to taking this cable, and what would help. */
  readonly nearest: Nearest | null;
  readonly answer: Answer;
}

const placesOf = (scope: Criterion['scope']): number[] =>
  CRITERIA.flatMap((c, i) => (c.scope === scope ? [i] : []));
/** What the cable itself has to do with a size; what refuses it otherwise may be mended at the box or with another part. */
const OF_CABLE = new Set<CriterionId>([
  'construction',
  'filling',
  'coldFlow',
  'outerSeal',
  'ovality',
  'innerSeal',
  'armourRing',
  'coreCount',
  'overCores',
  'freeArea',
  'compound',
]);
const IS_OF_CABLE = CRITERIA.map((c) => OF_CABLE.has(c.id));

const OF_ENTRY = placesOf('entry');
const OF_SIZE = placesOf('size');

/** What findings come to: the worst verdict's code, how many refuse, how many of them the cable, and how many of those not by a length. */
interface Tally {
  readonly code: number;
  readonly refusals: number;
  readonly cableRefusals: number;
  readonly otherKind: number;
}

/** Findings of the criteria of one scope, each at the place of its criterion, with what they come to. */
interface ScopeAnswers {
  readonly findings: readonly Finding[];
  readonly tally: Tally;
}

/** All that sizes of one family share which have the same parts. */
interface Common extends ScopeAnswers {
  /** Places of the criteria that each size must still answer for itself. */
  readonly open: readonly number[];
}

/** What the sizes of one family share that do the same inside the cable, for one termination. */
interface FamilyAnswers extends ScopeAnswers {
  readonly purpose: Purpose;
  readonly notCalledFor: NotCalledFor | null;
  /** By the key of the parts. */
  readonly common: (Common | undefined)[];
}

/** Answers that several sizes share, for one termination. */
interface Shared {
  readonly trail: BarrierTrail;
  readonly armour: IntervalUm | null;
  readonly byFamily: Map<Family, Partial<Record<Purpose, FamilyAnswers>>>;
  readonly entryFits: Map<string, EntryFit>;
  readonly byEntry: Map<EntryFit, ScopeAnswers>;
}

function sharedAnswers(input: TerminationInput, entryFits = new Map<string, EntryFit>()): Shared {
  const armour = input[armourQuantity(input.cableType.armour)];
  return {
    trail: decideBarrier(input),
    armour: armour === null ? null : intervalUm(armour),
    byFamily: new Map(),
    entryFits,
    byEntry: new Map(),
  };
}

/** Judges one size with all reasons. */
export function judge(
  input: TerminationInput,
  family: Family,
  size: Size,
  parts: Parts,
  shared = sharedAnswers(input),
): Candidate {
  const facts = factsOf(size);
  const ring =
    input.cableType.armour === 'none' ? null : chooseRing(facts, input.cableType.armour, shared.armour);
  const entryKey = entryKeyOf(family, facts.entryKey);
  let entry = shared.entryFits.get(entryKey);
  if (entry === undefined) {
    entry = fitEntry(input, family, size, parts);
    shared.entryFits.set(entryKey, entry);
  }
  const purpose = purposeOfSize(family, size);
  const known = shared.byFamily.get(family)?.[purpose];
  const context: JudgeContext = {
    input,
    family,
    purpose,
    size,
    facts,
    trail: shared.trail,
    ring,
    endStop: size.endStop === undefined ? null : fitEndStop(size, facts, input),
    entry,
  };
  const ofFamily = known ?? familyAnswers(context, shared);
  const common = commonAnswers(context, ofFamily);
  const ofEntry = entryAnswers(context, shared);
  const findings = common.findings.slice();
  for (const i of OF_ENTRY) findings[i] = ofEntry.findings[i] as Finding;
  let code = Math.max(common.tally.code, ofEntry.tally.code);
  let refusals = common.tally.refusals + ofEntry.tally.refusals;
  let cableRefusals = common.tally.cableRefusals + ofEntry.tally.cableRefusals;
  let otherKind = common.tally.otherKind + ofEntry.tally.otherKind;
  let marginMm: number | null = null;
  let centrality = Infinity;
  for (const i of common.open) {
    const finding = (CRITERIA[i] as Criterion).judge(context);
    findings[i] = finding;
    if (finding.verdict !== 'fits') {
      code = Math.max(code, verdictCode(finding.verdict));
      if (finding.verdict === 'misfit') {
        refusals += 1;
        if (IS_OF_CABLE[i]) {
          cableRefusals += 1;
          if (finding.range === undefined) otherKind += 1;
        }
      }
    }
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
    endStop: context.endStop,
    entry,
    notCalledFor: ofFamily.notCalledFor,
    marginMm,
    centrality: marginMm === null ? 0 : centrality,
    refusals,
    cableRefusals,
    standing: standing(
      { code, refusals, cableRefusals, otherKind },
      ofFamily.notCalledFor !== null,
      entry.adaptor !== null,
    ),
  };
}

/** The answers of the family, with “there is nothing to judge here” for the parts that these sizes do not have. */
function commonAnswers(context: JudgeContext, ofFamily: FamilyAnswers): Common {
  const { facts, family } = context;
  const known = ofFamily.common[facts.partsKey];
  if (known !== undefined) return known;
  const open: number[] = [];
  const findings = ofFamily.findings.slice();
  for (const i of OF_SIZE) {
    const { id, absent } = CRITERIA[i] as Criterion;
    const nothing = absent?.(context) ?? null;
    if (nothing === null) open.push(i);
    else findings[i] = plainFinding(id, 'fits', { code: 'absent', part: nothing }, sheetOf(family));
  }
  const made: Common = { findings, tally: ofFamily.tally, open };
  ofFamily.common[facts.partsKey] = made;
  return made;
}

function familyAnswers(context: JudgeContext, shared: Shared): FamilyAnswers {
  const { family, purpose, input } = context;
  const made: FamilyAnswers = {
    purpose,
    notCalledFor: notCalledFor(shared.trail.outcome, purpose, input.entry),
    ...answersOf('family', context),
    common: [],
  };
  shared.byFamily.set(family, { ...shared.byFamily.get(family), [purpose]: made });
  return made;
}

/** Sizes of one metal with the same thread go into an entry in the same way, whatever their family: nothing else of it is asked here. */
function entryAnswers(context: JudgeContext, { byEntry }: Shared): ScopeAnswers {
  const found = byEntry.get(context.entry);
  if (found) return found;
  const made = answersOf('entry', context);
  byEntry.set(context.entry, made);
  return made;
}

function answersOf(scope: 'family' | 'entry', context: JudgeContext): ScopeAnswers {
  // The places of the other scopes are filled by the time anybody reads the list.
  const findings = new Array<Finding>(CRITERIA.length);
  const tally = { code: 0, refusals: 0, cableRefusals: 0, otherKind: 0 };
  CRITERIA.forEach((criterion, i) => {
    if (criterion.scope !== scope) return;
    const finding = criterion.judge(context);
    findings[i] = finding;
    tally.code = Math.max(tally.code, verdictCode(finding.verdict));
    if (finding.verdict === 'misfit') {
      tally.refusals += 1;
      if (IS_OF_CABLE[i]) {
        tally.cableRefusals += 1;
        tally.otherKind += 1;
      }
    }
  });
  return { findings, tally };
}

function centralityOf(finding: Finding): number {
  if (!finding.range || !finding.interval) return 0;
  const { range, interval } = finding;
  const width = range.max - range.min;
  return width === 0 ? 0 : 1 - Math.abs(interval.max + interval.min - range.max - range.min) / width;
}

/** Every size of every family judged and ranked for one termination, with the answer. */
export function choose(input: TerminationInput, catalogue: CatalogueView): Choice {
  return chooseAmong(input, sizesOf(catalogue), catalogue);
}

/** Every size of a catalogue with its family. */
export const sizesOf = (catalogue: CatalogueView): { readonly family: Family; readonly size: Size }[] =>
  catalogue.families.flatMap((family) => family.sizes.map((size) => ({ family, size })));

/** As `choose`, among some sizes only. */
export function chooseAmong(
  input: TerminationInput,
  sizes: readonly { readonly family: Family; readonly size: Size }[],
  parts: Parts,
  /** Ways into this place that are known already, by `entryKeyOf`; new ones are added. */
  entryFits = new Map<string, EntryFit>(),
): Choice {
  const shared = sharedAnswers(input, entryFits);
  const candidates = sizes.map(({ family, size }) => judge(input, family, size, parts, shared));
  candidates.sort(byMerit);
  const provisional = provisionalReasons(input);
  const nearest = nearestOf(input, shared.trail, candidates);
  return {
    candidates,
    barrier: shared.trail,
    provisional,
    nearest,
    answer: answerFor(input, shared.trail, candidates, provisional.length > 0, nearest),
  };
}

const MISFIT_RANK = 8;

/**
 * What competes before what does not, and both before what does not fit; among misfits those that take this cable and are refused by the
 * place only, then the nearest miss; no adaptor before one. One number, because a list of thousands is sorted by it.
 */
function standing(
  { code, refusals, cableRefusals, otherKind }: Tally,
  notCalled: boolean,
  adaptor: boolean,
): number {
  const rank = VERDICTS[code] === 'misfit' ? MISFIT_RANK : code + (notCalled ? 4 : 0);
  // Of sizes that do not take the cable: those for another kind of cable last, then by how many mm they miss it, which is compared beside
  // this; what else speaks against them, or the adaptor that they would need, says nothing of how near they are.
  const missesCable = cableRefusals > 0;
  const kind = missesCable ? 1 + otherKind : 0;
  const elsewhere = missesCable ? 0 : refusals * 2 + Number(adaptor);
  return ((rank * 100 + kind) * 2 + Number(notCalled)) * 200 + elsewhere;
}

/** Order of merit: standing, then for misfits the least that is lacking in mm, then most central in the ranges. Ties by code. */
export function byMerit(a: Candidate, b: Candidate): number {
  if (a.standing !== b.standing) return a.standing - b.standing;
  if (a.cableRefusals > 0 && a.marginMm !== null && b.marginMm !== null) {
    const nearer = b.marginMm - a.marginMm;
    if (Math.abs(nearer) > 1e-9) return nearer;
  }
  const central = b.centrality - a.centrality;
  if (Math.abs(central) > 1e-9) return central;
  return a.size.code < b.size.code ? -1 : a.size.code > b.size.code ? 1 : 0;
}

export const findingOf = (candidate: Candidate, criterion: CriterionId): Finding | undefined =>
  candidate.findings.find((f) => f.criterion === criterion);
