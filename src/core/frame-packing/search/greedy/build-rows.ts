import { sparesOwed } from '../../model/frame-request';
import { divides, type RowKind } from '../../model/row-patterns';
import { CountsTable, inList } from './counts-table';
import type { Demand } from './demand';

/** What rows are built from: kinds by falling height, each in the bays of its width. */
export interface RowStock {
  readonly kinds: readonly RowKind[];
  /** 1 where a bay has rows of a kind: bay × kind. */
  readonly stands: CountsTable;
  /** 1 where a row of a kind may hold what a home does, with what lies in it already: home × kind. */
  readonly allowed: CountsTable;
  readonly plate: number;
  readonly share: number;
  /** Spares of each size beside the share. */
  readonly extra: readonly number[];
}

/** Rows for a demand. A place is a home, or after the homes the corner rows of a bay which nobody uses yet. */
export interface BuiltRows {
  /** Rows by place × kind. */
  readonly rows: CountsTable;
  /** Blocks without places yet, by place × kind. */
  readonly free: CountsTable;
  /** Blocks by size, of each place: kind × size. */
  readonly used: readonly CountsTable[];
  /** Rows with a plate each, micrometres. */
  height: number;
}

/** What is built of what for whom. */
interface Site {
  readonly demand: Demand;
  readonly stock: RowStock;
  readonly built: BuiltRows;
}

/**
 * Rows for so many cables in each home and size (`carried`, home × size): sizes from the largest down; each takes the blocks that higher rows
 * have left, and only then rows of its own. Spares stand wherever there is room. Last, low rows that are alike become higher ones, up to kind
 * `tallest`: that saves plates, but high rows are harder to place. `given` (bay × kind) are the corner rows that the openings of each bay have
 * in any case. Null when some size has no row at all.
 */
export function buildRows(
  demand: Demand,
  stock: RowStock,
  carried: CountsTable,
  given: CountsTable,
  tallest: number,
): BuiltRows | null {
  const { sizes, homes, bays } = demand;
  const { kinds } = stock;
  const places = homes.length + bays.length;
  const built: BuiltRows = {
    rows: new CountsTable(places, kinds.length),
    free: new CountsTable(places, kinds.length),
    used: Array.from({ length: places }, () => new CountsTable(kinds.length, sizes.length)),
    height: 0,
  };
  const site: Site = { demand, stock, built };
  for (let bay = 0; bay < bays.length; bay += 1)
    for (let k = 0; k < kinds.length; k += 1) addRows(site, homes.length + bay, k, given.at(bay, k));
  for (let s = 0; s < sizes.length; s += 1) {
    let cables = 0;
    let made = 0;
    let first = -1;
    for (let h = 0; h < homes.length; h += 1) {
      const need = carried.at(h, s);
      if (need === 0) continue;
      if (first < 0) first = h;
      cables += need;
      const room = makePlaces(site, h, s, need);
      if (room < need) return null;
      made += room;
    }
    const spares = sparesOwed(stock.share, cables, stock.extra[s] ?? 0) - (made - cables);
    if (spares > 0 && makeSpares(site, Math.max(0, first), s, spares) < spares) return null;
  }
  for (let h = 0; h < homes.length; h += 1) mergeRows(site, h, tallest);
  for (let place = 0; place < places; place += 1)
    for (const [k, kind] of kinds.entries())
      built.height += built.rows.at(place, k) * (kind.height + stock.plate);
  return built;
}

/** Divides free blocks of a place into places of a size until there are enough; returns how many were made. */
function divideBlocks({ demand, stock, built }: Site, place: number, s: number, need: number): number {
  const size = inList(demand.sizes, s);
  let made = 0;
  // The lowest rows first: their blocks waste least.
  for (let k = stock.kinds.length - 1; k >= 0 && made < need; k -= 1) {
    const kind = inList(stock.kinds, k);
    const free = built.free.at(place, k);
    if (free === 0 || !divides(kind, size)) continue;
    const each = (kind.height / size) ** 2;
    const blocks = Math.min(free, Math.ceil((need - made) / each));
    built.free.add(place, k, -blocks);
    inList(built.used, place).add(k, s, blocks);
    made += blocks * each;
  }
  return made;
}

