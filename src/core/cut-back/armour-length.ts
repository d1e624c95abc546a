import { ok, refuse, type Result } from '@/core/kernel';
import type { ArmourKind, Size } from '@/core/catalogue';
import { trimNumber } from '@/core/units';

/** What a size's ring and cone leave to the armour's length, mm, with what a variant adds; null when the sheet gives none. */
export function armourWindow(size: Size, armour: ArmourKind): { minMm: number; maxMm: number } | null {
  const found = size.armourLengths.find((l) => l.armour.includes(armour));
  if (!found) return null;
  const added = found.addedMm ?? 0;
  return { minMm: found.minMm + added, maxMm: found.maxMm + added };
}

/**
 * Will the parts meet with this much armour laid bare? Too long, and the nut closes on wire instead of metal; too short, and the ring
 * holds nothing. Refused with the numbers. `mm` is the length as cut.
 */
export function checkArmourLength(size: Size, armour: ArmourKind, mm: number): Result<number> {
  const window = armourWindow(size, armour);
  if (window === null) return refuse('armour', `${size.code} gives no armour length`, mm);
  const say = (n: number) => trimNumber(n, 1);
  if (mm > window.maxMm)
    return refuse(
      'armour',
      `${say(mm)} mm of armour is ${say(mm - window.maxMm)} mm longer than ${size.code} takes (${say(window.minMm)}–${say(window.maxMm)} mm): the parts would never meet. Trim it`,
      mm,
    );
  if (mm < window.minMm)
    return refuse(
      'armour',
      `${say(mm)} mm of armour is ${say(window.minMm - mm)} mm shorter than the ring of ${size.code} needs (${say(window.minMm)}–${say(window.maxMm)} mm): cut back and start again`,
      mm,
    );
  return ok(mm);
}
