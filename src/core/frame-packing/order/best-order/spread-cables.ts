import { divides, type RowKind } from '../../model/row-patterns';
import type { Asked } from './asked';
import type { Budget } from './budget';
import { fillBlocks, worseThan, type FillWorth, type TakenRow } from './fill-blocks';
import type { Skeleton } from './skeletons';

/** How many cables of a group stand in a row by one of their options. */
export interface Cell {
  readonly group: number;
  readonly row: number;
  readonly option: number;
  readonly count: number;
}

/** Cables in rows and sizes, and what the blocks are divided into; nothing has its spot in the row yet. */
export interface Spread {
  readonly skeleton: Skeleton;
  readonly cells: readonly Cell[];
  /** For each row how many of its blocks are divided into each size. */
  readonly blocks: readonly (readonly number[])[];
}

export interface SpreadWorth extends FillWorth {
  readonly remeasure: number;
}

export interface BestSpreads {
  readonly worth: SpreadWorth;
  /** All that are worth as much: among them places decide. */
  readonly spreads: readonly Spread[];
}

/** Spreads of equal worth beyond so many are not told apart. */
const MOST_SPREADS = 4000;

interface Spot {
  readonly kind: RowKind;
  readonly opening: number;
}

/**
 * Looks through every way to put the groups' cables into rows and sizes: fewest second measurings, then fewest cables out to reach spares, then
 * cheapest modules. Null when the budget is used up or when too many are equal.
 */
export function bestSpreads(
  asked: Asked,
  skeletons: readonly Skeleton[],
  budget: Budget,
): BestSpreads | null {
  let worth: SpreadWorth | null = null;
  let spreads: Spread[] = [];
  for (const skeleton of skeletons) {
    const search = new SpreadSearch(asked, skeleton, budget, (found, better) => {
      if (better) spreads = [];
      worth = found.worth;
      spreads.push(found.spread);
      return spreads.length <= MOST_SPREADS;
    });
    if (!search.run(worth)) return null;
  }
  return worth === null ? null : { worth, spreads };
}

type Keep = (found: { worth: SpreadWorth; spread: Spread }, better: boolean) => boolean;

class SpreadSearch {
  private readonly spots: readonly Spot[];
  /** Cables by row and size, and in the corner places of each row. */
  private readonly held: number[][];
  private readonly inCorners: number[];
  /** Cables of each circuit by row and by opening; what lies there already counts as one. */
  private readonly rowCircuits: number[][];
  private readonly openingCircuits: number[][];
  private readonly cells: Cell[] = [];
  private best: SpreadWorth | null = null;

  constructor(
    private readonly asked: Asked,
    private readonly skeleton: Skeleton,
    private readonly budget: Budget,
    private readonly keep: Keep,
  ) {
    this.spots = skeleton.openings.flatMap(({ rows }, opening) => rows.map((kind) => ({ kind, opening })));
    const lying = (beside: readonly string[]) => asked.circuits.map((c) => Number(beside.includes(c)));
    this.held = this.spots.map(() => asked.sizes.map(() => 0));
    this.inCorners = this.spots.map(() => 0);
    this.rowCircuits = this.spots.map(({ kind }) => lying(kind.beside));
    this.openingCircuits = skeleton.openings.map(({ rows }) => lying(rows[0]?.beside ?? []));
  }

  /** False when the budget is used up. */
  run(best: SpreadWorth | null): boolean {
    this.best = best;
    return this.group(0, 0, 0);
  }

  private group(g: number, remeasure: number, cost: number): boolean {
    if (!this.budget.spend()) return false;
    if (this.best !== null && remeasure > this.best.remeasure) return true;
    const group = this.asked.groups[g];
    if (!group) return this.settle(remeasure, cost);
    return this.place(g, 0, 0, group.tags.length, remeasure, cost);
  }

  /** Cables of group `g` that are still to be placed, into the row and option at hand and all that come after. */
  private place(
    g: number,
    row: number,
    option: number,
    left: number,
    remeasure: number,
    cost: number,
  ): boolean {
    if (left === 0) return this.group(g + 1, remeasure, cost);
    const group = this.asked.groups[g];
    const choice = group?.options[option];
    if (!group || row >= this.spots.length) return true;
    if (!choice) return this.place(g, row + 1, 0, left, remeasure, cost);
    if (!this.budget.spend()) return false;
    if (this.best !== null && remeasure > this.best.remeasure) return true;
    // None, then one more as long as there is room.
    if (!this.place(g, row, option + 1, left, remeasure, cost)) return false;
    let n = 0;
    let fine = true;
    while (fine && n < left && this.add(row, choice, group.circuit, 1)) {
      n += 1;
      this.cells.push({ group: g, row, option, count: n });
      fine = this.place(
        g,
        row,
        option + 1,
        left - n,
        remeasure + n * choice.remeasure,
        cost + n * choice.cost,
      );
      this.cells.pop();
    }
    for (; n > 0; n -= 1) this.add(row, choice, group.circuit, -1);
    return fine;
  }

