import type { Ask, LinearProgram, ProgramAnswer } from '@/core/kernel';
import { tally, type JobChoicePlan, type JobChoiceRequest, type JobOption, type JobPick } from './job-choice';

/** Terminations with the same options count as one, many times over. */
interface Group {
  readonly tags: string[];
  readonly options: readonly JobOption[];
  readonly locked: boolean;
}

type Computation<T> = Generator<Ask, T, ProgramAnswer | undefined>;

/**
 * Fewest distinct gland part numbers for the whole job; of those the fewest adaptors; of those the best worst margin. Three programs one
 * after the other, each kept by the next, so that each is proven for itself. The third is a search over the margins that occur: can the
 * worst one be at least this? Locks stay and do not bind the margin of the others.
 */
export function* chooseJob(request: JobChoiceRequest): Computation<JobChoicePlan> {
  const undecided = request.terminations.filter((t) => !t.locked && t.options.length === 0).map((t) => t.tag);
  const groups = groupTerminations(request);
  const parts = [...new Set(groups.flatMap((g) => g.options.map((o) => o.part)))].sort();
  if (parts.length === 0)
    return {
      status: 'optimal',
      parts: 0,
      partsBound: 0,
      adaptors: 0,
      worstMarginMm: null,
      picks: [],
      undecided,
    };

  yield { kind: 'progress', stage: 'fewest part numbers', done: 0, of: 3 };
  const fewest = yield* solve(coverProgram(groups, parts, {}));
  if (fewest.values.length === 0) return unproven(request, groups, parts, undecided);
  const count = Math.round(fewest.objective ?? 0);
  const partsBound = Math.min(count, Math.ceil((fewest.bound ?? 0) - 1e-6));

  yield { kind: 'progress', stage: 'fewest adaptors', done: 1, of: 3 };
  const direct = yield* solve(coverProgram(groups, parts, { maxParts: count }));
  let chosen = chosenParts(direct.values.length > 0 ? direct : fewest, parts);
  const adaptors = adaptorsOf(groups, chosen, -Infinity);

  yield { kind: 'progress', stage: 'best worst margin', done: 2, of: 3 };
  const search = yield* bestWorstMargin(groups, parts, count, adaptors, chosen);
  chosen = search.chosen;

  const picks = picksOf(request, groups, chosen, search.floor);
  const proven = fewest.status === 'optimal' && direct.status === 'optimal' && search.proven;
  return { status: proven ? 'optimal' : 'gap', partsBound, ...tally(request, picks), picks, undecided };
}

function* solve(program: LinearProgram): Computation<ProgramAnswer> {
  const answer = yield { kind: 'solve', program };
  if (answer === undefined) throw new Error('the driver answers every program');
  return answer;
}

function groupTerminations(request: JobChoiceRequest): Group[] {
  const byKey = new Map<string, Group>();
  for (const termination of request.terminations) {
    const options = termination.locked ? [termination.locked] : termination.options;
    if (options.length === 0) continue;
    const sorted = [...options].sort((a, b) => (a.part < b.part ? -1 : a.part > b.part ? 1 : 0));
    const locked = termination.locked !== undefined;
    const key = `${locked} ${sorted.map((o) => `${o.part}\t${o.adaptor}\t${o.marginMm}`).join('\n')}`;
    const known = byKey.get(key);
    if (known) known.tags.push(termination.tag);
    else byKey.set(key, { tags: [termination.tag], options: sorted, locked });
  }
  return [...byKey.values()];
}

interface CoverLimits {
  /** Not more parts than this; then adaptors are what is counted. */
  readonly maxParts?: number;
  /** Options with a smaller margin do not count, mm. */
  readonly floor?: number;
}

/** Options of a group that a floor leaves. A lock stays whatever its margin. */
const above = (group: Group, floor: number): readonly JobOption[] =>
  group.locked ? group.options : group.options.filter((o) => o.marginMm === null || o.marginMm >= floor);

/**
 * One yes/no column for each part; every group needs one of its parts. Without `maxParts` the parts are counted; with it, one column for
 * each group says whether it needs an adaptor, which is so when none of its parts without one is taken.
 */
function coverProgram(
  groups: readonly Group[],
  parts: readonly string[],
  limits: CoverLimits,
): LinearProgram {
  const floor = limits.floor ?? -Infinity;
  const indexOf = new Map(parts.map((p, i) => [p, i]));
  const column = (option: JobOption) => indexOf.get(option.part) ?? 0;
  const countAdaptors = limits.maxParts !== undefined;
  const sets = new Map<string, { needed: number[]; direct: number[]; weight: number }>();
  for (const group of groups) {
    const options = above(group, floor);
    const needed = options.map(column);
    const direct = countAdaptors ? options.filter((o) => !o.adaptor).map(column) : [];
    const key = `${needed.join()}|${direct.join()}`;
    const known = sets.get(key);
    if (known) known.weight += group.tags.length;
    else sets.set(key, { needed, direct, weight: group.tags.length });
  }
  const columns: LinearProgram['columns'][number][] = parts.map(() => ({
    cost: countAdaptors ? 0 : 1,
    lower: 0,
    upper: 1,
    whole: true,
  }));
  const rows: LinearProgram['rows'][number][] = [];
  for (const { needed } of countAdaptors ? sets.values() : smallest([...sets.values()]))
    rows.push({ lower: 1, upper: Infinity, columns: needed, values: needed.map(() => 1) });
  if (!countAdaptors) return { sense: 'minimize', columns, rows };
  const all = parts.map((_, i) => i);
  rows.push({ lower: 0, upper: limits.maxParts ?? Infinity, columns: all, values: all.map(() => 1) });
  for (const { needed, direct, weight } of sets.values()) {
    if (direct.length === needed.length) continue;
    columns.push({ cost: weight, lower: 0, upper: 1, whole: false });
    const own = columns.length - 1;
    rows.push({ lower: 1, upper: Infinity, columns: [...direct, own], values: [...direct.map(() => 1), 1] });
  }
  return { sense: 'minimize', columns, rows };
}

