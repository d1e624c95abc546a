import {
  decideFrames,
  fewerIn,
  relaxedRows,
  rowsAround,
  rowsWhole,
  solve,
  wholeOnly,
  type Computation,
  type Trial,
} from './decide-frames';
import type { FrameCounts } from '../model/frame-counts';
import { programFor } from '../model/frame-model';
import { multisetsByCost, sameCost, type FrameMultiset } from '../model/frame-multisets';
import type { FrameSetting } from '../model/frame-setting';
import { rowBuilder, type RowBuilder } from './greedy/search';
import { areaIn, leastArea } from './least-area';
import { weakerThan } from './weaker-frames';

export interface FoundFrames {
  readonly frames: FrameMultiset;
  readonly counts: FrameCounts;
  readonly cost: number;
  /** Places to measure again, and fewer than which no plan of that cost has. */
  readonly remeasure: number;
  readonly fewest: number;
}

export interface FrameSearch {
  readonly best: FoundFrames | null;
  /** No plan costs less; null when there is none at all. */
  readonly bound: number | null;
}

/** Limits of the search, all of them counted and none of them timed: the same request has the same answer on every machine. */
const LIMITS = {
  /** Multisets looked at by hand rules before a better bound is asked for. */
  first: 40,
  /** Multisets looked at in all. */
  most: 600,
  /** Multisets put to the relaxed model one by one. */
  decided: 120,
  /** Of them, from below; where the walk was too long, so many that have hope, among so many that are cheaper. */
  fromBelow: 6,
  hopeful: 24,
  seen: 20_000,
  /** Of those that remain open, so many are put to the whole one. */
  whole: 12,
  /** Multisets of the least cost among which second measurings are saved; the latter where the search runs to its end. */
  alike: 6,
  alikeToTheEnd: 60,
  /** Changes tried for each multiset: at first, on a second look, and to save second measurings. */
  quickTries: 60,
  secondTries: 600,
  lastTries: 4000,
  /** Frames added to the relaxed model's, where there are too many to walk through. */
  added: 60,
  /** Nodes of one program, and of the whole model; up to `proven` cables the search runs to its end. */
  nodes: 60,
  wholeNodes: 400,
  boundNodes: 1500,
  proven: 16,
} as const;

/** Share of the time after which nothing cheaper is looked for, and after which any plan at all is taken for one. */
const TIME_TO_SEARCH = 0.7;

/** Share of what was left over that more room must make up for before a multiset is worth a look. */
const HOPE = 0.4;
/** Share of the best's room that cheaper frames have when they may well hold everything too, and when it cannot be ruled out. */
const NEARLY = 0.985;
const NOT_RULED_OUT = 0.955;

/**
 * Looks for the cheapest frames. A relaxed model bounds the cost; multisets are tried from there in order of cost by hand rules that are quick
 * and prove nothing; what is cheaper than the first that fits is then refuted, or found to fit after all, by the models.
 */
export function* findFrames(setting: FrameSetting): Computation<FrameSearch> {
  const { fit } = setting;
  const { model } = fit;
  const placed = placedIn(setting);
  const nodes = placed <= LIMITS.proven ? Infinity : LIMITS.nodes;
  yield { kind: 'progress', stage: 'least cost', done: 0, of: 4 };
  const floor = yield* solve(wholeOnly(programFor(model, model.cost, [])));
  if (floor.status === 'infeasible') return { best: null, bound: null };
  let bound = Math.max(0, floor.bound ?? 0);
  const greedy = rowBuilder(setting);

  yield { kind: 'progress', stage: 'frames that fit', done: 1, of: 4 };
  let least = 0;
  let walk = walkUp({ setting, greedy, least }, bound, LIMITS.first, fit.toExact(floor.values));
  if (walk.best === null ? !walk.complete : walk.open.length > LIMITS.decided / 2) {
    const rows = yield* solve({
      ...wholeOnly(programFor(model, model.cost, []), rowsWhole(model)),
      nodes: LIMITS.boundNodes,
    });
    if (rows.status === 'infeasible') return { best: null, bound: null };
    bound = Math.max(bound, rows.bound ?? 0);
    const values = fit.toExact(rows.values.length > 0 ? rows.values : floor.values);
    if (walk.best === null) {
      least = yield* leastArea(setting, LIMITS.boundNodes);
      walk = walkUp({ setting, greedy, least }, bound, LIMITS.most, values);
      if (walk.best === null && !walk.complete) walk = { ...walk, best: addUp(setting, greedy, values) };
    }
  }
  yield { kind: 'progress', stage: 'cheaper frames', done: 2, of: 4 };
  return yield* settle({ setting, greedy, least }, walk, bound, nodes);
}

