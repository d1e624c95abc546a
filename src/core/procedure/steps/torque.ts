import type { Acceptance } from '@/core/record';

/** What a wrench may show at its peak; nothing where the sheet gives no tolerance. `of` says which, `tooMuch` what to do then. */
export const torqueAccepts = (
  { torqueNm, toleranceNm }: { readonly torqueNm: number; readonly toleranceNm: number },
  of: string,
  tooMuch: string,
): Acceptance[] =>
  toleranceNm > 0
    ? [
        {
          key: 'torque',
          label: of === '' ? 'Torque at its peak' : `Torque at its peak, ${of}`,
          unit: 'N·m',
          min: Math.max(0, torqueNm - toleranceNm),
          max: torqueNm + toleranceNm,
          over: `too much: ${tooMuch}`,
          under: 'too little: go on',
        },
      ]
    : [];
