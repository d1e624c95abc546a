import { ARMOUR_WORDS, type Family } from '@/core/catalogue';
import type { CableType } from '@/core/schedule';

/** Why a family does not take a construction, or null when it does. */
export function constructionRefusal(family: Family, cable: CableType): string | null {
  const { accepts } = family;
  if (!accepts.armour.includes(cable.armour))
    return `${family.code} does not take ${ARMOUR_WORDS[cable.armour]}`;
  if (accepts.jacket === 'required' && !cable.jacketed)
    return 'the outer seal needs a jacket over the armour';
  if (!cable.effectivelyFilled && !accepts.unfilled)
    return `${family.code} does not take a cable with a gas path between its cores`;
  return null;
}

/** A sheath that creeps lets go of a compression seal; a diaphragm follows it. */
export const coldFlowRefusal = (family: Family, cable: CableType): string | null =>
  cable.coldFlow && !family.accepts.coldFlow
    ? 'the sheath creeps under pressure, and the inner seal would lose its grip; take a diaphragm'
    : null;