interface Walk {
  readonly best: FoundFrames | null;
  /** What is cheaper and neither fits by hand rules nor is refuted, in order of cost. */
  readonly open: readonly FrameMultiset[];
  /** Whether every multiset cheaper than the best, or every one there is, was looked at. */
  readonly complete: boolean;
}

/** Height that all openings of a multiset have for rows, micrometres. */
const roomIn = ({ types, openingTypes }: FrameSetting, { counts }: FrameMultiset): number =>
  counts.reduce(
    (sum, n, k) => sum + n * (openingTypes[k] ?? []).reduce((room, t) => room + (types[t]?.room ?? 0), 0),
    0,
  );

/** What is searched with: hand rules, and the area that rows take in any case, 0 where that has not been asked. */
interface Searching {
  readonly setting: FrameSetting;
  readonly greedy: RowBuilder;
  readonly least: number;
}

/** Looks at multisets from the cheapest up. What has too little area is refused and counts for nothing. */
function walkUp(
  { setting, greedy, least }: Searching,
  from: number,
  most: number,
  values: readonly number[],
): Walk {
  const open: FrameMultiset[] = [];
  const multisets = multisetsByCost(setting, from);
  let hopeless = 0;
  for (let seen = 0; open.length < most && seen < LIMITS.seen; seen += 1) {
    if (setting.passed() >= TIME_TO_SEARCH) return { best: null, open, complete: false };
    const next = multisets.next();
    if (next.done === true) return { best: null, open, complete: next.value };
    if (areaIn(setting, next.value) < least) continue;
    const room = roomIn(setting, next.value);
    if (room > hopeless) {
      const found = greedy(next.value, LIMITS.quickTries, values);
      if ('counts' in found)
        return { best: { ...found, frames: next.value, cost: next.value.cost }, open, complete: true };
      // Where much was left over, frames with hardly more room need not be looked at now.
      if (Number.isFinite(found.over)) hopeless = Math.max(hopeless, room + found.over * HOPE);
    }
    open.push(next.value);
  }
  return { best: null, open, complete: false };
}

/**
 * For a crossing that is too large for a walk: the frames of the relaxed model, then those with one frame more or one exchanged for a dearer
 * one, in order of what that costs; while nothing fits, one more of the best value.
 */
