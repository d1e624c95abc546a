import { circleAreas, type Placed } from '@/core/circle-packing';
import type { StubContent, StubsAnswer } from './answer';
import { checkStubs } from './check';
import {
  closenessOf,
  CLOSEST,
  fillByRoom,
  fillExactly,
  fillLoosely,
  type Bin,
  type Effort,
  type Filled,
  type Run,
} from './fill';
import { choicesInOrder, demandsOf, type Counts } from './offers';
import { Oracle } from './oracle';
import { unplacedWords, type WhyNot } from './words';
import type { StubCable, StubsTask } from './request';

/** So many cables are gone over one assignment after the other. */
const EXACT_MOST = 16;
const SAME = 1e-9;

type Choice = { readonly counts: Counts; readonly cost: number };

interface Found {
  readonly bins: readonly Bin[];
  readonly cost: number;
}

/**
 * Which cable in which stub, at the least cost. Choices of stubs are tried in the order of their cost; one that is proven not to hold the cables
 * is passed over, and the first that holds them is the cheapest as long as every one before it was proven. Sent `true`, it ends with what it has.
 */
export function* planStubs(task: StubsTask): Run<StubsAnswer> {
  const oracle = new Oracle(task);
  const alone = homeless(task, oracle);
  const rest: StubsTask = { ...task, cables: task.cables.filter((c) => !alone.has(c.tag)) };
  const search = new Search(rest, oracle);
  if (rest.cables.length > 0) yield* search.run();
  const infeasible = alone.size > 0 || task.unwrapped.length > 0 || search.closed;
  const bins = search.best?.bins ?? (rest.cables.length > 0 ? yield* search.asManyAsGo() : []);
  const stubs = yield* laidOut(task, oracle, bins);
  const placed = new Set(stubs.flatMap((s) => s.circles.map((c) => c.tag)));
  const unplaced = [
    ...task.unwrapped.map(({ tag, mm }) => ({ tag, why: { kind: 'noWrap', mm } as const })),
    ...task.cables
      .filter((c) => !placed.has(c.tag))
      .map(({ tag, d }) => ({
        tag,
        why: alone.get(tag) ?? { kind: search.closed ? ('noRoom' as const) : ('notFound' as const), d },
      })),
  ].map(({ tag, why }) => ({ tag, reason: unplacedWords(why) }));
  const answer: StubsAnswer = {
    status: infeasible ? 'infeasible' : search.proven ? 'optimal' : 'gap',
    // Of what is laid, whatever was meant to be.
    cost: stubs.reduce((sum, s) => sum + (task.kinds.find((k) => k.id === s.id)?.cost ?? 0), 0),
    bound: infeasible ? 0 : search.bound,
    stubs,
    unplaced,
    notes: task.notes,
  };
  const wrong = checkStubs(task, answer);
  if (wrong.length > 0) throw new Error(`stubs that were planned do not pass their audit: ${wrong[0] ?? ''}`);
  return answer;
}

const costOf = ({ kinds }: StubsTask, bins: readonly Bin[]): number =>
  bins.reduce((sum, b) => sum + (b.cables.length === 0 ? 0 : (kinds[b.kind]?.cost ?? 0)), 0);

/** Cables that lie in no stub on offer even alone, by proof, with the stub that comes nearest. */
function homeless(task: StubsTask, oracle: Oracle): Map<string, WhyNot> {
  const found = new Map<string, WhyNot>();
  for (const { tag, d } of task.cables) {
    const whys = task.kinds.map((kind, k) =>
      kind.available === 0 ? null : { kind, never: oracle.neverOf(k, [d]) },
    );
    const offered = whys.filter((w) => w !== null);
    if (offered.length > 0 && offered.some((w) => w.never === null)) continue;
    const short = offered.map(({ kind, never }) => ({ id: kind.id, shape: kind.shape, never }));
    found.set(tag, { kind: 'tooLarge', d, offers: short });
  }
  return found;
}

