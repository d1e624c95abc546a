import { fromUm, type NoFigures, type Said } from '@/core/kernel';
import type { BarrierTrail, Conclusion } from './barrier';
import type { Candidate } from './candidate';
import type { CriterionId } from './finding';
import type { FindingCase } from './finding-case';
import type { Nearest, Remedy } from './nearest';
import { neededQuantities, type MeasuredQuantity, type TerminationInput } from './termination-input';
import { wayOf, type Way } from './way';

/** Seals whose room an answer names. */
export type NamedSeal = 'outerSeal' | 'innerSeal' | 'overCores';

/** What the choice comes to. */
export interface Answers {
  /** Nothing to choose before the inside of the cable is decided. */
  barrier: { conclusion: Conclusion };
  measureFirst: { quantities: readonly MeasuredQuantity[] };
  emptyCatalogue: NoFigures;
  /** It fits, and does more than is called for. */
  onlyMore: { way: Way };
  take: { way: Way; provisional: boolean; room: { readonly mm: number; readonly seal: NamedSeal } | null };
  measureAgain: { size: string };
  notDecided: { size: string; finding: FindingCase | null };
  nothingFits: { size: string; finding: FindingCase | null; remedy: Remedy | null };
  /** Nothing fits, and nobody has asked which comes nearest. */
  noSize: NoFigures;
}
export type Answer = Said<Answers>;

/** The answer to candidates in order of merit. */
export function answerFor(
  input: TerminationInput,
  { outcome, conclusion }: BarrierTrail,
  [best]: readonly Candidate[],
  provisional: boolean,
  nearest: Nearest | null,
): Answer {
  if (outcome === 'refused' || outcome === 'ask') return { code: 'barrier', conclusion };
  const quantities = neededQuantities(input.cableType, outcome).filter((q) => input[q] === null);
  if (quantities.length > 0) return { code: 'measureFirst', quantities };
  if (best === undefined) return { code: 'emptyCatalogue' };
  const size = best.size.code;
  if (best.verdict === 'fits') {
    const way = wayOf(best);
    return best.notCalledFor === null
      ? { code: 'take', way, provisional, room: closestSeal(best) }
      : { code: 'onlyMore', way };
  }
  if (best.verdict === 'marginal') return { code: 'measureAgain', size };
  const finding = best.findings.find((f) => f.verdict === best.verdict)?.case ?? null;
  return best.verdict === 'unknown'
    ? { code: 'notDecided', size, finding }
    : { code: 'nothingFits', size, finding, remedy: nearest?.remedies[0] ?? null };
}

const isNamed = (criterion: CriterionId): criterion is NamedSeal =>
  criterion === 'outerSeal' || criterion === 'innerSeal' || criterion === 'overCores';

/** The tightest of the seals. */
function closestSeal({ findings }: Candidate): { readonly mm: number; readonly seal: NamedSeal } | null {
  let tightest: { readonly mm: number; readonly seal: NamedSeal } | null = null;
  for (const { case: found, criterion } of findings) {
    if (found.code !== 'inRange' || !isNamed(criterion)) continue;
    const mm = fromUm(found.marginUm);
    if (tightest === null || mm < tightest.mm) tightest = { mm, seal: criterion };
  }
  return tightest;
}
