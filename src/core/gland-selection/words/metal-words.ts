import { MATERIAL_WORDS } from '@/core/catalogue';
import { worded, type Wording } from '@/core/kernel';
import type { MetalCases, Met } from '../corrosion';

const MET: Readonly<Record<Met['what'], string>> = {
  wall: 'a wall of',
  adaptor: 'an adaptor of',
  armour: 'armour of',
};
const metWords = ({ what, metal }: Met): string => `${MET[what]} ${MATERIAL_WORDS[metal]}`;

/** Why metals may or may not meet. */
export const METALS: Wording<MetalCases> = {
  allowed: () => 'not a pair that the profile refuses',
  corrodes: ({ part, met, wet }) =>
    `${MATERIAL_WORDS[part]} against ${metWords(met)}${wet ? ' in the wet' : ''}: the pair corrodes`,
  wetNotKnown: ({ part, met, box }) =>
    `${MATERIAL_WORDS[part]} against ${metWords(met)} corrodes in the wet, and whether ${box} stands in the wet is not known`,
  armourCorrodes: ({ gland, metals }) =>
    `${MATERIAL_WORDS[gland]} against armour of ${metals.map((m) => MATERIAL_WORDS[m]).join(' or ')} corrodes, and what the armour is made of is not known`,
  severalCores: () => 'several cores',
  notAc: () => 'a single core, but not of an AC circuit',
  nothingMagnetic: () => 'non-magnetic armour, and no ferrous ring round one phase',
  circuitNotKnown: ({ ifAc }) =>
    `a single core, and whether its circuit is AC is not known; if it is: ${worded(METALS, ifAc)}`,
  armourNotKnown: () => 'single core of an AC circuit: what the armour is made of is not known',
  armourInduces: ({ metal }) =>
    `single core of an AC circuit: armour of ${MATERIAL_WORDS[metal]} carries induced current; it must be non-magnetic`,
  magneticRing: ({ part, metal }) =>
    `single core of an AC circuit: ${part === 'gland' ? 'a gland' : 'an adaptor'} of ${MATERIAL_WORDS[metal]} is a magnetic ring round one phase; it must be non-magnetic`,
  wallHeats: ({ metal }) =>
    `a separate hole for each phase in a wall of ${MATERIAL_WORDS[metal]} gets hot; a non-magnetic plate or one opening for all phases is needed`,
};
