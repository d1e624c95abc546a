import type { Material } from '@/core/catalogue';
import { plainFinding, type Criterion } from '../finding';

/** The gland's metal, and that of its adaptor, against the wall of the box, the armour and one another. */
export const corrosion: Criterion = {
  id: 'corrosion',
  scope: 'entry',
  judge: ({ input, family, entry }) => {
    const { enclosure, cableType, profile } = input;
    const { verdict, case: way, asks } = entry.corrosion;
    const meets: Material[] = [enclosure.material];
    for (const m of [entry.adaptor?.material, cableType.armourMaterial]) if (m !== undefined) meets.push(m);
    const source = { code: 'profile', text: profile.corrosion.source } as const;
    return plainFinding(
      'corrosion',
      verdict,
      { code: 'corrosion', gland: family.material, meets, way },
      source,
      asks,
    );
  },
};

/** Single cores of alternating current: nothing magnetic round one phase alone. */
export const singleCore: Criterion = {
  id: 'singleCore',
  scope: 'entry',
  judge: ({ input: { cableType, profile }, entry }) => {
    const { verdict, case: way, asks } = entry.singleCore;
    const { cores, singleCoreAc } = cableType;
    const source = { code: 'profile', text: profile.singleCore.source } as const;
    return plainFinding(
      'singleCore',
      verdict,
      { code: 'singleCore', cores, ac: singleCoreAc ?? null, way },
      source,
      asks,
    );
  },
};
