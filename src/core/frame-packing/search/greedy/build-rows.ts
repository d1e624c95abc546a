import { sparesOwed } from '../../model/frame-request';
import { divides, type RowKind } from '../../model/row-patterns';
import type { Demand } from './demand';

/** What rows are built from: kinds by falling height, each in the bays of its width. */
export interface RowStock {
  readonly kinds: readonly RowKind[];
  /** Whether a bay has rows of a kind: `bay * kinds + kind`. */
  readonly stands: Uint8Array;
  /** Whether a row of a kind may hold what a home does, with what lies in it already: `home * kinds + kind`. */
  readonly allowed: Uint8Array;
  readonly plate: number;
  readonly share: number;
  /** Spares of each size beside the share. */
  readonly extra: readonly number[];
}

/** Rows for a demand. Arrays by home, then kind; after the homes come corner rows which nobody uses yet, by bay. */
export interface BuiltRows {
  readonly rows: Int32Array[];
  /** Blocks without places yet. */
  readonly free: Int32Array[];
  /** Blocks by size: `kind * sizes + size`. */
  readonly used: Int32Array[];
  /** Rows with a plate each, micrometres. */
  height: number;
}

/**
 * Rows for so many cables in each home and size: sizes from the largest down; each takes the blocks that higher rows have left, and only then
 * rows of its own. Spares stand wherever there is room. Last, low rows that are alike become higher ones, up to kind `tallest`: that saves plates, but high rows are harder to place. `given` are the
 * corner rows that the openings of each bay have in any case. Null when some size has no row at all.
 */
export function buildRows(
  demand: Demand,
  stock: RowStock,
  carried: Int32Array,
  given: readonly Int32Array[],
  tallest: number,
): BuiltRows | null {
  const { sizes, homes, bays } = demand;
  const { kinds } = stock;
  const zero = (length: number) =>
    Array.from({ length: homes.length + bays.length }, () => new Int32Array(length));
  const built: BuiltRows = {
    rows: zero(kinds.length),
    free: zero(kinds.length),
    used: zero(kinds.length * sizes.length),
    height: 0,
  };
  given.forEach((rows, bay) => {
    const at = homes.length + bay;
    for (let k = 0; k < kinds.length; k += 1) {
      built.rows[at]![k] = rows[k]!;
      built.free[at]![k] = rows[k]! * kinds[k]!.blocks;
    }
  });
  for (let s = 0; s < sizes.length; s += 1) {
    let cables = 0;
    let places = 0;
    let first = -1;
    for (let h = 0; h < homes.length; h += 1) {
      const need = carried[h * sizes.length + s]!;
      if (need === 0) continue;
      if (first < 0) first = h;
      cables += need;
      const made = makePlaces(demand, stock, built, h, s, need);
      if (made < need) return null;
      places += made;
    }
    const extra = stock.extra[s] ?? 0;
    const spares = sparesOwed(stock.share, cables, extra) - (places - cables);
    if (spares > 0 && makeSpares(demand, stock, built, Math.max(0, first), s, spares) < spares) return null;
  }
  for (let h = 0; h < homes.length; h += 1) mergeRows(demand, stock, built, h, tallest);
  for (const rows of built.rows)
    for (let k = 0; k < kinds.length; k += 1) built.height += rows[k]! * (kinds[k]!.height + stock.plate);
  return built;
}

/** Divides free blocks of a home into places of a size until there are enough; returns how many were made. */
function divideBlocks(
  demand: Demand,
  stock: RowStock,
  built: BuiltRows,
  r: number,
  s: number,
  need: number,
): number {
  const size = demand.sizes[s]!;
  const free = built.free[r]!;
  let made = 0;
  // The lowest rows first: their blocks waste least.
  for (let k = stock.kinds.length - 1; k >= 0 && made < need; k -= 1) {
    const kind = stock.kinds[k]!;
    if (free[k] === 0 || !divides(kind, size)) continue;
    const each = (kind.height / size) ** 2;
    const blocks = Math.min(free[k]!, Math.ceil((need - made) / each));
    free[k] = free[k]! - blocks;
    const at = k * demand.sizes.length + s;
    built.used[r]![at] = built.used[r]![at]! + blocks;
    made += blocks * each;
  }
  return made;
}

