import { seededRandom } from '@/core/kernel';
import { circleArea, circleAreas, shapeArea } from '@/core/circle-packing';
import type { Oracle } from './oracle';
import { pairOf, type StubCable, type StubsTask } from './request';

/** A stub that is used, and what lies in it. */
export interface Bin {
  readonly kind: number;
  readonly cables: StubCable[];
}

/** `none` is proven; `open` is neither found nor proven. */
export type Filled =
  { readonly answer: 'found'; readonly bins: readonly Bin[] } | { readonly answer: 'none' | 'open' };

export type Run<T> = Generator<void, T, boolean>;

export interface Effort {
  /** Steps of the search that goes over every assignment. */
  readonly steps: number;
  /** Seconds of packing for a set that decides, and for one on the way to it. */
  readonly decides: number;
  readonly onTheWay: number;
}

const byRoom = (a: StubCable, b: StubCable): number =>
  b.d - a.d || (a.circuit ?? '').localeCompare(b.circuit ?? '') || a.tag.localeCompare(b.tag);
const alike = (a: StubCable | undefined, b: StubCable | undefined): boolean =>
  a !== undefined && b !== undefined && a.d === b.d && a.circuit === b.circuit;
const contentOf = ({ kind, cables }: Bin): string =>
  `${kind} ${cables.map((c) => `${c.d}${c.circuit ?? ''}`).join(' ')}`;

/**
 * Goes over every way to lay cables into these stubs, the largest cable first, until one lies. What is alike is tried once. `none` only when every
 * way was gone and each ended at a proof.
 */
export function* fillExactly(
  task: StubsTask,
  oracle: Oracle,
  kinds: readonly number[],
  effort: Effort,
): Run<Filled> {
  const cables = [...task.cables].sort(byRoom);
  const bins: Bin[] = kinds.map((kind) => ({ kind, cables: [] }));
  const rooms = kinds.map((k) => usable(task, k));
  const left = cables.map((_, i) => circleAreas(cables.slice(i).map((c) => c.d)));
  let steps = 0;
  let open = false;

  function* lay(i: number, from: number): Run<boolean> {
    if (i === cables.length) return yield* whole();
    const cable = cables[i];
    if (!cable) return false;
    const free = bins.map((b, k) => (rooms[k] ?? 0) - circleAreas(b.cables.map((c) => c.d)));
    if (free.reduce((a, b) => a + Math.max(0, b), 0) < (left[i] ?? 0) * (1 - 1e-9)) return false;
    // One like the last goes into the same stub or a later one: the other way round is the same.
    const first = alike(cables[i - 1], cable) ? from : 0;
    const tried = new Set<string>();
    for (const k of bins.keys()) {
      const bin = bins[k];
      if (!bin || k < first) continue;
      const content = contentOf(bin);
      if (tried.has(content)) continue;
      tried.add(content);
      steps += 1;
      if (yield) oracle.stopped = true;
      if (steps > effort.steps || oracle.stopped) {
        open = true;
        return false;
      }
      bin.cables.push(cable);
      const lies = yield* oracle.ask(bin.kind, bin.cables, effort.onTheWay);
      if (lies.answer !== 'never' && (yield* lay(i + 1, k))) return true;
      bin.cables.pop();
      if (steps > effort.steps || oracle.stopped) return false;
    }
    return false;
  }

  function* whole(): Run<boolean> {
    for (const bin of bins) {
      const lies = yield* oracle.ask(bin.kind, bin.cables, effort.decides);
      if (lies.answer === 'unknown') open = true;
      if (lies.answer !== 'yes') return false;
    }
    return true;
  }

  if (yield* lay(0, 0)) return { answer: 'found', bins };
  return { answer: open ? 'open' : 'none' };
}

/** Area of a stub that cables may take. */
export const usable = ({ kinds, spareShare }: StubsTask, kind: number): number => {
  const shape = kinds[kind]?.shape;
  return shape === undefined ? 0 : (1 - spareShare) * shapeArea(shape);
};

/** How long a stub is looked at, and how often something is moved to another. */
export interface Care {
  readonly seconds: number;
  readonly repairs: number;
}

/** How much closer than all of them alike one stub may be filled: alike first, that is the loosest for each. */
const CLOSER = [1.01, 1.03, 1.06, 1.1, 1.16] as const;
/** No stub is filled closer than this by several cables. */
export const CLOSEST = 0.92;
/** On the way a stub is looked at with this share of the work. */
const QUICK = 0.2;

/**
 * Lays cables into these stubs as a person would: the largest first, each where the least room is left, no stub filled closer than a share of its
 * area; then what does not lie in its stub is moved to another. Finds, or does not; proves nothing.
 */
export function* fillByRoom(
  task: StubsTask,
  oracle: Oracle,
  kinds: readonly number[],
  care: Care,
): Run<Filled> {
  const random = seededRandom(task.seed);
  const area = circleAreas(task.cables.map((c) => c.d));
  const room = kinds.reduce((sum, k) => sum + shapeArea(task.kinds[k]?.shape ?? NOTHING), 0);
  for (const closer of CLOSER) {
    const closeness = (closer * area) / room;
    if (closeness > CLOSEST) break;
    const bins: Bin[] = kinds.map((kind) => ({ kind, cables: [] }));
    if (!laidByRoom(task, oracle, bins, closeness)) continue;
    if (yield* repaired(task, oracle, bins, care, random)) return { answer: 'found', bins };
    if (oracle.stopped) break;
  }
  return { answer: 'open' };
}

/** Sizes that differ by no more than this share may change places. */
const LUCK = 0.1;
/** What is moved out of a tight stub is asked about in so many places. */
const MOST_ASKED = 16;