  /** One cable more or less in a row; false, and nothing done, where it may not stand or has no room. */
  private add(
    row: number,
    { size, corner }: { size: number; corner: string | null },
    circuit: number,
    by: 1 | -1,
  ): boolean {
    const spot = this.spots[row];
    const held = this.held[row];
    const [inRow, inOpening] = [this.rowCircuits[row], this.openingCircuits[spot?.opening ?? -1]];
    if (!spot || !held || !inRow || !inOpening) throw new Error('a row of the skeleton');
    if (by > 0 && !this.mayStand(circuit, inRow, inOpening)) return false;
    if (size < 0) {
      if (by > 0 && (spot.kind.corner !== corner || (this.inCorners[row] ?? 0) >= 2)) return false;
      this.inCorners[row] = (this.inCorners[row] ?? 0) + by;
    } else {
      if (by > 0 && !divides(spot.kind, this.asked.sizes[size] ?? 1)) return false;
      held[size] = (held[size] ?? 0) + by;
      if (by > 0 && this.blocksTaken(row) > spot.kind.blocks) {
        held[size] = (held[size] ?? 0) - by;
        return false;
      }
    }
    if (circuit >= 0) {
      inRow[circuit] = (inRow[circuit] ?? 0) + by;
      inOpening[circuit] = (inOpening[circuit] ?? 0) + by;
    }
    return true;
  }

  private mayStand(circuit: number, inRow: readonly number[], inOpening: readonly number[]): boolean {
    if (circuit < 0) return true;
    const [row, opening] = [this.asked.notInRow[circuit] ?? 0, this.asked.notInOpening[circuit] ?? 0];
    return (
      inRow.every((n, c) => n === 0 || (row & (1 << c)) === 0) &&
      inOpening.every((n, c) => n === 0 || (opening & (1 << c)) === 0)
    );
  }

  private readonly perBlock = (row: number, size: number): number =>
    ((this.spots[row]?.kind.height ?? 0) / (this.asked.sizes[size] ?? 1)) ** 2;

  private blocksTaken(row: number): number {
    return (this.held[row] ?? []).reduce(
      (sum, n, s) => (n > 0 ? sum + Math.ceil(n / this.perBlock(row, s)) : sum),
      0,
    );
  }

  /** All cables stand in rows: what do the free blocks become, and is it as good as the best? */
  private settle(remeasure: number, cableCost: number): boolean {
    const { asked, best } = this;
    const taken = this.takenRows();
    const carrying = asked.sizes.map((_, s) => this.held.reduce((sum, row) => sum + (row[s] ?? 0), 0));
    const paid = cableCost + this.emptyCorners();
    const limit =
      best === null || remeasure < best.remeasure
        ? { toSpares: Infinity, cost: Infinity }
        : { toSpares: best.toSpares, cost: best.cost - paid };
    const fill = fillBlocks(asked, taken, carrying, limit, this.budget);
    if (!this.budget.spend()) return false;
    if (fill === null) return true;
    const worth = { remeasure, toSpares: fill.toSpares, cost: fill.cost + paid };
    const better = best === null || remeasure < best.remeasure || worseThan(best, worth);
    const spread: Spread = {
      skeleton: this.skeleton,
      cells: [...this.cells],
      blocks: this.held.map((row, r) =>
        row.map((n, s) => (n > 0 ? Math.ceil(n / this.perBlock(r, s)) : 0) + (fill.blocks[r]?.[s] ?? 0)),
      ),
    };
    if (better) this.best = worth;
    return this.keep({ worth, spread }, better);
  }

  private takenRows(): TakenRow[] {
    const cables = this.held.map((row, r) => row.reduce((sum, n) => sum + n, this.inCorners[r] ?? 0));
    return this.spots.map(({ kind, opening }, r) => ({
      height: kind.height,
      undivided: kind.undivided,
      free: kind.blocks - this.blocksTaken(r),
      left: (this.held[r] ?? []).map((n, s) =>
        n > 0 ? Math.ceil(n / this.perBlock(r, s)) * this.perBlock(r, s) - n : 0,
      ),
      out: this.spots.reduce(
        (sum, spot, other) => (spot.opening === opening && other >= r ? sum + (cables[other] ?? 0) : sum),
        0,
      ),
    }));
  }

  private emptyCorners(): number {
    return this.spots.reduce((sum, { kind }, r) => {
      const price = this.asked.request.modules.find((m) => m.id === kind.corner)?.cost ?? 0;
      return kind.corner === null ? sum : sum + (2 - (this.inCorners[r] ?? 0)) * price;
    }, 0);
  }
}
