import { MATERIAL_WORDS } from '@/core/catalogue';
import { plainFinding, type Criterion } from '../finding';

/** The gland's metal, and that of its adaptor, against the wall of the box, the armour and one another. */
export const corrosion: Criterion = {
  id: 'corrosion',
  scope: 'entry',
  judge: ({ input, family, entry }) => {
    const { enclosure, cableType, profile } = input;
    const { verdict, reason, asks } = entry.corrosion;
    const met = [enclosure.material, entry.adaptor?.material, cableType.armourMaterial];
    // Written as a loop: this runs once for every size of the catalogue.
    let meets = '';
    for (const m of met) if (m !== undefined) meets += `${meets === '' ? '' : ', '}${MATERIAL_WORDS[m]}`;
    const metal = MATERIAL_WORDS[family.material];
    const words =
      verdict === 'fits' ? `${metal} against ${meets}: not a pair that the profile refuses` : reason;
    return plainFinding('corrosion', verdict, metal, meets, words, profile.corrosion.source, asks);
  },
};

const CIRCUIT = {
  true: 'single core, AC',
  false: 'single core, not AC',
  undefined: 'single core, circuit not known',
};

/** Single cores of alternating current: nothing magnetic round one phase alone. */
export const singleCore: Criterion = {
  id: 'singleCore',
  scope: 'entry',
  judge: ({ input: { cableType, profile }, entry }) => {
    const { verdict, reason, asks } = entry.singleCore;
    const has = cableType.cores > 1 ? 'several cores' : CIRCUIT[`${cableType.singleCoreAc}`];
    return plainFinding(
      'singleCore',
      verdict,
      'no magnetic ring round one phase',
      has,
      reason,
      profile.singleCore.source,
      asks,
    );
  },
};
