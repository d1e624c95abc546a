import type { IntervalMm } from '@/core/kernel';
import type { MineralSheet, Pot } from './sheet';

/** A mark on the cable, mm from its end: where it is set, and between what it may lie. */
export interface MineralMark {
  readonly id: 'strip' | 'grip' | 'pot' | 'straight';
  readonly title: string;
  readonly atMm: number;
  /** `max` is null where nothing bounds it. */
  readonly within: { readonly min: number; readonly max: number | null };
  readonly see: string;
}

/**
 * Marks of an end from its tail (terminals to the cap). Sheath comes off as far as `tail + cap + depth − inside`; the stripper grips behind that by its
 * own offset; the pot's lower edge lies where the sheath stands inside by the set amount; behind it the cable is straight. `inside` is set in the
 * middle of its span, so that each mark may lie half of the span to either side; those that hang on the strip mark move with it.
 */
export function mineralMarks(
  sheet: MineralSheet,
  pot: Pot,
  gripOffsetMm: number,
  tailMm: number,
): MineralMark[] {
  const { min, max } = pot.insideMm;
  const inside = (min + max) / 2;
  const half = (max - min) / 2;
  const strip = Math.round(tailMm + sheet.capMm + pot.depthMm - inside);
  // Rounding the mark to whole millimetres must leave the sheath within its span.
  const stood = tailMm + sheet.capMm + pot.depthMm - strip;
  const within: IntervalMm = { min: strip - (max - stood), max: strip + (stood - min) };
  const edge = strip + stood;
  return [
    {
      id: 'strip',
      title: 'Sheath off',
      atMm: strip,
      within,
      see: 'Cut square; the powder is not dug out and not blown',
    },
    {
      id: 'grip',
      title: 'Stripper grips',
      atMm: strip + gripOffsetMm,
      within: { min: within.min + gripOffsetMm, max: within.max + gripOffsetMm },
      see: 'The tool turns square on the sheath',
    },
    {
      id: 'pot',
      title: 'Lower edge of the pot',
      atMm: edge,
      within: { min: edge - half, max: edge + half },
      see: `The sheath stands ${min}–${max} mm inside`,
    },
    {
      id: 'straight',
      title: 'Straight up to here',
      atMm: edge + sheet.straightMm,
      within: { min: edge + sheet.straightMm, max: null },
      see: 'No bend that the gland would have to take',
    },
  ];
}
