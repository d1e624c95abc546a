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
  /** Its blocks are single modules. */
  readonly undivided: boolean;
  /** Circuits that lie in it already. */
  readonly beside: readonly string[];
}

/** May the blocks of a row be made of modules of this size? Micrometres. */
export const divides = (
  row: { readonly height: number; readonly undivided: boolean },
  size: number,
): boolean => (row.undivided ? row.height === size : row.height % size === 0);

/** One way to fill an opening with rows: how many of each kind, where the press unit stands, which fillers. */
export interface RowPattern {
  readonly rows: ReadonlyMap<string, number>;
  readonly press: PressPlace;
  readonly fillers: readonly number[];
  readonly closure: number;
}

/** One way an opening may be closed: where the press unit stands, how many corner rows there are, and the height left for rows and press unit. */
export interface OpeningClosure {
  readonly press: PressPlace;
  readonly corners: number;
  /** Each plain row takes its height and a plate of it; micrometres. */
  readonly start: number;
  /** Fillers that close what is left without another row; null when none do. */
  fill: (left: number) => Filling | null;
  /** Rows by kind and fillers that close what is left; null when nothing does. */
  complete: (
    left: number,
  ) => { readonly rows: ReadonlyMap<string, number>; readonly filling: Filling } | null;
}

export interface OpeningPatterns {
  readonly kinds: ReadonlyMap<string, RowKind>;
  /** Grows when a plan is found with rows that a better pattern would hold as well. */
  readonly patterns: RowPattern[];
  readonly closures: readonly OpeningClosure[];
  /** Width, plate, and the most that rows with a plate each may take of the height; micrometres. */
  readonly width: number;
  readonly plate: number;
  readonly room: number;
  /** Circuits that lie in each of its rows already. */
  readonly beside: readonly string[];
}

/** Width that a row of a kind fills edge to edge, micrometres. */
export const rowWidth = ({ height, blocks, corner }: RowKind): number =>
  height * (blocks + (corner === null ? 0 : 2));

/** More ways than this are not looked through: the opening is far larger than its smallest module. */
const MOST_PATTERNS = 50_000;

const kindOf = (
  height: number,
  blocks: number,
  corner: string | null,
  { undivided = false, beside = [] }: FrameOpening,
): RowKind => ({
  key: [
    `${height}x${blocks}`,
    corner === null ? '' : `@${corner}`,
    undivided ? '!' : '',
    ...beside.map((circuit) => `+${encodeURIComponent(circuit)}`),
  ].join(''),
  height,
  blocks,
  corner,
  undivided,
  beside,
});

/** Sizes of modules that may stand anywhere but in a rounded corner, largest first, micrometres. */
export const plainSizes = (modules: readonly FrameModule[]): number[] =>
  [...new Set(modules.filter((m) => !m.corner).map((m) => toUm(m.size)))].sort((a, b) => b - a);

/** What is asked of an opening's rows: it decides which patterns can be left out. */
export interface RowDemand {
  /** Sizes of plain modules that any cable may go into, micrometres. */
  readonly sizes: ReadonlySet<number>;
  /** Most sets of circuits that the rows of one opening must be told apart by; 1 when none are kept apart. */
  readonly rowSets: number;
}

/**
 * The ways to fill an opening's height with rows, plates, fillers and the press unit. A pattern that another one holds row for row, with
 * more beside it, is left out, and so is one whose many low rows another pattern holds as a higher one: spare places cost no frame and no
 * second measuring. Empty when no row fits.
 */