function addUp(setting: FrameSetting, greedy: RowBuilder, values: readonly number[]): FoundFrames | null {
  const { request, usable, exact } = setting;
  const counts = exact.frames.map((column) => Math.round(values[column] ?? 0));
  const price = (k: number): number => request.frames[k]?.cost ?? 0;
  const one = (k: number): FrameMultiset => ({
    counts: counts.map((_, i) => Number(i === k)),
    cost: price(k),
  });
  const left = (k: number) => (counts[k] ?? 0) < (request.frames[k]?.available ?? Infinity);
  const fits = (all: readonly number[]): FoundFrames | null => {
    const frames = { counts: all, cost: all.reduce((sum, n, k) => sum + n * price(k), 0) };
    const found = greedy(frames, LIMITS.quickTries, values);
    return 'counts' in found ? { ...found, frames, cost: frames.cost } : null;
  };
  const value = (k: number): number => price(k) / roomIn(setting, one(k));
  const byValue = [...usable].sort((a, b) => value(a) - value(b) || a - b);
  const now = fits(counts);
  if (now !== null) return now;
  for (let step = 0; step < LIMITS.added && setting.passed() < TIME_TO_SEARCH; step += 1) {
    const added = usable.filter(left).map((k) => ({ more: k, less: -1, cost: price(k) }));
    const exchanged = usable.flatMap((less) =>
      (counts[less] ?? 0) === 0
        ? []
        : usable.flatMap((more) =>
            left(more) && price(more) > price(less) ? [{ more, less, cost: price(more) - price(less) }] : [],
          ),
    );
    for (const { more, less } of [...added, ...exchanged].sort(
      (a, b) => a.cost - b.cost || a.more - b.more,
    )) {
      if (setting.passed() >= TIME_TO_SEARCH) return null;
      const found = fits(counts.map((n, k) => n + Number(k === more) - Number(k === less)));
      if (found !== null) return found;
    }
    const more = byValue.find(left);
    if (more === undefined) return null;
    counts[more] = (counts[more] ?? 0) + 1;
  }
  return null;
}

/** Refutes what is cheaper than the best, or finds that it fits; then saves second measurings among frames of the same cost. */
function* settle(
  { setting, greedy, least }: Searching,
  walk: Walk,
  bound: number,
  nodes: number,
): Computation<FrameSearch> {
  let { best } = walk;
  const cheaper = best === null || walk.complete ? walk : cheaperThan(setting, best, bound);
  const open = cheaper.open.filter((m) => m.cost >= bound - 1e-6 && areaIn(setting, m) >= least);
  const weaker = weakerThan(setting);
  const refusedOnes: FrameMultiset[] = [];
  const stuck: FrameMultiset[] = [];
  let unanswered = walk.best === null && !walk.complete ? Infinity : null;
  let decided = 0;
  const asked = new Set<FrameMultiset>();
  // From below first, among those with nearly as much room as the best: one that fits saves looking at all that is dearer. Then the dearest
  // first, or those with the most room: what is refused to them is refused to all that is weaker.
  const roomy = best === null ? 0 : roomIn(setting, best.frames);
  const likely = walk.complete
    ? open.filter((m) => roomIn(setting, m) >= roomy * NEARLY).slice(0, LIMITS.fromBelow)
    : open.filter((m) => roomIn(setting, m) >= roomy * NOT_RULED_OUT).slice(0, LIMITS.hopeful);
  const strongest = walk.complete
    ? open.slice().reverse()
    : open.slice().sort((m, n) => roomIn(setting, n) - roomIn(setting, m) || m.cost - n.cost);
  for (const multiset of [...likely, ...strongest]) {
    if (asked.has(multiset) || (best !== null && multiset.cost >= best.cost - 1e-9)) continue;
    asked.add(multiset);
    if (refusedOnes.some((strong) => weaker(multiset, strong))) continue;
    yield { kind: 'progress', stage: 'cheaper frames', done: 2, of: 4 };
    decided += 1;
    const trial: Trial =
      decided > LIMITS.decided || setting.passed() >= TIME_TO_SEARCH
        ? { kind: 'unknown' }
        : yield* tryQuickly(setting, greedy, multiset, nodes);
    if (trial.kind === 'fits') best = { ...trial, frames: multiset, cost: multiset.cost };
    else if (trial.kind === 'no') refusedOnes.push(multiset);
    else stuck.push(multiset);
  }
  for (const [n, multiset] of stuck.sort((a, b) => a.cost - b.cost).entries()) {
    if (best !== null && multiset.cost >= best.cost - 1e-9) break;
    if (n >= LIMITS.whole || setting.passed() >= TIME_TO_SEARCH) {
      unanswered = Math.min(unanswered ?? Infinity, multiset.cost);
      break;
    }
    yield { kind: 'progress', stage: 'cheaper frames', done: 2, of: 4 };
    const trial = yield* decideFrames(setting, multiset, nodes, Math.max(nodes, LIMITS.wholeNodes));
    if (trial.kind === 'fits') best = { ...trial, frames: multiset, cost: multiset.cost };
    else if (trial.kind === 'unknown') unanswered = Math.min(unanswered ?? Infinity, multiset.cost);
  }
  if (best === null) {
    if (unanswered === null) return { best: null, bound: null };
    return { best: null, bound: Number.isFinite(unanswered) ? unanswered : bound };
  }
  const proven = cheaper.complete || best.cost <= bound + 1e-6;
  const floor = unanswered === null ? (proven ? best.cost : bound) : Math.min(unanswered, best.cost);
  yield { kind: 'progress', stage: 'second measurings', done: 3, of: 4 };
  return { best: yield* fewerMeasurings(setting, greedy, best, nodes), bound: floor };
}

