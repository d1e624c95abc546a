import type { Size } from '@/core/catalogue';
import type { EntryFit } from '@/core/gland-selection';
import type { Entry } from '@/core/schedule';
import type { CutWorking } from './cut-cases';

export interface ThroughLength {
  /** From the armour stop in the gland to the inside face of the wall. */
  readonly stopToWallMm: number;
  /** To the end of the entry thread, or to the wall's inside where that lies deeper. */
  readonly stopToThreadEndMm: number;
  readonly workings: readonly CutWorking[];
}

/** From the armour stop outwards through gland, adaptor, washers and wall, mm. */
export function throughLength(size: Size, entryFit: EntryFit, entry: Entry): ThroughLength {
  const thick = (parts: EntryFit['outside']) => parts.reduce((sum, a) => sum + a.thicknessMm, 0);
  const stackMm = thick(entryFit.outside);
  const betweenMm = thick(entryFit.between);
  const addedMm = entryFit.adaptor?.addedLengthMm ?? 0;
  const threadMm = entryFit.adaptor ? entryFit.adaptor.maleLengthMm : size.entry.lengthMm;
  const wallEndMm = stackMm + entry.wallMm;
  const shoulderMm = size.innerLengthMm + betweenMm + addedMm;
  return {
    stopToWallMm: shoulderMm + wallEndMm,
    stopToThreadEndMm: shoulderMm + Math.max(threadMm, wallEndMm),
    workings: [
      { code: 'stopToShoulder', mm: size.innerLengthMm },
      ...(betweenMm > 0 ? [{ code: 'washerUnderGland' as const, mm: betweenMm }] : []),
      ...(addedMm > 0 ? [{ code: 'adaptor' as const, mm: addedMm }] : []),
      ...(stackMm > 0 ? [{ code: 'washersAndTag' as const, mm: stackMm }] : []),
      {
        code: threadMm > wallEndMm ? 'entryThread' : 'wall',
        mm: threadMm > wallEndMm ? threadMm - stackMm : entry.wallMm,
      },
    ],
  };
}
