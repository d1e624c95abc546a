import type { CouplerSheet, CouplerSize } from '@/core/catalogue';
import { ok, refuse, toUm, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';

export type GapRule = CouplerSheet['gap'];

/** Tape that closes a gap: so many lanes of this width beside one another, each of so many turns. */
export interface TapeFill {
  readonly widthMm: number;
  readonly lanes: number;
  readonly turns: number;
}

/** What a gap between stem and insulation asks for. */
export type GapAnswer =
  | { readonly answer: 'holds' }
  | ({ readonly answer: 'tape' } & TapeFill)
  | { readonly answer: 'cutAgain'; readonly overMm: number };

/** How deep tape must be wound: from the conductor up to the insulation's own surface, mm. */
export const radialMm = (coreMm: number, conductorMm: number): number =>
  Math.max(0, (coreMm - conductorMm) / 2);

/**
 * Tape for a gap, mm: the widest that does not ride on stem or insulation, in as many lanes as cover the gap, each wound up to the insulation. A
 * sheet whose narrowest tape is wider than the gap has none for it: null.
 */
export function tapeFor(
  { tapeThicknessMm, tapeWidthsMm }: GapRule,
  gapMm: number,
  deepMm: number,
): TapeFill | null {
  const widthMm = Math.max(...tapeWidthsMm.filter((w) => toUm(w) <= toUm(gapMm)));
  if (!Number.isFinite(widthMm)) return null;
  return {
    widthMm,
    lanes: Math.ceil(gapMm / widthMm - 1e-9),
    turns: Math.max(1, Math.ceil(deepMm / tapeThicknessMm - 1e-9)),
  };
}

/** What is to be done at a gap of this width, mm: nothing, tape, or cut again. Up to a limit counts as within it. */
export function judgeGap(rule: GapRule, gapMm: number, deepMm: number): GapAnswer {
  if (toUm(gapMm) <= toUm(rule.openMm)) return { answer: 'holds' };
  if (toUm(gapMm) > toUm(rule.tapedMm)) return { answer: 'cutAgain', overMm: gapMm - rule.tapedMm };
  const tape = tapeFor(rule, gapMm, deepMm);
  return tape === null ? { answer: 'cutAgain', overMm: gapMm - rule.openMm } : { answer: 'tape', ...tape };
}

/** Tape by gap, up to each width at which another lane or another tape is needed: what a fitter reads at the bench. */
export function tapeTable(rule: GapRule, deepMm: number): (TapeFill & { readonly upToMm: number })[] {
  const rows: (TapeFill & { upToMm: number })[] = [];
  const grid = 0.1;
  const first = Math.floor(rule.openMm / grid + 1e-9) + 1;
  const last = Math.floor(rule.tapedMm / grid + 1e-9);
  for (let i = first; i <= last; i += 1) {
    const upToMm = i * grid;
    const tape = tapeFor(rule, upToMm, deepMm);
    if (tape === null) continue;
    const before = rows.at(-1);
    if (before?.widthMm === tape.widthMm && before.lanes === tape.lanes) before.upToMm = upToMm;
    else rows.push({ ...tape, upToMm });
  }
  return rows;
}

export type Stem = Pick<CouplerSize, 'stemDepthMm' | 'screwsAtMm' | 'holdMm'>;

/** The least of a conductor that must stand in its stem, mm: beyond its farthest screw, or by what solder holds. */
export const leastInStemMm = ({ screwsAtMm, holdMm }: Stem): number => Math.max(0, ...screwsAtMm) + holdMm;

/**
 * How much may be trimmed off a conductor of `bareMm` (its least), mm, so that its screws still hold. Refused where they do not hold it as it is.
 */
export function mayTrimMm(stem: Stem, bareMm: number): Result<number> {
  const stands = Math.min(bareMm, stem.stemDepthMm);
  const spare = stands - leastInStemMm(stem);
  return spare < -1e-9
    ? refuse(
        'bareMm',
        `${trimNumber(stands, 1)} mm of conductor stand in the stem, and its hold asks for ${trimNumber(leastInStemMm(stem), 1)} mm: ${trimNumber(-spare, 1)} mm short`,
        bareMm,
      )
    : ok(Math.max(0, spare));
}
