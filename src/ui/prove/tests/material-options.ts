import type { ConductorMaterial, Insulation } from '@/core/electrical-test';

export const MATERIAL_OPTIONS: readonly (readonly [ConductorMaterial, string])[] = [
  ['copper', 'copper'],
  ['aluminium', 'aluminium'],
  ['bronze', 'bronze'],
  ['steel', 'steel'],
  ['stainlessSteel', 'stainless steel'],
];

export const INSULATION_OPTIONS: readonly (readonly [Insulation, string])[] = [
  ['pvc', 'PVC'],
  ['xlpe', 'cross-linked polyethylene'],
  ['epr', 'ethylene-propylene rubber'],
  ['silicone', 'silicone rubber'],
  ['paper', 'impregnated paper'],
  ['mineral', 'mineral'],
];