class Search {
  best: Found | null = null;
  /** Cost below which every choice is proven not to hold the cables. */
  bound = 0;
  /** No choice of what is on offer holds them, by proof. */
  closed = false;
  private readonly small: boolean;
  private readonly effort: Effort;

  constructor(
    private readonly task: StubsTask,
    private readonly oracle: Oracle,
  ) {
    this.small = task.cables.length <= EXACT_MOST;
    const { limitSeconds } = task;
    this.effort = {
      steps: this.small ? 20_000 : 400,
      decides: Math.min(0.5, limitSeconds / 12),
      onTheWay: Math.min(0.02, limitSeconds / 200),
    };
  }

  get proven(): boolean {
    return this.best !== null && this.best.cost <= this.bound + SAME;
  }

  *run(): Run<void> {
    const demands = demandsOf(this.task);
    // What is proven stands before anything is found.
    for (const choice of choicesInOrder(this.task, demands)) {
      if (yield) this.oracle.stopped = true;
      if (this.oracle.stopped) return;
      if (choice === null) continue;
      this.bound = choice.cost;
      break;
    }
    const loose = yield* fillLoosely(this.task, this.oracle, { seconds: 0.2, repairs: 10 });
    if (loose.whole) this.best = { bins: loose.bins, cost: costOf(this.task, loose.bins) };
    else this.kept = loose.bins.filter((b) => this.oracle.isKnown(b.kind, b.cables));
    // Of many cables what is cheaper is looked for with ever less room in it; few are gone over one by one at once.
    if (!this.small)
      for (const closeness of [0.55, 0.64, 0.7, 0.75, 0.8, 0.84]) {
        const roomy = demands.map((d, i) => (i === 0 ? { ...d, need: d.need / closeness } : d));
        yield* this.cheaper(roomy, 4);
      }
    const open: Choice[] = [];
    for (const choice of choicesInOrder(this.task, demands)) {
      if (yield) this.oracle.stopped = true;
      if (this.oracle.stopped) return;
      if (choice === null) continue;
      if (open.length === 0) this.bound = choice.cost;
      if (this.best !== null && choice.cost >= this.best.cost - SAME) break;
      const filled = yield* this.fill(choice.counts, this.effort);
      if (filled.answer === 'found') {
        this.best = { bins: filled.bins, cost: choice.cost };
        break;
      }
      if (filled.answer === 'open') open.push(choice);
    }
    if (this.oracle.stopped) return;
    if (open.length > 0) return yield* this.harder(open);
    // Every choice was proven not to hold them.
    if (this.best === null) this.closed = true;
    else this.bound = this.best.cost;
  }

  /** What stayed open below the best is looked at once more with several times the work, as long as there is time. */
  private *harder(open: readonly Choice[]): Run<void> {
    const { effort } = this;
    const more = {
      ...effort,
      steps: 4 * effort.steps,
      decides: 4 * effort.decides,
      onTheWay: 2 * effort.onTheWay,
    };
    let proven = true;
    for (const choice of open) {
      if (this.oracle.stopped) return;
      if (proven) this.bound = choice.cost;
      const filled = yield* this.fill(choice.counts, more);
      if (filled.answer === 'found') {
        this.best = { bins: filled.bins, cost: choice.cost };
        return;
      }
      if (filled.answer === 'open') proven = false;
    }
    if (!proven) return;
    if (this.best === null) this.closed = true;
    else this.bound = this.best.cost;
  }

  private readonly looked = new Set<string>();
  /** Stubs of which it is known that what lies in them does, when nothing holds all cables. */
  private kept: readonly Bin[] = [];

