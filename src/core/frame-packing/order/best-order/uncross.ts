import type { FrameCable } from '../../model/frame-request';
import type { Asked } from './asked';
import type { Budget } from './budget';
import type { Cell, Spread } from './spread-cables';

/** Where each cable stands: by row, block and place in the block, or a corner place. */
export interface Stand {
  readonly row: number;
  readonly tag: string;
  readonly module: string;
  /** Lower-left corner, µm; y within the row. */
  readonly x: number;
  readonly y: number;
}

export interface Uncrossed {
  readonly crossings: number;
  readonly stands: readonly Stand[];
  /** For each row the size of each block from left to right, by index; −1 where it does not matter. */
  readonly blocks: readonly (readonly number[])[];
}

interface Open {
  readonly cable: FrameCable;
  readonly group: number;
}

/** A block of a row: what it is divided into, −1 while that is open, and cables in each of its columns. */
interface Block {
  size: number;
  readonly columns: number[];
}

/**
 * Spots in the rows for the cables of a spread, with the fewest crossings. Null when there are none with fewer than `below`, or when the budget
 * is used up first; `done` says which.
 */
export function uncross(
  asked: Asked,
  spread: Spread,
  below: number,
  budget: Budget,
): { readonly found: Uncrossed | null; readonly done: boolean } {
  const search = new Uncrossing(asked, spread, below, budget);
  const done = search.run();
  return { found: search.found, done };
}

class Uncrossing {
  found: Uncrossed | null = null;
  private readonly cables: readonly Open[];
  private readonly left: number[];
  private readonly rows: readonly {
    readonly height: number;
    readonly opening: number;
    readonly from: number;
  }[];
  private readonly blocks: readonly Block[][];
  /** Blocks that cables need and that have no spot yet, by row and size. */
  private readonly unset: readonly number[][];
  private readonly corners: readonly [boolean, boolean][];
  private readonly stands: Stand[] = [];

  constructor(
    private readonly asked: Asked,
    private readonly spread: Spread,
    private below: number,
    private readonly budget: Budget,
  ) {
    const known = new Map(asked.request.cables.map((c) => [c.tag, c]));
    // As the trays come: what crosses is then seen early.
    this.cables = asked.groups
      .flatMap(({ tags }, group) =>
        tags.flatMap((tag) => {
          const cable = known.get(tag);
          return cable ? [{ cable, group }] : [];
        }),
      )
      .sort((a, b) => (a.cable.front ?? a.cable.back ?? 0) - (b.cable.front ?? b.cable.back ?? 0));
    this.left = spread.cells.map((c) => c.count);
    const { openings } = spread.skeleton;
    this.rows = openings.flatMap(({ rows }, opening) =>
      rows.map((kind) => ({ height: kind.height, opening, from: kind.corner === null ? 0 : kind.height })),
    );
    const kinds = openings.flatMap(({ rows }) => rows);
    this.blocks = kinds.map((kind) => Array.from({ length: kind.blocks }, () => ({ size: -1, columns: [] })));
    this.unset = kinds.map((kind, r) =>
      asked.sizes.map((size, s) => {
        const here = spread.cells.reduce(
          (sum, c) => (c.row === r && this.sizeOf(c) === s ? sum + c.count : sum),
          0,
        );
        return Math.ceil(here / (kind.height / size) ** 2);
      }),
    );
    this.corners = kinds.map(() => [false, false]);
  }

  run(): boolean {
    return this.put(0, 0);
  }

  private sizeOf(cell: Cell): number {
    return this.asked.groups[cell.group]?.options[cell.option]?.size ?? -1;
  }

  /** False when the budget is used up. Nothing better than no crossing is looked for. */
  private put(at: number, crossings: number): boolean {
    if (!this.budget.spend()) return false;
    if (crossings >= this.below) return true;
    const open = this.cables[at];
    if (!open) {
      this.below = crossings;
      this.found = {
        crossings,
        stands: [...this.stands],
        blocks: this.blocks.map((row) => row.map((b) => b.size)),
      };
      return true;
    }
    return this.spread.cells.every((cell, c) => {
      if (cell.group !== open.group || (this.left[c] ?? 0) === 0) return true;
      this.left[c] = (this.left[c] ?? 0) - 1;
      const size = this.sizeOf(cell);
      const fine =
        size < 0 ? this.inCorners(at, crossings, open, cell) : this.inBlocks(at, crossings, open, cell, size);
      this.left[c] = (this.left[c] ?? 0) + 1;
      return fine;
    });
  }

  private inCorners(at: number, crossings: number, open: Open, cell: Cell): boolean {
    const row = this.rows[cell.row];
    const corners = this.corners[cell.row];
    if (!row || !corners) throw new Error('a row of the skeleton');
    const right = row.height * ((this.blocks[cell.row]?.length ?? 0) + 1);
    return ([0, 1] as const).every((side) => {
      if (corners[side]) return true;
      corners[side] = true;
      const fine = this.stand(at, crossings, open, cell, side === 0 ? 0 : right, 0);
      corners[side] = false;
      return fine;
    });
  }

  private inBlocks(at: number, crossings: number, open: Open, cell: Cell, size: number): boolean {
    const row = this.rows[cell.row];
    const unset = this.unset[cell.row];
    const step = this.asked.sizes[size] ?? 1;
    if (!row || !unset) throw new Error('a row of the skeleton');
    const side = row.height / step;
    return (this.blocks[cell.row] ?? []).every((block, b) => {
      const opens = block.size < 0;
      if (opens ? (unset[size] ?? 0) === 0 : block.size !== size) return true;
      if (opens) {
        block.size = size;
        unset[size] = (unset[size] ?? 0) - 1;
      }
      let fine = true;
      for (let column = 0; fine && column < side; column += 1) {
        const used = block.columns[column] ?? 0;
        if (used >= side) continue;
        block.columns[column] = used + 1;
        const x = row.from + b * row.height + column * step;
        fine = this.stand(at, crossings, open, cell, x, used * step);
        block.columns[column] = used;
      }
      if (opens) {
        block.size = -1;
        unset[size] = (unset[size] ?? 0) + 1;
      }
      return fine;
    });
  }

  private stand(at: number, crossings: number, open: Open, cell: Cell, x: number, y: number): boolean {
    const opening = this.rows[cell.row]?.opening;
    let more = crossings;
    this.stands.forEach((other, i) => {
      const before = this.cables[i]?.cable;
      if (!before || this.rows[other.row]?.opening !== opening) return;
      more += opposed(x - other.x, open.cable, before);
    });
    const option = this.asked.groups[cell.group]?.options[cell.option];
    this.stands.push({ row: cell.row, tag: open.cable.tag, module: option?.module ?? '', x, y });
    const fine = this.put(at + 1, more);
    this.stands.pop();
    return fine;
  }
}

/** On how many sides two cables cross when the first stands `dx` to the right of the second. */
function opposed(dx: number, a: FrameCable, b: FrameCable): number {
  const side = (p: number | undefined, q: number | undefined) =>
    Number(p !== undefined && q !== undefined && dx * (p - q) < 0);
  return side(a.front, b.front) + side(a.back, b.back);
}

/** Lower-left corner of each place of a block, µm within its row. */
export function placesOfBlock(from: number, height: number, size: number): { x: number; y: number }[] {
  const side = height / size;
  return Array.from({ length: side * side }, (_, i) => ({
    x: from + (i % side) * size,
    y: Math.floor(i / side) * size,
  }));
}
