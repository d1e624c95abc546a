import type { TerminationPlan } from '@/core/procedure';
import type { Step } from '@/core/record';
import type { EndName, TerminationView } from '@/core/termination-view';

type View = Pick<TerminationView, 'joint' | 'cable' | 'end' | 'plan'>;

/** Keeper and mate of a joint; null where there is none. */
function bothOf({ joint }: Pick<View, 'joint'>): { readonly keeper: EndName; readonly mate: EndName } | null {
  const { keeper = null, mate = null } = joint ?? {};
  return keeper === null || mate === null ? null : { keeper, mate };
}

const isHere = ({ cable, end }: View, name: EndName): boolean => name.cable === cable && name.end === end;

/** The end whose record an end's work goes into, where that is the other half of its joint; null where it keeps its own. */
export function keptElsewhere(view: View): EndName | null {
  const both = bothOf(view);
  return both === null || isHere(view, both.keeper) ? null : both.keeper;
}

/** The other half of the joint; null where there is none. */
export function otherHalf(view: View): EndName | null {
  const both = bothOf(view);
  if (both === null) return null;
  return isHere(view, both.keeper) ? both.mate : both.keeper;
}

/** The half that a step is done at, where it is the one whose record is kept elsewhere; null for every other step. */
export function mateAt(view: View, step: Step): EndName | null {
  const both = bothOf(view);
  return both !== null && step.end === both.mate.tag ? both.mate : null;
}

/** The plan by which a step is done: that of the other half of a joint where it is done there. */
export function planAt({ plan }: View, step: Step): TerminationPlan | null {
  const other = plan?.plan.joint?.other;
  return step.end !== undefined && step.end === other?.tag ? other : (plan?.plan ?? null);
}