  /** Looks for something cheaper than what is known, among the first so many choices that nobody has looked at. */
  private *cheaper(demands: ReturnType<typeof demandsOf>, many: number): Run<void> {
    let tried = 0;
    for (const choice of choicesInOrder(this.task, demands)) {
      if (yield) this.oracle.stopped = true;
      if (this.oracle.stopped || tried >= many) return;
      if (choice === null) continue;
      if (this.best !== null && choice.cost >= this.best.cost - SAME) return;
      const key = choice.counts.join(' ');
      if (this.looked.has(key)) continue;
      this.looked.add(key);
      tried += 1;
      const care = { seconds: this.effort.decides * 0.4, repairs: 5 };
      const filled = yield* fillByRoom(this.task, this.oracle, kindsOf(choice.counts), care);
      if (filled.answer !== 'found') continue;
      this.best = { bins: filled.bins, cost: costOf(this.task, filled.bins) };
      return;
    }
  }

  private *fill(counts: Counts, effort: Effort): Run<Filled> {
    const kinds = kindsOf(counts);
    if (this.small) return yield* fillExactly(this.task, this.oracle, kinds, effort);
    const care = { seconds: effort.decides, repairs: 25 };
    const filled = yield* fillByRoom(this.task, this.oracle, kinds, care);
    return filled.answer === 'found' ? filled : { answer: 'open' };
  }

  /** Where not all go in: the largest first, each where it lies, in every stub that is on offer. */
  *asManyAsGo(): Run<readonly Bin[]> {
    const bins = this.kept.map(({ kind, cables }) => ({ kind, cables: [...cables] }));
    const used = this.task.kinds.map((_, k) => bins.filter((b) => b.kind === k).length);
    const laid = new Set(bins.flatMap((b) => b.cables));
    const order = this.task.cables.filter((c) => !laid.has(c)).sort((a, b) => b.d - a.d);
    for (const cable of order) {
      let placed = false;
      // Where the time is over each has a stub of its own.
      for (const bin of this.oracle.stopped ? [] : bins) {
        const more = [...bin.cables, cable];
        if (more.length > 2 && closenessOf(this.task, bin.kind, more) > CLOSEST) continue;
        const lies = yield* this.oracle.ask(bin.kind, more, this.effort.onTheWay);
        if (lies.answer !== 'yes') continue;
        bin.cables.push(cable);
        placed = true;
        break;
      }
      if (placed) continue;
      const kind = cheapestFor(this.task, this.oracle, used, cable);
      if (kind === null) continue;
      used[kind] = (used[kind] ?? 0) + 1;
      bins.push({ kind, cables: [cable] });
    }
    return bins;
  }
}

/** The cheapest stub that is left and takes a cable alone. */
function cheapestFor(
  { kinds }: StubsTask,
  oracle: Oracle,
  used: readonly number[],
  cable: StubCable,
): number | null {
  let best: number | null = null;
  kinds.forEach((kind, k) => {
    if ((used[k] ?? 0) >= kind.available || oracle.neverOf(k, [cable.d]) !== null) return;
    if (best === null || kind.cost < (kinds[best]?.cost ?? Infinity)) best = k;
  });
  return best;
}

const kindsOf = (counts: Counts): number[] =>
  counts.flatMap((n, kind) => Array.from({ length: n }, () => kind));

/** The arrangement of every stub that holds something. What was found to lie is asked for once more and known. */
function* laidOut(task: StubsTask, oracle: Oracle, bins: readonly Bin[]): Run<StubContent[]> {
  const stubs: StubContent[] = [];
  const full = bins.filter((b) => b.cables.length > 0);
  for (const { kind, cables } of full.sort(
    (a, b) =>
      a.kind - b.kind || circleAreas(b.cables.map((c) => c.d)) - circleAreas(a.cables.map((c) => c.d)),
  )) {
    const lies = yield* oracle.ask(kind, cables, 1);
    if (lies.answer !== 'yes') continue;
    const sorted = [...cables].sort((a, b) => b.d - a.d);
    stubs.push({
      id: task.kinds[kind]?.id ?? '',
      circles: lies.circles.map(({ i, x, y, d }: Placed) => ({ tag: sorted[i]?.tag ?? '', x, y, d })),
    });
  }
  return stubs;
}