/** Everything cheaper than the best, where the walk up ended before it came there. */
function cheaperThan(
  setting: FrameSetting,
  best: FoundFrames,
  bound: number,
): Pick<Walk, 'open' | 'complete'> {
  const open: FrameMultiset[] = [];
  const multisets = multisetsByCost(setting, bound);
  while (open.length < LIMITS.seen) {
    const next = multisets.next();
    if (next.done === true) return { open, complete: next.value };
    if (next.value.cost >= best.cost - 1e-9) return { open, complete: true };
    open.push(next.value);
  }
  return { open, complete: false };
}

/** The relaxed model may refuse; where it does not, its rows are where the hand rules begin, or work as they are. */
function* tryQuickly(
  setting: FrameSetting,
  greedy: RowBuilder,
  multiset: FrameMultiset,
  nodes: number,
): Computation<Trial> {
  const rows = yield* relaxedRows(setting, multiset.counts, nodes);
  if (rows === null) return { kind: 'no' };
  const found = greedy(multiset, LIMITS.secondTries, rows);
  if ('counts' in found) return { kind: 'fits', ...found };
  return yield* rowsAround(setting, multiset, rows, 0, nodes);
}

const placedIn = ({ groups }: FrameSetting): number => groups.reduce((sum, g) => sum + g.tags.length, 0);

/** Other frames of the same cost, and other sizes in the same frames, with fewer places to measure again. */
function* fewerMeasurings(
  setting: FrameSetting,
  greedy: RowBuilder,
  first: FoundFrames,
  nodes: number,
): Computation<FoundFrames> {
  let best = first;
  const placed = placedIn(setting);
  const toTheEnd = !Number.isFinite(nodes);
  const { multisets: same, all } = sameCost(
    setting,
    first.cost,
    toTheEnd ? LIMITS.alikeToTheEnd : LIMITS.alike,
  );
  for (const multiset of same) {
    if (best.remeasure <= best.fewest || setting.passed() >= TIME_TO_SEARCH) return best;
    const found = greedy(multiset, Math.ceil(LIMITS.lastTries / Math.max(1, placed / LIMITS.proven)));
    if ('counts' in found && found.remeasure < best.remeasure)
      best = { ...found, frames: multiset, cost: first.cost };
  }
  if (best.remeasure <= best.fewest || !toTheEnd) return best;
  // Proven are the fewest only when every one of these frames was answered, none left out and none cut short.
  let least = all ? Infinity : 0;
  for (const multiset of same) {
    if (setting.passed() >= TIME_TO_SEARCH) return best;
    const trial = yield* fewerIn(setting, multiset, best.remeasure, nodes);
    if (trial.kind !== 'no') least = Math.min(least, trial.kind === 'fits' ? trial.fewest : 0);
    if (trial.kind === 'fits' && trial.remeasure < best.remeasure)
      best = { ...trial, frames: multiset, cost: first.cost };
  }
  return { ...best, fewest: Math.max(best.fewest, Math.min(best.remeasure, least)) };
}
