import { MATERIAL_WORDS } from '@/core/catalogue';
import { corrosionRefusal, singleCoreAnswer } from '../corrosion';
import { plainFinding, type Criterion } from '../finding';

/** The gland's metal against the wall of the box and against the armour. */
export const corrosion: Criterion = {
  id: 'corrosion',
  scope: 'family',
  judge: ({ input, family }) => {
    const { enclosure, cableType, profile } = input;
    const refusal = corrosionRefusal(family.material, enclosure, cableType, profile);
    const meets = [
      MATERIAL_WORDS[enclosure.material],
      cableType.armourMaterial && MATERIAL_WORDS[cableType.armourMaterial],
    ]
      .filter(Boolean)
      .join(', ');
    return plainFinding(
      'corrosion',
      refusal === null ? 'fits' : 'misfit',
      MATERIAL_WORDS[family.material],
      meets,
      refusal ?? `${MATERIAL_WORDS[family.material]} against ${meets}: not a pair that the profile refuses`,
      profile.corrosion.source,
    );
  },
};

/** Single cores of alternating current: nothing magnetic round one phase alone. */
export const singleCore: Criterion = {
  id: 'singleCore',
  scope: 'family',
  judge: ({ input }) => {
    const { verdict, reason } = singleCoreAnswer(input.cableType, input.enclosure, input.profile);
    const has = input.cableType.singleCoreAc === true ? 'single core, AC' : 'several cores or DC';
    return plainFinding(
      'singleCore',
      verdict,
      'no magnetic ring round one phase',
      has,
      reason,
      input.profile.singleCore.source,
    );
  },
};
