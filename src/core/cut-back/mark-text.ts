import { formatInchFraction, trimNumber, type LengthUnit } from '@/core/units';

/** A mark in the cut's own unit, as the fitter's rule shows it. */
export const markText = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? trimNumber(mm, 1) : formatInchFraction(mm, 32);