export function openingPatterns(
  opening: FrameOpening,
  modules: readonly FrameModule[],
  demand: RowDemand,
): OpeningPatterns {
  const width = toUm(opening.width);
  const kinds = new Map<string, RowKind>();
  for (const size of plainSizes(modules)) {
    if (width % size !== 0) continue;
    const kind = kindOf(size, width / size, null, opening);
    kinds.set(kind.key, kind);
  }
  const corner = cornerKind(opening, modules);
  const plate = toUm(opening.plate);
  const beside = opening.beside ?? [];
  const saved = (press: PressPlace) => (press !== 'inside' && opening.plateAgainstPress ? 0 : plate);
  const places = pressPlaces(opening);
  const room = toUm(opening.height) - toUm(opening.press.min) + Math.max(0, ...places.map(saved));
  if (opening.cornerModule !== undefined && corner === null)
    return { kinds, patterns: [], closures: [], width, plate, room, beside };
  const plain = [...kinds.values()];
  if (corner !== null) kinds.set(corner.key, corner);
  const closures = places.map((press) => closureOf(opening, plain, corner, press));
  // A row beside which nothing closes the opening stands in none.
  for (const { key, height } of plain)
    if (!closures.some((c) => c.complete(c.start - height - plate) !== null)) kinds.delete(key);
  // Single modules cannot be had as a part of a larger one.
  const merging = opening.undivided ? [] : mergers(plain, demand);
  const found = closures.flatMap((closure) => patternsFor(closure, plain, corner, plate, merging));
  return { kinds, patterns: undominated(found, [...kinds.keys()]), closures, width, plate, room, beside };
}

/** From `from` rows of one kind on, `count` of them can always be had as one row of the kind `into`: places in plain kinds. */
interface Merger {
  readonly kind: number;
  readonly from: number;
  readonly count: number;
}

/**
 * When low rows can be had as one higher row. `k` rows of height `h` have as many places as one of `k·h`, but a block of the higher row holds
 * `k²` blocks of the lower ones that must all be divided alike. Among rows that may hold the same circuits, with `T` blocks divided in `B`
 * ways, at least `⌈(T − B·(k² − 1)) / k²⌉` such blocks can be made, and the higher row asks for its own number of them. With `s` sets of
 * circuits one set has a share of at least one in `s` of the rows.
 */
function mergers(plain: readonly RowKind[], { sizes, rowSets }: RowDemand): Merger[] {
  return plain.flatMap((low, kind) =>
    plain.flatMap((high): Merger[] => {
      const count = high.height / low.height;
      if (!Number.isInteger(count) || count < 2) return [];
      const ways = Math.max(1, [...sizes].filter((size) => divides(low, size)).length);
      const blocks = count ** 2 * (high.blocks - 1) + ways * (count ** 2 - 1) + 1;
      const alike = Math.max(count, Math.ceil(blocks / low.blocks));
      return [{ kind, from: rowSets * (alike - 1) + 1, count }];
    }),
  );
}

/** The row with the rounded corners; null where the opening has none, or none that could be built. */
function cornerKind(opening: FrameOpening, modules: readonly FrameModule[]): RowKind | null {
  const block = modules.find((m) => m.corner && m.id === opening.cornerModule);
  if (!block) return null;
  const size = toUm(block.size);
  const places = toUm(opening.width) / size;
  // Between the corners stand blocks of the corner's height, so some module must divide it.
  const kind = kindOf(size, places - 2, block.id, opening);
  const fillable = places === 2 || plainSizes(modules).some((s) => divides(kind, s));
  return Number.isInteger(places) && places >= 2 && fillable ? kind : null;
}

/** Places where the press unit may stand, the top first. Square openings have no `inside`. */
const pressPlaces = (opening: FrameOpening): PressPlace[] =>
  (['top', 'bottom', 'inside'] as const).filter(
    (p) => opening.press.at.includes(p) && (p !== 'inside' || opening.cornerModule !== undefined),
  );

