import { circleArea, circleAreas, mostOfSize, shapeArea } from '@/core/circle-packing';
import { pairOf, type StubsTask } from './request';

/** How many of each kind: in the order of the kinds. */
export type Counts = readonly number[];

/** What every choice of stubs has to bring together: `each` of a kind for `need`. */
interface Demand {
  readonly each: readonly number[];
  readonly need: number;
}

/** At so many sizes of cable it is counted how many a stub takes at most. */
const MOST_SIZES = 16;
const ROUNDING = 1e-9;

/**
 * What is proven of every choice of stubs that holds all cables: area enough, room enough for those of each size and larger (each taken as small as
 * the least of them), and a stub for each of several circuits that are all kept apart.
 */
export function demandsOf(task: StubsTask): Demand[] {
  const { cables, kinds, spareShare, clearance } = task;
  const all = cables.map((c) => c.d);
  const demands: Demand[] = [
    {
      each: kinds.map((k) => (1 - spareShare) * shapeArea(k.shape)),
      need: circleAreas(all) * (1 - ROUNDING),
    },
  ];
  const sizes = [...new Set(all)].sort((a, b) => b - a);
  const step = Math.max(1, Math.ceil(sizes.length / MOST_SIZES));
  for (const size of sizes.filter((_, i) => i % step === 0 || i === sizes.length - 1)) {
    const need = all.filter((d) => d >= size).length;
    demands.push({
      each: kinds.map(({ shape }) =>
        Math.min(
          need,
          mostOfSize(shape, size, clearance),
          Math.floor(((1 - spareShare) * shapeArea(shape) * (1 + ROUNDING)) / circleArea(size)),
        ),
      ),
      need,
    });
  }
  const clique = keptApart(task);
  if (clique > 1) demands.push({ each: kinds.map(() => 1), need: clique });
  return demands;
}

/** Circuits that are all kept apart from one another: as many as are found one after the other. */
function keptApart({ cables, apart }: StubsTask): number {
  const circuits = [...new Set(cables.flatMap((c) => c.circuit ?? []))];
  let most = circuits.length > 0 ? 1 : 0;
  for (const first of circuits) {
    const chosen = [first];
    for (const c of circuits) if (c !== first && chosen.every((k) => apart.has(pairOf(k, c)))) chosen.push(c);
    most = Math.max(most, chosen.length);
  }
  return most;
}

interface Node {
  readonly counts: readonly number[];
  readonly cost: number;
  readonly atLeast: number;
}

/**
 * Choices of stubs that bring what is demanded, in the order of their cost: whatever is not among them is proven not to hold the cables. Ends after
 * the last, which is there because of no kind more are used than there are cables.
 */
export function* choicesInOrder(
  { kinds, cables }: StubsTask,
  demands: readonly Demand[],
): Generator<{ readonly counts: Counts; readonly cost: number } | null, void> {
  // Dear ones first: then few are left open for long.
  const order = kinds.map((_, k) => k).sort((a, b) => (kinds[b]?.cost ?? 0) - (kinds[a]?.cost ?? 0));
  const leastFor = (counts: readonly number[], depth: number): number => {
    let least = 0;
    for (const { each, need } of demands) {
      let lacks = need;
      for (let i = 0; i < depth; i += 1) lacks -= (counts[i] ?? 0) * (each[order[i] ?? 0] ?? 0);
      if (lacks <= 0) continue;
      const rest = order
        .slice(depth)
        .map((k) => ({ each: each[k] ?? 0, cost: kinds[k]?.cost ?? 0, most: kinds[k]?.available ?? 0 }))
        .filter((k) => k.each > 0)
        .sort((a, b) => a.cost / a.each - b.cost / b.each);
      let cost = 0;
      for (const k of rest) {
        const share = Math.min(k.most, lacks / k.each);
        cost += share * k.cost;
        lacks -= share * k.each;
        if (lacks <= ROUNDING) break;
      }
      if (lacks > ROUNDING) return Infinity;
      least = Math.max(least, cost);
    }
    return least;
  };
  const queue = new Queue();
  const push = (counts: readonly number[], cost: number) => {
    if (counts.reduce((a, b) => a + b, 0) > cables.length) return;
    const least = leastFor(counts, counts.length);
    if (least < Infinity) queue.push({ counts, cost, atLeast: cost + least });
  };
  push([], 0);
  for (let node = queue.pop(); node !== null; node = queue.pop()) {
    const depth = node.counts.length;
    if (depth === order.length) {
      const counts = kinds.map((_, k) => node?.counts[order.indexOf(k)] ?? 0);
      yield { counts, cost: node.cost };
      continue;
    }
    const kind = kinds[order[depth] ?? 0];
    for (let n = 0; n <= (kind?.available ?? 0); n += 1) {
      push([...node.counts, n], node.cost + n * (kind?.cost ?? 0));
      // Somebody may want to stop.
      if (n % 32 === 0) yield null;
    }
  }
}

/** The least first: a binary heap. Of equal ones the one that is decided farther. */
class Queue {
  private readonly heap: Node[] = [];

  private before(i: number, j: number): boolean {
    const [a, b] = [this.heap[i], this.heap[j]];
    if (!a || !b) return false;
    return a.atLeast < b.atLeast || (a.atLeast === b.atLeast && a.counts.length > b.counts.length);
  }

  private swap(i: number, j: number): void {
    const [a, b] = [this.heap[i], this.heap[j]];
    if (a && b) [this.heap[i], this.heap[j]] = [b, a];
  }

  push(node: Node): void {
    this.heap.push(node);
    let i = this.heap.length - 1;
    while (i > 0) {
      const parent = (i - 1) >> 1;
      if (!this.before(i, parent)) return;
      this.swap(i, parent);
      i = parent;
    }
  }

  pop(): Node | null {
    const [first] = this.heap;
    const last = this.heap.pop();
    if (!first || !last) return null;
    if (this.heap.length > 0) {
      this.heap[0] = last;
      let i = 0;
      for (;;) {
        let least = i;
        for (const child of [2 * i + 1, 2 * i + 2]) if (this.before(child, least)) least = child;
        if (least === i) break;
        this.swap(i, least);
        i = least;
      }
    }
    return first;
  }
}
