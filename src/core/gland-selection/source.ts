import type { NoFigures, Said } from '@/core/kernel';

/** Where a rule or a figure stands. */
export interface Sources {
  sheet: { title: string; revision: string };
  /** As the code profile quotes it. */
  profile: { text: string };
  sheetsOfBoth: NoFigures;
  catalogue: NoFigures;
  ingress: { title: string; revision: string };
}
export type Source = Said<Sources>;