/** A set that holds another is covered with it: only the smallest ones need a row. */
function smallest<T extends { readonly needed: readonly number[] }>(sets: readonly T[]): T[] {
  const kept: T[] = [];
  for (const set of [...sets].sort((a, b) => a.needed.length - b.needed.length)) {
    const has = new Set(set.needed);
    if (!kept.some((k) => k.needed.every((n) => has.has(n)))) kept.push(set);
  }
  return kept;
}

const chosenParts = (answer: ProgramAnswer, parts: readonly string[]): Set<string> =>
  new Set(parts.filter((_, i) => (answer.values[i] ?? 0) > 0.5));

/** Adaptors that a set of parts needs when options below the floor do not count; infinite when a group is left without. */
function adaptorsOf(groups: readonly Group[], chosen: ReadonlySet<string>, floor: number): number {
  let count = 0;
  for (const group of groups) {
    const left = above(group, floor).filter((o) => chosen.has(o.part));
    if (left.length === 0) return Infinity;
    if (left.every((o) => o.adaptor)) count += group.tags.length;
  }
  return count;
}

/** Bisects the margins that occur: the largest floor at which as few parts and as few adaptors still do. */
function* bestWorstMargin(
  groups: readonly Group[],
  parts: readonly string[],
  maxParts: number,
  maxAdaptors: number,
  start: Set<string>,
): Computation<{ readonly chosen: Set<string>; readonly floor: number; readonly proven: boolean }> {
  const free = groups.filter((g) => !g.locked);
  const margins = free.flatMap((g) => g.options.flatMap((o) => (o.marginMm === null ? [] : [o.marginMm])));
  const bestOf = (g: Group) => Math.max(...g.options.map((o) => o.marginMm ?? Infinity));
  // Nobody gets more than the worst-off group's best.
  const roof = Math.min(Infinity, ...free.map(bestOf));
  // Infinite: where every group has an option that compares no diameter, no margin need bind at all.
  const floors = [...new Set([...margins, Infinity])].filter((m) => m <= roof).sort((a, b) => a - b);
  let chosen = start;
  let low = -1;
  let high = floors.length - 1;
  let proven = true;
  // The parts in hand may already do better than asked: begin where they stand.
  const reaches = (floor: number) => adaptorsOf(groups, chosen, floor) <= maxAdaptors;
  while (low + 1 <= high && reaches(floors[low + 1] ?? Infinity)) low += 1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    const floor = floors[middle] ?? Infinity;
    const answer = yield* solve(coverProgram(groups, parts, { maxParts, floor }));
    if (answer.status === 'limit' || (answer.status === 'feasible' && (answer.objective ?? 0) > maxAdaptors))
      proven = false;
    const found = answer.values.length > 0 && Math.round(answer.objective ?? Infinity) <= maxAdaptors;
    if (found) {
      chosen = chosenParts(answer, parts);
      low = middle;
    } else high = middle - 1;
  }
  return { chosen, floor: low < 0 ? -Infinity : (floors[low] ?? -Infinity), proven };
}

/** For each termination the best of its options among the chosen parts: no adaptor, then the larger margin, then by name. */
function picksOf(
  request: JobChoiceRequest,
  groups: readonly Group[],
  chosen: ReadonlySet<string>,
  floor: number,
): JobPick[] {
  const partOf = new Map<string, string>();
  for (const group of groups) {
    const [best] = above(group, floor)
      .filter((o) => chosen.has(o.part))
      .sort(
        (a, b) =>
          Number(a.adaptor) - Number(b.adaptor) ||
          (b.marginMm ?? Infinity) - (a.marginMm ?? Infinity) ||
          (a.part < b.part ? -1 : 1),
      );
    if (best) for (const tag of group.tags) partOf.set(tag, best.part);
  }
  return request.terminations.flatMap(({ tag }) => {
    const part = partOf.get(tag);
    return part === undefined ? [] : [{ tag, part }];
  });
}

/** When the solver gives up without an answer: take the part that serves most, again and again, and say that it is not proven. */
function unproven(
  request: JobChoiceRequest,
  groups: readonly Group[],
  parts: readonly string[],
  undecided: readonly string[],
): JobChoicePlan {
  const chosen = new Set<string>();
  let open = [...groups];
  while (open.length > 0) {
    const serves = (part: string) => open.filter((g) => g.options.some((o) => o.part === part)).length;
    const best = parts.reduce((a, b) => (serves(b) > serves(a) ? b : a));
    chosen.add(best);
    open = open.filter((g) => !g.options.some((o) => o.part === best));
  }
  const picks = picksOf(request, groups, chosen, -Infinity);
  return { status: 'gap', partsBound: 1, ...tally(request, picks), picks, undecided };
}
