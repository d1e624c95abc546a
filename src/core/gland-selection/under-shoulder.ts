import { toUm } from '@/core/kernel';
import { sameThread, type Accessory, type AccessoryKind, type Thread } from '@/core/catalogue';
import type { Enclosure } from '@/core/schedule';

/** Accessories that were found, and the first that is needed and not in the catalogue. */
export interface Stack {
  readonly found: readonly Accessory[];
  readonly missing: AccessoryKind | null;
}

/** A washer keeps the water out of a parallel thread from this second IP digit on. */
const WASHER_FROM_IP = 5;

export const needsWasher = (enclosure: Enclosure, thread: Thread): boolean =>
  thread.form === 'metric' && Number(enclosure.ip[1]) >= WASHER_FROM_IP;

/**
 * What stands between a shoulder and the wall: the washer that the IP code asks for, and an earth tag where the wall does not carry the earth
 * or an insulating washer breaks its path. A washer that conducts is taken before one that insulates.
 */
export function underShoulder(
  enclosure: Enclosure,
  thread: Thread,
  accessories: readonly Accessory[],
): Stack {
  const washer = washerFor(enclosure, thread, accessories);
  const insulated = washer.found.some((a) => a.insulating === true);
  const tag = !enclosure.wallEarthed || insulated ? pick(['earthTag'], thread, accessories) : NOTHING;
  return { found: [...washer.found, ...tag.found], missing: washer.missing ?? tag.missing };
}

const NOTHING: Stack = { found: [], missing: null };

/** The washer of a joint, where its IP code asks for one. */
export function washerFor(enclosure: Enclosure, thread: Thread, accessories: readonly Accessory[]): Stack {
  if (!needsWasher(enclosure, thread)) return NOTHING;
  const conducting = accessories.filter((a) => a.insulating !== true);
  const first = pick(['sealingWasher'], thread, conducting);
  return first.missing === null ? first : pick(['sealingWasher'], thread, accessories);
}

export function pick(
  kinds: readonly AccessoryKind[],
  thread: Thread,
  accessories: readonly Accessory[],
): Stack {
  const found: Accessory[] = [];
  for (const kind of kinds) {
    const accessory = accessories.find((a) => a.kind === kind && sameThread(a.thread, thread));
    if (!accessory) return { found, missing: kind };
    found.push(accessory);
  }
  return { found, missing: null };
}

export const thicknessUm = (accessories: readonly Accessory[]): number =>
  accessories.reduce((sum, a) => sum + toUm(a.thicknessMm), 0);
