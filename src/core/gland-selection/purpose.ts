import type { Purpose } from '@/core/catalogue';
import type { Entry } from '@/core/schedule';
import type { BarrierOutcome } from './barrier/outcome';
import type { Verdict } from './verdict';

/** Does this kind of gland block the cable's inside where the profile's decision asks for it? */
export function fillingVerdict(outcome: BarrierOutcome, purpose: Purpose): Verdict {
  if (outcome === 'refused') return 'misfit';
  if (outcome === 'ask') return 'unknown';
  if (outcome === 'barrier') return purpose === 'barrier' ? 'fits' : 'misfit';
  if (outcome === 'seal') return purpose === 'barrier' || purpose === 'sealingFitting' ? 'fits' : 'misfit';
  return 'fits';
}

/** Why a kind of gland does not compete: the entry is made for a plug-in body or is not, or what it does inside the cable is not asked for. */
export type NotCalledFor =
  | 'entryForPlugIn'
  | 'entryNotForPlugIn'
  | 'entryOwnClamp'
  | 'entryNoClamp'
  | 'entryForCoupler'
  | 'entryNotForCoupler'
  | 'entryForInLine'
  | 'entryNotForInLine'
  | Purpose;

/**
 * Why a kind of gland does not compete at a termination although it might fit: a barrier everywhere is not a saving. Null when the
 * profile's decision calls for it.
 */
export function notCalledFor(outcome: BarrierOutcome, purpose: Purpose, entry: Entry): NotCalledFor | null {
  if (entry.ownClamp === true && purpose !== 'ownClamp') return 'entryOwnClamp';
  if (purpose === 'ownClamp') return entry.ownClamp === true ? null : 'entryNoClamp';
  if (entry.inLine !== undefined && purpose !== 'inLine') return 'entryForInLine';
  if (purpose === 'inLine') return entry.inLine === undefined ? 'entryNotForInLine' : null;
  if (entry.coupler === true && purpose !== 'coupler') return 'entryForCoupler';
  if (purpose === 'coupler') return entry.coupler === true ? null : 'entryNotForCoupler';
  if (entry.plugIn === true && purpose !== 'plugIn') return 'entryForPlugIn';
  if (purpose === 'plugIn') return entry.plugIn === true ? null : 'entryNotForPlugIn';
  // Only cables of its construction fit it, and for them there is nothing else.
  if (purpose === 'mineralSeal') return null;
  return outcome === 'none' && purpose !== 'plain' ? purpose : null;
}
