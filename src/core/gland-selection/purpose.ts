import { PURPOSE_WORDS, type Purpose } from '@/core/catalogue';
import type { Entry } from '@/core/schedule';
import type { BarrierOutcome, BarrierTrail } from './barrier/trail';
import { OUTCOME_WORDS } from './barrier/trail';
import type { Verdict } from './verdict';

/** Does this kind of gland block the cable's inside where the profile's decision asks for it? */
export function fillingVerdict(outcome: BarrierOutcome, purpose: Purpose): Verdict {
  if (outcome === 'refused') return 'misfit';
  if (outcome === 'ask') return 'unknown';
  if (outcome === 'barrier') return purpose === 'barrier' ? 'fits' : 'misfit';
  if (outcome === 'seal') return purpose === 'barrier' || purpose === 'sealingFitting' ? 'fits' : 'misfit';
  return 'fits';
}

export function fillingReason(trail: BarrierTrail, purpose: Purpose): string {
  const verdict = fillingVerdict(trail.outcome, purpose);
  if (verdict === 'misfit' && trail.outcome !== 'refused')
    return `${OUTCOME_WORDS[trail.outcome]} called for; this is a ${PURPOSE_WORDS[purpose]}. ${trail.conclusion}`;
  return trail.conclusion;
}

/**
 * Why a kind of gland does not compete at a termination although it might fit: a barrier everywhere is not a saving. Null when the
 * profile's decision calls for it.
 */
export function notCalledFor(outcome: BarrierOutcome, purpose: Purpose, entry: Entry): string | null {
  if (entry.plugIn === true && purpose !== 'plugIn') return 'this entry is made for a plug-in gland body';
  if (purpose === 'plugIn') return entry.plugIn === true ? null : 'this entry is not made for a plug-in body';
  if (outcome === 'none' && purpose !== 'plain') return `${PURPOSE_WORDS[purpose]}: not called for here`;
  return null;
}
