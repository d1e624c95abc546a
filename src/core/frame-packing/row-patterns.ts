import { toUm } from '@/core/kernel';
import type { FrameModule, FrameOpening, PressPlace } from './frame-request';

/** A kind of row: all rows of one kind may be filled alike. Lengths in micrometres. */
export interface RowKind {
  readonly key: string;
  readonly height: number;
  /** Square blocks of that height between the corners, or over the whole width. */
  readonly blocks: number;
  /** Id of the module in the two outer places; null for a plain row. */
  readonly corner: string | null;
}

/** One way to fill an opening with rows: how many of each kind, where the press unit stands, which fillers. */
export interface RowPattern {
  readonly rows: ReadonlyMap<string, number>;
  readonly press: PressPlace;
  readonly fillers: readonly number[];
  readonly closure: number;
}

export interface OpeningPatterns {
  readonly kinds: ReadonlyMap<string, RowKind>;
  readonly patterns: readonly RowPattern[];
  /** Width, plate, and the most that rows with a plate each may take of the height; micrometres. */
  readonly width: number;
  readonly plate: number;
  readonly room: number;
}

/** More ways than this are not looked through: the opening is far larger than its smallest module. */
const MOST_PATTERNS = 50_000;

const kindKey = (height: number, blocks: number, corner: string | null): string =>
  `${height}x${blocks}${corner === null ? '' : `@${corner}`}`;

/** Sizes of modules that may stand anywhere but in a rounded corner, largest first, micrometres. */
export const plainSizes = (modules: readonly FrameModule[]): number[] =>
  [...new Set(modules.filter((m) => !m.corner).map((m) => toUm(m.size)))].sort((a, b) => b - a);

/**
 * Every way to fill an opening's height with rows, plates, fillers and the press unit. A pattern that another one holds row for row, with
 * more beside it, is left out: spare places cost no frame and no second measuring. Empty when no row fits.
 */
export function openingPatterns(opening: FrameOpening, modules: readonly FrameModule[]): OpeningPatterns {
  const width = toUm(opening.width);
  const kinds = new Map<string, RowKind>();
  for (const size of plainSizes(modules)) {
    if (width % size !== 0) continue;
    const key = kindKey(size, width / size, null);
    kinds.set(key, { key, height: size, blocks: width / size, corner: null });
  }
  const corner = cornerKind(opening, modules);
  const plate = toUm(opening.plate);
  const saved = (press: PressPlace) => (press !== 'inside' && opening.plateAgainstPress ? 0 : plate);
  const places = pressPlaces(opening);
  const room = toUm(opening.height) - toUm(opening.press.min) + Math.max(0, ...places.map(saved));
  if (opening.cornerModule !== undefined && corner === null)
    return { kinds, patterns: [], width, plate, room };
  const plain = [...kinds.values()];
  if (corner !== null) kinds.set(corner.key, corner);
  const found = places.flatMap((press) => patternsFor(opening, plain, corner, press));
  return { kinds, patterns: undominated(found), width, plate, room };
}

/** The row with the rounded corners; null where the opening has none, or none that could be built. */
function cornerKind(opening: FrameOpening, modules: readonly FrameModule[]): RowKind | null {
  const block = modules.find((m) => m.corner && m.id === opening.cornerModule);
  if (!block) return null;
  const size = toUm(block.size);
  const places = toUm(opening.width) / size;
  // Between the corners stand blocks of the corner's height, so some module must divide it.
  const fillable = places === 2 || plainSizes(modules).some((s) => size % s === 0);
  if (!Number.isInteger(places) || places < 2 || !fillable) return null;
  return { key: kindKey(size, places - 2, block.id), height: size, blocks: places - 2, corner: block.id };
}

/** Places where the press unit may stand, the top first. Square openings have no `inside`. */
const pressPlaces = (opening: FrameOpening): PressPlace[] =>
  (['top', 'bottom', 'inside'] as const).filter(
    (p) => opening.press.at.includes(p) && (p !== 'inside' || opening.cornerModule !== undefined),
  );

function patternsFor(
  opening: FrameOpening,
  plain: readonly RowKind[],
  corner: RowKind | null,
  press: PressPlace,
): RowPattern[] {
  const found: RowPattern[] = [];
  const plate = toUm(opening.plate);
  const corners = corner === null ? 0 : press === 'inside' ? 2 : 1;
  const least = toUm(opening.press.min);
  // Each row brings its own plate, but for the one that an end without a plate saves.
  const saved = press !== 'inside' && opening.plateAgainstPress ? 0 : plate;
  const start = toUm(opening.height) + saved - corners * ((corner?.height ?? 0) + plate);
  const counts = plain.map(() => 0);
  const walk = (at: number, left: number, rows: number): void => {
    if (found.length >= MOST_PATTERNS) return;
    const kind = plain[at];
    if (kind === undefined) {
      if (rows === 0) return;
      const fill = chooseFillers(opening, left);
      if (fill === null) return;
      const map = new Map(
        plain.flatMap((k, i) => ((counts[i] ?? 0) > 0 ? [[k.key, counts[i] ?? 0] as const] : [])),
      );
      if (corner !== null) map.set(corner.key, corners);
      found.push({ rows: map, press, ...fill });
      return;
    }
    const step = kind.height + plate;
    for (let n = 0; left - n * step >= least; n += 1) {
      counts[at] = n;
      walk(at + 1, left - n * step, rows + n);
    }
    counts[at] = 0;
  };
  if (start >= least) walk(0, start, corners);
  return found;
}

/** Fewest fillers that bring what is left into the press unit's range; null when none do. */
function chooseFillers(
  opening: FrameOpening,
  left: number,
): { fillers: readonly number[]; closure: number } | null {
  const [min, max] = [toUm(opening.press.min), toUm(opening.press.max)];
  let reached = new Map<number, readonly number[]>([[0, []]]);
  for (const { thickness, max: most } of opening.fillers) {
    const next = new Map(reached);
    for (const [sum, list] of reached)
      for (let n = 1; n <= most; n += 1) {
        const total = sum + n * toUm(thickness);
        if (left - total < min) break;
        const longer = [...list, ...Array.from({ length: n }, () => thickness)];
        const known = next.get(total);
        if (known === undefined || known.length > longer.length) next.set(total, longer);
      }
    reached = next;
  }
  let best: { fillers: readonly number[]; closure: number } | null = null;
  for (const [sum, fillers] of reached) {
    const closure = left - sum;
    if (closure < min || closure > max) continue;
    if (best === null || fillers.length < best.fillers.length) best = { fillers, closure };
  }
  return best;
}

/** Patterns that no other one holds row for row. Of equal ones the first stays. */
function undominated(patterns: readonly RowPattern[]): RowPattern[] {
  const holds = (a: RowPattern, b: RowPattern): boolean =>
    [...b.rows].every(([kind, n]) => (a.rows.get(kind) ?? 0) >= n);
  // One with more rows is never held by one with fewer: sorted so, only those that were kept need be asked.
  const total = (p: RowPattern) => [...p.rows.values()].reduce((sum, n) => sum + n, 0);
  const kept: RowPattern[] = [];
  for (const pattern of [...patterns].sort((a, b) => total(b) - total(a)))
    if (!kept.some((k) => holds(k, pattern))) kept.push(pattern);
  return kept;
}
