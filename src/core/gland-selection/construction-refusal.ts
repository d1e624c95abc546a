import type { Family } from '@/core/catalogue';
import type { CableType } from '@/core/schedule';

/** Why a family does not take a construction: its armour, that it is made in a way of its own, that it has no jacket, that gas can travel between its cores. */
export type ConstructionRefusal = 'construction' | 'armour' | 'noJacket' | 'gasPath';

/** Why a family does not take a construction, or null when it does. */
export function constructionRefusal({ accepts }: Family, cable: CableType): ConstructionRefusal | null {
  if (accepts.construction !== cable.construction) return 'construction';
  if (!accepts.armour.includes(cable.armour)) return 'armour';
  if (accepts.jacket === 'required' && !cable.jacketed) return 'noJacket';
  return !cable.effectivelyFilled && !accepts.unfilled ? 'gasPath' : null;
}

/** A sheath that creeps lets go of a compression seal; a diaphragm follows it. */
export const letsGoOfCreep = ({ accepts }: Family, cable: CableType): boolean =>
  cable.coldFlow && !accepts.coldFlow;