function closureOf(
  opening: FrameOpening,
  plain: readonly RowKind[],
  corner: RowKind | null,
  press: PressPlace,
): OpeningClosure {
  const plate = toUm(opening.plate);
  const corners = corner === null ? 0 : press === 'inside' ? 2 : 1;
  // Each row brings its own plate, but for the one that an end without a plate saves.
  const saved = press !== 'inside' && opening.plateAgainstPress ? 0 : plate;
  const least = toUm(opening.press.min);
  const fillings = new Map<number, Filling | null>();
  const fill = (left: number): Filling | null => {
    if (left < least) return null;
    const before = fillings.get(left);
    if (before !== undefined) return before;
    const made = chooseFillers(opening, left);
    fillings.set(left, made);
    return made;
  };
  const known = new Map<number, ReturnType<OpeningClosure['complete']>>();
  const complete = (left: number): ReturnType<OpeningClosure['complete']> => {
    const before = known.get(left);
    if (before !== undefined) return before;
    const filling = fill(left);
    let made: ReturnType<OpeningClosure['complete']> = filling === null ? null : { rows: new Map(), filling };
    for (const kind of plain) {
      const step = kind.height + plate;
      if (made !== null || left - step < least) continue;
      const rest = complete(left - step);
      if (rest !== null)
        made = { ...rest, rows: new Map([...rest.rows, [kind.key, (rest.rows.get(kind.key) ?? 0) + 1]]) };
    }
    known.set(left, made);
    return made;
  };
  return {
    press,
    corners,
    start: toUm(opening.height) + saved - corners * ((corner?.height ?? 0) + plate),
    fill,
    complete,
  };
}

function patternsFor(
  { press, corners, start, fill }: OpeningClosure,
  plain: readonly RowKind[],
  corner: RowKind | null,
  plate: number,
  merging: readonly Merger[],
): RowPattern[] {
  const found: RowPattern[] = [];
  const counts = plain.map(() => 0);
  const walk = (at: number, left: number, rows: number): void => {
    if (found.length >= MOST_PATTERNS) return;
    const kind = plain[at];
    if (kind === undefined) {
      if (rows === 0) return;
      const filled = fill(left);
      if (filled === null) return;
      // The higher row saves plates; only where the press unit and the fillers take that up is it the better one.
      const merged = merging.some(
        (m) => (counts[m.kind] ?? 0) >= m.from && fill(left + (m.count - 1) * plate) !== null,
      );
      if (merged) return;
      const map = new Map(
        plain.flatMap((k, i) => ((counts[i] ?? 0) > 0 ? [[k.key, counts[i] ?? 0] as const] : [])),
      );
      if (corner !== null) map.set(corner.key, corners);
      found.push({ rows: map, press, ...filled });
      return;
    }
    const step = kind.height + plate;
    for (let n = 0; left - n * step >= 0; n += 1) {
      counts[at] = n;
      walk(at + 1, left - n * step, rows + n);
    }
    counts[at] = 0;
  };
  walk(0, start, corners);
  return found;
}

export interface Filling {
  readonly fillers: readonly number[];
  readonly closure: number;
}

/** Fewest fillers that bring what is left into the press unit's range; null when none do. */
function chooseFillers(opening: FrameOpening, left: number): Filling | null {
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
  let best: Filling | null = null;
  for (const [sum, fillers] of reached) {
    const closure = left - sum;
    if (closure < min || closure > max) continue;
    if (best === null || fillers.length < best.fillers.length) best = { fillers, closure };
  }
  return best;
}

/** Patterns that no other one holds row for row. Of equal ones the first stays. */
function undominated(patterns: readonly RowPattern[], kinds: readonly string[]): RowPattern[] {
  const counted = patterns.map((pattern) => {
    const counts = kinds.map((kind) => pattern.rows.get(kind) ?? 0);
    return { pattern, counts, total: counts.reduce((sum, n) => sum + n, 0) };
  });
  // One with more rows is never held by one with fewer: sorted so, only those that were kept need be asked.
  counted.sort((a, b) => b.total - a.total);
  const kept: typeof counted = [];
  for (const one of counted)
    if (!kept.some((k) => one.counts.every((n, i) => (k.counts[i] ?? 0) >= n))) kept.push(one);
  return kept.map(({ pattern }) => pattern);
}