const unusedOf = ({ demand }: Site, home: number): number =>
  demand.homes.length + inList(demand.homes, home).bay;

function makePlaces(site: Site, home: number, s: number, need: number): number {
  let made = divideBlocks(site, home, s, need);
  while (made < need) {
    const k = rowFor(site, home, s);
    if (k < 0) return made;
    if (inList(site.stock.kinds, k).corner !== null) addRows(site, unusedOf(site, home), k, -1);
    addRows(site, home, k, 1);
    made += divideBlocks(site, home, s, need - made);
  }
  return made;
}

/** Room for spares in what any place has left, then in corner rows, then in a new row beside the first cables of that size. */
function makeSpares(site: Site, home: number, s: number, need: number): number {
  let made = 0;
  for (let place = 0; place < site.built.rows.rows && made < need; place += 1)
    made += divideBlocks(site, place, s, need - made);
  return made < need ? made + makePlaces(site, home, s, need - made) : made;
}

/** The lowest row that a home may have and that has blocks for a size: a corner row that stands there anyway, else a plain one; −1 when there is none. */
function rowFor(site: Site, home: number, s: number): number {
  const { demand, stock, built } = site;
  const { bay } = inList(demand.homes, home);
  const size = inList(demand.sizes, s);
  const unused = unusedOf(site, home);
  let plain = -1;
  for (const [k, kind] of stock.kinds.entries()) {
    if (kind.blocks === 0 || !divides(kind, size) || stock.allowed.at(home, k) === 0) continue;
    if (kind.corner === null) plain = stock.stands.at(bay, k) === 1 ? k : plain;
    else if (built.free.at(unused, k) >= kind.blocks) return k;
  }
  return plain;
}

/** Adds rows whose blocks are free, or takes such away. */
function addRows({ stock, built }: Site, place: number, k: number, count: number): void {
  built.rows.add(place, k, count);
  built.free.add(place, k, count * inList(stock.kinds, k).blocks);
}

/** Turns `n` low rows of a home into one of `n` times their height wherever blocks that are divided alike allow it. */
function mergeRows(site: Site, home: number, tallest: number): void {
  const { kinds, stands } = site.stock;
  const { bay } = inList(site.demand.homes, home);
  const mayMerge = (kind: RowKind, k: number) =>
    kind.corner === null && stands.at(bay, k) === 1 && !kind.undivided && kind.beside.length === 0;
  for (let low = kinds.length - 1; low >= 0; low -= 1)
    for (let high = low - 1; high >= tallest; high -= 1) {
      const [a, b] = [inList(kinds, low), inList(kinds, high)];
      if (!mayMerge(a, low) || !mayMerge(b, high)) continue;
      const n = b.height / a.height;
      if (!Number.isInteger(n) || n < 2) continue;
      while (site.built.rows.at(home, low) >= n && mergeOnce(site, home, { low, high, n }));
    }
}

/** `n` rows of kind `low` into one of kind `high`; false when their blocks are not divided so that it can be done. */
function mergeOnce(
  { demand, stock, built }: Site,
  home: number,
  { low, high, n }: { readonly low: number; readonly high: number; readonly n: number },
): boolean {
  const used = inList(built.used, home);
  const highBlocks = inList(stock.kinds, high).blocks;
  const each = n * n;
  let whole = Math.floor(built.free.at(home, low) / each);
  for (let s = 0; s < demand.sizes.length; s += 1) whole += Math.floor(used.at(low, s) / each);
  if (whole < highBlocks) return false;
  let left = highBlocks;
  for (let s = 0; s < demand.sizes.length && left > 0; s += 1) {
    const blocks = Math.min(left, Math.floor(used.at(low, s) / each));
    used.add(low, s, -blocks * each);
    used.add(high, s, blocks);
    left -= blocks;
  }
  built.free.add(home, low, -left * each);
  built.free.add(home, high, left);
  // `n` low rows have exactly as many blocks as the high row takes.
  if (highBlocks * each !== n * inList(stock.kinds, low).blocks)
    throw new Error('rows of one width have equal room');
  built.rows.add(home, low, -n);
  built.rows.add(home, high, 1);
  return true;
}