function makePlaces(
  demand: Demand,
  stock: RowStock,
  built: BuiltRows,
  h: number,
  s: number,
  need: number,
): number {
  let made = divideBlocks(demand, stock, built, h, s, need);
  const { bay } = demand.homes[h]!;
  const spareRows = demand.homes.length + bay;
  while (made < need) {
    const k = rowFor(demand, stock, built, h, s);
    if (k < 0) return made;
    if (stock.kinds[k]!.corner !== null) claim(stock, built, spareRows, h, k);
    else addRow(stock, built, h, k);
    made += divideBlocks(demand, stock, built, h, s, need - made);
  }
  return made;
}

/** Room for spares in what any home has left, then in corner rows, then in a new row beside the first cables of that size. */
function makeSpares(
  demand: Demand,
  stock: RowStock,
  built: BuiltRows,
  home: number,
  s: number,
  need: number,
): number {
  let made = 0;
  for (let h = 0; h < built.rows.length && made < need; h += 1)
    made += divideBlocks(demand, stock, built, h, s, need - made);
  return made < need ? made + makePlaces(demand, stock, built, home, s, need - made) : made;
}

/** The lowest row that a home may have and that has blocks for a size: a corner row that stands there anyway, else a plain one; −1 when there is none. */
function rowFor(demand: Demand, stock: RowStock, built: BuiltRows, h: number, s: number): number {
  const { bay } = demand.homes[h]!;
  const size = demand.sizes[s]!;
  const { kinds, stands, allowed } = stock;
  const spare = built.free[demand.homes.length + bay]!;
  let plain = -1;
  for (let k = 0; k < kinds.length; k += 1) {
    const { blocks, corner } = kinds[k]!;
    if (blocks === 0 || !divides(kinds[k]!, size) || allowed[h * kinds.length + k] === 0) continue;
    if (corner === null) plain = stands[bay * kinds.length + k]! === 1 ? k : plain;
    else if (spare[k]! >= blocks) return k;
  }
  return plain;
}

function addRow(stock: RowStock, built: BuiltRows, r: number, k: number): void {
  built.rows[r]![k] = built.rows[r]![k]! + 1;
  built.free[r]![k] = built.free[r]![k]! + stock.kinds[k]!.blocks;
}

function claim(stock: RowStock, built: BuiltRows, from: number, r: number, k: number): void {
  built.rows[from]![k] = built.rows[from]![k]! - 1;
  built.free[from]![k] = built.free[from]![k]! - stock.kinds[k]!.blocks;
  addRow(stock, built, r, k);
}

/** Turns `n` low rows of a home into one of `n` times their height wherever blocks that are divided alike allow it. */
function mergeRows(demand: Demand, stock: RowStock, built: BuiltRows, r: number, tallest: number): void {
  const { kinds, stands } = stock;
  const at = demand.homes[r]!.bay * kinds.length;
  for (let low = kinds.length - 1; low >= 0; low -= 1)
    for (let high = low - 1; high >= tallest; high -= 1) {
      const [a, b] = [kinds[low]!, kinds[high]!];
      if (a.corner !== null || b.corner !== null || stands[at + low] === 0 || stands[at + high] === 0)
        continue;
      if (a.undivided || b.undivided || a.beside.length > 0 || b.beside.length > 0) continue;
      const n = b.height / a.height;
      if (!Number.isInteger(n) || n < 2) continue;
      while (built.rows[r]![low]! >= n && mergeOnce(demand, built, r, low, high, n, b.blocks, a.blocks));
    }
}

function mergeOnce(
  demand: Demand,
  built: BuiltRows,
  r: number,
  low: number,
  high: number,
  n: number,
  highBlocks: number,
  lowBlocks: number,
): boolean {
  const count = demand.sizes.length;
  const used = built.used[r]!;
  const each = n * n;
  let whole = 0;
  for (let s = 0; s < count; s += 1) whole += Math.floor(used[low * count + s]! / each);
  const unused = Math.floor(built.free[r]![low]! / each);
  if (whole + unused < highBlocks) return false;
  let left = highBlocks;
  let taken = 0;
  for (let s = 0; s < count && left > 0; s += 1) {
    const blocks = Math.min(left, Math.floor(used[low * count + s]! / each));
    used[low * count + s] = used[low * count + s]! - blocks * each;
    used[high * count + s] = used[high * count + s]! + blocks;
    left -= blocks;
    taken += blocks * each;
  }
  built.free[r]![low] = built.free[r]![low]! - left * each;
  built.free[r]![high] = built.free[r]![high]! + left;
  taken += left * each;
  // `n` low rows have exactly as many blocks as the high row takes.
  if (taken !== n * lowBlocks) throw new Error('rows of one width have equal room');
  built.rows[r]![low] = built.rows[r]![low]! - n;
  built.rows[r]![high] = built.rows[r]![high]! + 1;
  return true;
}
