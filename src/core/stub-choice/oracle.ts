import {
  circleAreas,
  enclose,
  HAIR_MM,
  lowerBound,
  MOST_CIRCLES,
  problemOf,
  shapeArea,
  type Bound,
  type Placed,
} from '@/core/circle-packing';
import { pairOf, type StubCable, type StubsTask } from './request';

/** Do cables lie in a stub together? `never` is proven, `unknown` is neither proven nor found. */
export type Lies =
  | { readonly answer: 'yes'; readonly circles: readonly Placed[] }
  | { readonly answer: 'never'; readonly why: Never }
  | { readonly answer: 'unknown'; readonly shortBy: number };

/** What proves that they do not: the packing's bound, the room that is to stay free, or circuits that are kept apart. */
export type Never =
  | { readonly kind: 'bound'; readonly bound: Bound }
  | { readonly kind: 'spare'; readonly area: number; readonly most: number }
  | { readonly kind: 'apart'; readonly circuits: readonly [string, string] };

/** Two sums of the same figures in another order differ by less. */
const ROUNDING = 1e-9;

const keyOf = (kind: number, cables: readonly StubCable[]): string =>
  `${kind} ${cables
    .map((c) => c.d)
    .sort((a, b) => b - a)
    .join(' ')}`;

/** Answers about sets of cables in kinds of stubs, each asked once: by diameters, for that is all the packing sees. */
export class Oracle {
  private readonly known = new Map<string, Lies>();
  /** Somebody has said that it is enough: nothing more is asked. */
  stopped = false;

  constructor(private readonly task: StubsTask) {}

  /** The first two circuits among cables that are kept apart. */
  private apartIn(cables: readonly StubCable[]): readonly [string, string] | null {
    const { apart } = this.task;
    if (apart.size === 0) return null;
    const circuits = [...new Set(cables.flatMap((c) => c.circuit ?? []))];
    for (const [i, a] of circuits.entries())
      for (const b of circuits.slice(i + 1)) if (apart.has(pairOf(a, b))) return [a, b];
    return null;
  }

  /** May the three largest lie there, as far as it is not proven otherwise? Asked at every step of laying by hand, where all of them would take long. */
  largestLie(kind: number, cables: readonly StubCable[]): boolean {
    const largest = cables
      .map((c) => c.d)
      .sort((a, b) => b - a)
      .slice(0, 3);
    const key = `${kind} ${largest.join(' ')}`;
    const known = this.largest.get(key);
    if (known !== undefined) return known;
    const may = this.neverOf(kind, largest) === null;
    this.largest.set(key, may);
    return may;
  }

  private readonly largest = new Map<string, boolean>();

  /** What proves without any packing that circles do not lie in this kind; null when nothing does. */
  neverOf(kind: number, diameters: readonly number[]): Never | null {
    const shape = this.task.kinds[kind]?.shape;
    if (shape === undefined) throw new Error('there is no such kind of stub');
    const most = (1 - this.task.spareShare) * shapeArea(shape);
    const area = circleAreas(diameters);
    // One that is larger than the stub is said to be so, not to have more area.
    const largest = lowerBound(problemOf(diameters.slice(0, 1), this.task.clearance, shape));
    if (largest.growth > HAIR_MM) return { kind: 'bound', bound: largest };
    if (area > most * (1 + ROUNDING)) return { kind: 'spare', area, most };
    const bound = lowerBound(problemOf(diameters, this.task.clearance, shape));
    return bound.growth > HAIR_MM ? { kind: 'bound', bound } : null;
  }

  /**
   * Do these cables lie in a stub of this kind? `seconds` of the packing's work are spent at most; an answer that was neither is asked again only
   * with more of them.
   */
  *ask(kind: number, cables: readonly StubCable[], seconds: number): Generator<void, Lies, boolean> {
    const circuits = this.apartIn(cables);
    if (circuits !== null) return { answer: 'never', why: { kind: 'apart', circuits } };
    const sorted = cables.map((c) => c.d).sort((a, b) => b - a);
    const key = keyOf(kind, cables);
    const before = this.known.get(key);
    if (before && before.answer !== 'unknown') return before;
    const tried = this.tried.get(key) ?? 0;
    if (before && tried >= seconds) return before;
    const shape = this.task.kinds[kind]?.shape;
    if (shape === undefined) throw new Error('there is no such kind of stub');
    const why = sorted.length > MOST_CIRCLES ? null : this.neverOf(kind, sorted);
    if (why !== null) return this.keep(key, { answer: 'never', why });
    const run = enclose(shape, sorted, {
      clearance: this.task.clearance,
      // Asked again it begins elsewhere.
      seed: (this.task.seed + (tried === 0 ? 0 : Math.round(1000 * seconds))) >>> 0,
      limitSeconds: seconds,
    });
    let step = run.next();
    while (step.done !== true) {
      if (yield) this.stopped = true;
      step = run.next(this.stopped);
    }
    this.tried.set(key, seconds);
    const found = step.value;
    if (found.answer === 'fits') return this.keep(key, { answer: 'yes', circles: found.circles });
    if (found.answer === 'cannot')
      return this.keep(key, { answer: 'never', why: { kind: 'bound', bound: found.bound } });
    return this.keep(key, { answer: 'unknown', shortBy: found.shortBy });
  }

  /** Is it known that these lie there? */
  isKnown(kind: number, cables: readonly StubCable[]): boolean {
    return this.known.get(keyOf(kind, cables))?.answer === 'yes';
  }

  private readonly tried = new Map<string, number>();

  private keep(key: string, answer: Lies): Lies {
    this.known.set(key, answer);
    return answer;
  }
}
