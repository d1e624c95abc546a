import type { Problem } from './model';

/** A container of a fixed size, centred on 0, 0. */
export type Container = Problem['wall'];

/** Width of a cell over the radius of the largest circle: as it is laid, and between which it stays. */
const [TOO_NARROW, WIDE, TOO_WIDE] = [0.6, 0.7, 0.85];
/** Nothing grows by more than this share at once: farther circles are not looked at. */
const AT_ONCE = 1.03;
/** Pairs that take as long as one look at a place, besides the pairs themselves. */
const LOOK_WORK = 20;

/**
 * Circles in a fixed container that nowhere overlap; all of them larger by the factor `growth`, which is as large as their gaps allow. Who lies
 * near is read from square cells.
 */
export class Discs {
  readonly x: Float64Array;
  readonly y: Float64Array;
  growth = 0;
  /** What was looked at so far, about as many pairs. */
  work = 0;
  private readonly n: number;
  private readonly a: number;
  private readonly b: number;
  private cell = 1;
  private columns = 1;
  private rows = 1;
  private first = new Int32Array(0);
  private readonly next: Int32Array;
  private readonly before: Int32Array;
  private readonly where: Int32Array;

  /** `at` holds x, y of each circle, as many as radii, all within the container; `radii` are in falling order. */
  constructor(
    private readonly container: Container,
    private readonly radii: Float64Array,
    at: Float64Array,
  ) {
    this.n = radii.length;
    [this.a, this.b] = container.kind === 'circle' ? [container.r, container.r] : [container.a, container.b];
    this.x = Float64Array.from(radii, (_, i) => at[2 * i] ?? 0);
    this.y = Float64Array.from(radii, (_, i) => at[2 * i + 1] ?? 0);
    this.next = new Int32Array(this.n);
    this.before = new Int32Array(this.n);
    this.where = new Int32Array(this.n);
    this.layCells(2 * Math.max(this.a, this.b));
    this.grow(this.most());
  }

  /** Takes a growth that is no more than `most`. */
  grow(growth: number): void {
    this.growth = growth;
    const radius = (this.radii[0] ?? 0) * growth;
    if (this.cell < radius * TOO_NARROW || this.cell > radius * TOO_WIDE) this.layCells(radius * WIDE);
  }

  /** May circle `i` lie at x, y, the circle `but` not looked at? */
  free(i: number, x: number, y: number, but: number): boolean {
    const { growth, radii, first, next, columns } = this;
    this.work += LOOK_WORK;
    const mine = radii[i] ?? 0;
    if (!this.inside(x, y, growth * mine)) return false;
    const reach = growth * (mine + (radii[0] ?? 0));
    const [left, right] = [this.columnOf(x - reach), this.columnOf(x + reach)];
    const top = this.rowOf(y + reach);
    for (let q = this.rowOf(y - reach); q <= top; q += 1)
      for (let c = left; c <= right; c += 1)
        for (let j = first[q * columns + c] ?? -1; j >= 0; j = next[j] ?? -1) {
          if (j === i || j === but) continue;
          this.work += 1;
          const dx = (this.x[j] ?? 0) - x;
          const dy = (this.y[j] ?? 0) - y;
          const apart = growth * (mine + (radii[j] ?? 0));
          if (dx * dx + dy * dy < apart * apart) return false;
        }
    return true;
  }

  /** May `i` and `j` take each other's places? */
  mayExchange(i: number, j: number): boolean {
    const [xi, yi, xj, yj] = [this.x[i] ?? 0, this.y[i] ?? 0, this.x[j] ?? 0, this.y[j] ?? 0];
    // They stay as far from each other as they are.
    return this.free(i, xj, yj, j) && this.free(j, xi, yi, i);
  }

  exchange(i: number, j: number): void {
    const [xi, yi] = [this.x[i] ?? 0, this.y[i] ?? 0];
    this.move(i, this.x[j] ?? 0, this.y[j] ?? 0);
    this.move(j, xi, yi);
  }

  move(i: number, x: number, y: number): void {
    this.x[i] = x;
    this.y[i] = y;
    const cell = this.rowOf(y) * this.columns + this.columnOf(x);
    if (cell === this.where[i]) return;
    this.takeOut(i);
    this.putIn(i, cell);
  }

  /** The largest growth that their places allow; at once no more than by a little. */
  most(): number {
    const { n, radii, first, next, columns } = this;
    let most = this.growth === 0 ? Infinity : this.growth * AT_ONCE;
    for (let i = 0; i < n; i += 1) {
      const [x, y, r] = [this.x[i] ?? 0, this.y[i] ?? 0, radii[i] ?? 0];
      most = Math.min(most, this.toWall(x, y) / r);
      // Each pair is seen from the larger of the two.
      const reach = most * 2 * r;
      const [left, right] = [this.columnOf(x - reach), this.columnOf(x + reach)];
      const top = this.rowOf(y + reach);
      for (let q = this.rowOf(y - reach); q <= top; q += 1)
        for (let c = left; c <= right; c += 1)
          for (let j = first[q * columns + c] ?? -1; j >= 0; j = next[j] ?? -1) {
            if (j <= i) continue;
            this.work += 1;
            const dx = (this.x[j] ?? 0) - x;
            const dy = (this.y[j] ?? 0) - y;
            const apart = r + (radii[j] ?? 0);
            const square = dx * dx + dy * dy;
            if (square < most * most * apart * apart) most = Math.sqrt(square) / apart;
          }
    }
    return most;
  }

  /** The arrangement with circles of their own size; the container as much smaller. */
  shrunk(): Float64Array {
    const at = new Float64Array(2 * this.n + 1);
    for (let i = 0; i < this.n; i += 1) {
      at[2 * i] = (this.x[i] ?? 0) / this.growth;
      at[2 * i + 1] = (this.y[i] ?? 0) / this.growth;
    }
    return at;
  }

  private inside(x: number, y: number, r: number): boolean {
    const within = this.a - r;
    if (this.container.kind === 'circle') return within >= 0 && x * x + y * y <= within * within;
    return Math.abs(x) <= within && Math.abs(y) <= this.b - r;
  }

  private toWall(x: number, y: number): number {
    return this.container.kind === 'circle'
      ? this.a - Math.sqrt(x * x + y * y)
      : Math.min(this.a - Math.abs(x), this.b - Math.abs(y));
  }

  private columnOf(x: number): number {
    return Math.min(this.columns - 1, Math.max(0, Math.floor((x + this.a) / this.cell)));
  }

  private rowOf(y: number): number {
    return Math.min(this.rows - 1, Math.max(0, Math.floor((y + this.b) / this.cell)));
  }

  private layCells(width: number): void {
    this.cell = width;
    this.columns = Math.max(1, Math.ceil((2 * this.a) / width));
    this.rows = Math.max(1, Math.ceil((2 * this.b) / width));
    this.first = new Int32Array(this.columns * this.rows).fill(-1);
    for (let i = 0; i < this.n; i += 1)
      this.putIn(i, this.rowOf(this.y[i] ?? 0) * this.columns + this.columnOf(this.x[i] ?? 0));
  }

  private putIn(i: number, cell: number): void {
    const head = this.first[cell] ?? -1;
    this.where[i] = cell;
    this.next[i] = head;
    this.before[i] = -1;
    if (head >= 0) this.before[head] = i;
    this.first[cell] = i;
  }

  private takeOut(i: number): void {
    const [before, next] = [this.before[i] ?? -1, this.next[i] ?? -1];
    if (before >= 0) this.next[before] = next;
    else this.first[this.where[i] ?? 0] = next;
    if (next >= 0) this.before[next] = before;
  }
}