/** The share of a stub's area that cables take. */
export const closenessOf = (task: StubsTask, kind: number, cables: readonly StubCable[]): number =>
  circleAreas(cables.map((c) => c.d)) / shapeArea(task.kinds[kind]?.shape ?? NOTHING);

const NOTHING = { kind: 'circle', d: 0 } as const;

/** Stubs are opened one after the other and filled no closer than this. */
const LOOSE = [0.66, 0.56, 0.44] as const;

/**
 * Lays cables into stubs that are opened as they are needed, each time the one that costs least for its area, and none of them filled close: what
 * holds them all is found at once, at whatever cost. `whole` says that it was; else some of the stubs may hold what lies in them.
 */
export function* fillLoosely(
  task: StubsTask,
  oracle: Oracle,
  care: Care,
): Run<{ readonly whole: boolean; readonly bins: readonly Bin[] }> {
  const random = seededRandom(task.seed);
  let bins: readonly Bin[] = [];
  for (const closeness of LOOSE) {
    const laid = laidLoosely(task, oracle, closeness);
    if (laid === null) continue;
    bins = laid;
    if (yield* repaired(task, oracle, laid, care, random)) return { whole: true, bins };
    if (oracle.stopped) break;
  }
  return { whole: false, bins };
}

/** Null where the stubs on offer do not suffice so. */
function laidLoosely(task: StubsTask, oracle: Oracle, closeness: number): Bin[] | null {
  const dear = (k: number) => (task.kinds[k]?.cost ?? 0) / shapeArea(task.kinds[k]?.shape ?? NOTHING);
  const kinds = [...task.kinds.keys()].sort((a, b) => dear(a) - dear(b));
  const bins: Bin[] = [];
  const used = new Map<number, number>();
  const holds = (bin: Bin, cable: StubCable): boolean => {
    const more = [...bin.cables, cable];
    return (
      goes(task, bin, cable) &&
      closenessOf(task, bin.kind, more) <= Math.min(closeness, 1 - task.spareShare) &&
      oracle.largestLie(bin.kind, more)
    );
  };
  for (const cable of [...task.cables].sort(byRoom)) {
    const bin = bins.find((b) => holds(b, cable));
    if (bin !== undefined) {
      bin.cables.push(cable);
      continue;
    }
    const kind = kinds.find(
      (k) => (used.get(k) ?? 0) < (task.kinds[k]?.available ?? 0) && oracle.largestLie(k, [cable]),
    );
    if (kind === undefined) return null;
    used.set(kind, (used.get(kind) ?? 0) + 1);
    bins.push({ kind, cables: [cable] });
  }
  return bins;
}

const goes = ({ apart }: StubsTask, { cables }: Bin, cable: StubCable): boolean =>
  apart.size === 0 ||
  cable.circuit === null ||
  cables.every((c) => c.circuit === null || !apart.has(pairOf(c.circuit, cable.circuit ?? '')));

function laidByRoom(task: StubsTask, oracle: Oracle, bins: readonly Bin[], closeness: number): boolean {
  const free = bins.map(({ kind }) =>
    Math.min(usable(task, kind), closeness * shapeArea(task.kinds[kind]?.shape ?? NOTHING)),
  );
  const order = [...task.cables].sort(byRoom);
  for (const cable of order) {
    const area = circleArea(cable.d);
    const choice = bins
      .map((bin, k) => ({ bin, k, left: (free[k] ?? 0) - area }))
      // One alone may fill its stub however closely.
      .filter(({ bin, left }) => (left >= 0 || bin.cables.length === 0) && goes(task, bin, cable))
      .sort((a, b) => Number(a.left < 0) - Number(b.left < 0) || a.left - b.left)
      .find(({ bin }) => oracle.largestLie(bin.kind, [...bin.cables, cable]));
    if (choice === undefined) return false;
    choice.bin.cables.push(cable);
    free[choice.k] = choice.left;
  }
  return true;
}

function* repaired(
  task: StubsTask,
  oracle: Oracle,
  bins: readonly Bin[],
  { seconds, repairs }: Care,
  random: () => number,
): Run<boolean> {
  for (let again = 0; again < repairs && !oracle.stopped; again += 1) {
    let tight: Bin | null = null;
    for (const bin of bins) {
      const quick = yield* oracle.ask(bin.kind, bin.cables, seconds * QUICK);
      const lies =
        quick.answer === 'unknown' && again === 0 ? yield* oracle.ask(bin.kind, bin.cables, seconds) : quick;
      if (lies.answer !== 'yes') {
        tight = bin;
        break;
      }
    }
    if (tight === null) return true;
    if (!(yield* eased(task, oracle, bins, tight, seconds, random))) return false;
  }
  return false;
}

/** Moves one cable out of a stub that is too tight into another where it lies; the smaller the likelier. */
function* eased(
  task: StubsTask,
  oracle: Oracle,
  bins: readonly Bin[],
  tight: Bin,
  seconds: number,
  random: () => number,
): Run<boolean> {
  // Chance is drawn once for each: what is compared must not change while it is sorted.
  const out = tight.cables
    .map((cable) => ({ cable, rank: cable.d * (1 + LUCK * random()) }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ cable }) => cable);
  let asked = 0;
  for (const cable of out) {
    for (const other of bins) {
      if (other === tight || !goes(task, other, cable)) continue;
      const more = [...other.cables, cable];
      if (!oracle.largestLie(other.kind, more)) continue;
      if (closenessOf(task, other.kind, more) > CLOSEST) continue;
      asked += 1;
      const lies = yield* oracle.ask(other.kind, more, seconds * QUICK);
      if (oracle.stopped || asked > MOST_ASKED) return false;
      if (lies.answer !== 'yes') continue;
      other.cables.push(cable);
      tight.cables.splice(tight.cables.indexOf(cable), 1);
      return true;
    }
  }
  return false;
}
