import type { Problem } from '@/core/kernel';
import { packProblems, type MixRecord } from '@/core/record';
import { readTemperature } from '../compound-cure/station/clock-words';

/** What stands on the pack, and how warm the work is, as a hand types it. */
export interface MixDraft {
  batch: string;
  expiry: string;
  temp: string;
}
export const EMPTY_MIX: MixDraft = { batch: '', expiry: '', temp: '' };

/** What keeps a draft from being a record. Whether the pack may be used is the server's to say. */
export const mixProblems = (draft: MixDraft): Problem[] => [
  ...packProblems(draft),
  ...(readTemperature(draft.temp) === null
    ? [{ path: 'temp', message: 'is no temperature such as 20 or 68 F' }]
    : []),
];

/** The draft as a record, or null while something is missing. */
export function readMix(draft: MixDraft): MixRecord | null {
  const tempC = readTemperature(draft.temp);
  if (tempC === null || mixProblems(draft).length > 0) return null;
  return { batch: draft.batch.trim(), expiry: draft.expiry, tempC };
}
