import { fail, ok, toUm, type Problem, type Result } from '@/core/kernel';
import type { FramePlan, PlannedOpening } from '../model/frame-plan';
import type { ReentryCase } from '../model/frame-cases';
import type { FrameCable, FrameRequest } from '../model/frame-request';
import { carries } from '../model/peel';
import { mapPlaces, placesOf, restatePlan, sameRef, type PlaceRef } from './restate';

/** What must be opened to reach a place: rows from the press unit on, and the cables in them. */
export interface OpenedRows {
  readonly frame: number;
  readonly opening: number;
  /** Rows in the order in which they come out, by index in building order. */
  readonly rows: readonly number[];
  /** Cables that lie in them. */
  readonly disturbed: readonly string[];
}

export type ReentryAnswer =
  | { readonly tag: string; readonly place: PlaceRef; readonly module: string; readonly remeasure: boolean }
  | { readonly tag: string; readonly refused: ReentryCase };

export interface Reentry {
  readonly answers: readonly ReentryAnswer[];
  readonly open: readonly OpenedRows[];
  /** The built frame with the cables in it that found a place. */
  readonly plan: FramePlan;
}

/** Rows in the order in which they come out of an opening, nearest the press unit first. */
export function rowsFromPress({ rows }: PlannedOpening): number[] {
  // Row 1 is the farthest from it, whether it stands at the bottom or at the top. Where it stands inside, the last row slides out first.
  return rows.map((_, i) => i).reverse();
}

/** How many ways of opening are compared one by one before only one opening at a time is deepened. */
const MOST_WAYS = 4000;

/**
 * Adds cables to a built frame: each goes into a spare whose module size takes it, so that the fewest cables are disturbed, then the fewest
 * rows opened. Circuits stay apart. Who finds no spare is named with the reason and with what would help.
 */
export function planReentry(
  request: FrameRequest,
  plan: FramePlan,
  add: readonly FrameCable[],
): Result<Reentry> {
  const problems: Problem[] = [];
  const known = new Set(request.cables.map((c) => c.tag));
  add.forEach((cable, i) => {
    if (known.has(cable.tag))
      problems.push({ path: `add[${i}].tag`, message: 'is there already', value: cable.tag });
    known.add(cable.tag);
  });
  if (plan.frames.length === 0) problems.push({ path: 'plan.frames', message: 'there is no frame to open' });
  if (problems.length > 0) return fail(problems);
  const openings = plan.frames.flatMap((f, frame) =>
    f.openings.map((spec, opening) => ({ frame, opening, order: rowsFromPress(spec), rows: spec.rows })),
  );
  let best: Attempt | null = null;
  for (const depths of waysToOpen(openings.map((o) => o.order.length))) {
    const reach = openings.map((o, i) => o.order.slice(0, depths[i] ?? 0));
    const disturbed = openings.reduce(
      (sum, o, i) =>
        sum +
        (reach[i] ?? []).reduce((n, r) => n + (o.rows[r]?.places ?? []).filter((p) => p.cable).length, 0),
      0,
    );
    const opened = depths.reduce((a, b) => a + b, 0);
    if (best !== null && best.placed.size === add.length && !cheaper(disturbed, opened, best)) continue;
    const within = new Set(
      openings.flatMap((o, i) => (reach[i] ?? []).map((r) => `${o.frame}.${o.opening}.${r}`)),
    );
    const placed = matchSpares(request, plan, add, (ref) =>
      within.has(`${ref.frame}.${ref.opening}.${ref.row}`),
    );
    const better =
      best === null ||
      placed.size > best.placed.size ||
      (placed.size === best.placed.size && cheaper(disturbed, opened, best));
    if (better) best = { placed, depths, disturbed, opened };
  }
  if (best === null) throw new Error('opening nothing is always a way');
  return ok(answered(request, plan, add, openings, best));
}

interface Attempt {
  readonly placed: ReadonlyMap<string, PlaceRef>;
  readonly depths: readonly number[];
  readonly disturbed: number;
  readonly opened: number;
}

const cheaper = (disturbed: number, opened: number, than: Attempt): boolean =>
  disturbed !== than.disturbed ? disturbed < than.disturbed : opened < than.opened;

/** How deep each opening is opened: every combination, or with many openings every single one and all of them. */
function* waysToOpen(depths: readonly number[]): Generator<readonly number[]> {
  const ways = depths.reduce((product, d) => product * (d + 1), 1);
  if (ways > MOST_WAYS) {
    yield depths.map(() => 0);
    for (const [i, d] of depths.entries())
      for (let n = 1; n <= d; n += 1) yield depths.map((_, j) => (i === j ? n : 0));
    yield depths;
    return;
  }
  const at = depths.map(() => 0);
  for (let way = 0; way < ways; way += 1) {
    yield [...at];
    for (let i = 0; i < at.length; i += 1) {
      const next = (at[i] ?? 0) + 1;
      at[i] = next > (depths[i] ?? 0) ? 0 : next;
      if (at[i] !== 0) break;
    }
  }
}

/** As many of the cables as possible in spares that can be reached, thick ones first; circuits are respected among old and new. */
function matchSpares(
  request: FrameRequest,
  plan: FramePlan,
  add: readonly FrameCable[],
  reached: (ref: PlaceRef) => boolean,
): Map<string, PlaceRef> {
  const spares = placesOf(plan.frames).filter(({ place, ref }) => place.cable === undefined && reached(ref));
  const taken = new Map<number, FrameCable>();
  const place = (cable: FrameCable, asked: Set<number>): boolean => {
    const ways = spares
      .map(({ ref, place: spare }, i) => ({ i, ref, fit: moduleFor(request, spare.module, cable) }))
      .filter(({ i, fit }) => fit !== null && !asked.has(i))
      .sort((a, b) => (a.fit?.size ?? 0) - (b.fit?.size ?? 0) || a.i - b.i);
    for (const { i, ref } of ways) {
      if (
        !mayStand(
          request,
          plan,
          cable,
          ref,
          [...taken].flatMap(([j, c]) => {
            const other = spares[j];
            return other && j !== i ? [{ ref: other.ref, cable: c }] : [];
          }),
        )
      )
        continue;
      asked.add(i);
      const other = taken.get(i);
      taken.delete(i);
      if (other === undefined || place(other, asked)) {
        taken.set(i, cable);
        return true;
      }
      taken.set(i, other);
    }
    return false;
  };
  for (const cable of [...add].sort((a, b) => b.diameter.max - a.diameter.max)) place(cable, new Set());
  return new Map([...taken].flatMap(([i, c]) => (spares[i] ? [[c.tag, spares[i].ref] as const] : [])));
}

/** A module of the same size as the spare's that carries the cable; a corner place only has its own. */
function moduleFor(request: FrameRequest, spare: string, cable: FrameCable) {
  const there = request.modules.find((m) => m.id === spare);
  if (!there) return null;
  const found = request.modules.find(
    (m) =>
      (there.corner ? m.id === spare : !m.corner && toUm(m.size) === toUm(there.size)) &&
      carries(m, cable.diameter),
  );
  return found ?? null;
}

/** Circuits that are kept apart from the cable's stand neither in the row nor in the opening where they must not. */
function mayStand(
  request: FrameRequest,
  plan: FramePlan,
  cable: FrameCable,
  ref: PlaceRef,
  added: readonly { readonly ref: PlaceRef; readonly cable: FrameCable }[],
): boolean {
  if (cable.circuit === undefined) return true;
  const circuits = new Map(request.cables.map((c) => [c.tag, c.circuit]));
  const there = [
    ...placesOf(plan.frames).map((p) => ({ ref: p.ref, circuit: circuits.get(p.place.cable ?? '') })),
    ...added.map((a) => ({ ref: a.ref, circuit: a.cable.circuit })),
  ];
  const kind = request.frames.find((k) => k.id === plan.frames[ref.frame]?.frame);
  const lying = kind?.openings[ref.opening]?.beside ?? [];
  return request.apart.every(({ circuits: pair, by }) => {
    if (!pair.includes(cable.circuit ?? '')) return true;
    const enemy = pair.find((c) => c !== cable.circuit);
    if (enemy !== undefined && lying.includes(enemy)) return false;
    return !there.some(
      ({ ref: at, circuit }) =>
        circuit === enemy &&
        at.frame === ref.frame &&
        at.opening === ref.opening &&
        (by === 'opening' || at.row === ref.row),
    );
  });
}

function answered(
  request: FrameRequest,
  plan: FramePlan,
  add: readonly FrameCable[],
  openings: readonly {
    readonly frame: number;
    readonly opening: number;
    readonly order: readonly number[];
  }[],
  { placed }: Attempt,
): Reentry {
  const cables = [...request.cables, ...add.filter((c) => placed.has(c.tag))];
  const frames = mapPlaces(plan.frames, (p, here) => {
    const tag = [...placed].find(([, at]) => sameRef(at, here))?.[0];
    return tag === undefined ? p : { ...p, cable: tag };
  });
  const after = restatePlan({ ...request, cables }, plan, frames);
  const open = openings.flatMap(({ frame, opening, order }): OpenedRows[] => {
    const rows = [...placed.values()]
      .filter((r) => r.frame === frame && r.opening === opening)
      .map((r) => r.row);
    if (rows.length === 0) return [];
    const opened = order.slice(0, Math.max(...rows.map((r) => order.indexOf(r))) + 1);
    const disturbed = opened.flatMap((r) =>
      (plan.frames[frame]?.openings[opening]?.rows[r]?.places ?? []).flatMap((p) => p.cable ?? []),
    );
    return [{ frame, opening, rows: opened, disturbed }];
  });
  const answers = add.map((cable): ReentryAnswer => {
    const ref = placed.get(cable.tag);
    if (ref === undefined) return { tag: cable.tag, refused: whyNot(request, plan, cable, placed) };
    const place = after.frames[ref.frame]?.openings[ref.opening]?.rows[ref.row]?.places[ref.place];
    return { tag: cable.tag, place: ref, module: place?.module ?? '', remeasure: place?.remeasure === true };
  });
  return { answers, open, plan: after };
}

function whyNot(
  request: FrameRequest,
  plan: FramePlan,
  cable: FrameCable,
  placed: ReadonlyMap<string, PlaceRef>,
): ReentryCase {
  const { diameter } = cable;
  const taking = request.modules.filter((m) => carries(m, cable.diameter));
  if (taking.length === 0) return { code: 'noModule', diameter };
  const modules = taking.map((m) => m.id);
  const spares = placesOf(plan.frames).filter(
    ({ place }) => place.cable === undefined && moduleFor(request, place.module, cable) !== null,
  );
  const frame = [...request.frames].sort((a, b) => a.cost - b.cost)[0]?.id ?? null;
  if (spares.length === 0) {
    const higher = spareBlocks(
      request,
      plan,
      taking.map((m) => m.size),
    );
    return higher
      ? { code: 'divideAnew', diameter, modules, ...higher, frame }
      : { code: 'noSpare', diameter, modules, frame };
  }
  const held = spares.every(({ ref }) => [...placed.values()].some((r) => sameRef(r, ref)));
  return held
    ? { code: 'takenByOthers', spares: spares.length, modules, frame }
    : { code: 'besideCircuitsKeptApart', modules, circuit: cable.circuit ?? null, frame };
}

/** Empty places of a larger size that could be divided into one that is wanted. */
function spareBlocks(request: FrameRequest, plan: FramePlan, wanted: readonly number[]) {
  const size = new Map(request.modules.map((m) => [m.id, m]));
  for (const { ref, place } of placesOf(plan.frames)) {
    const there = size.get(place.module);
    if (place.cable !== undefined || !there || there.corner) continue;
    if (!wanted.some((w) => toUm(there.size) > toUm(w) && toUm(there.size) % toUm(w) === 0)) continue;
    const frame = plan.frames[ref.frame];
    const kind = request.frames.find((k) => k.id === frame?.frame);
    if (kind?.openings[ref.opening]?.undivided) continue;
    const row = frame?.openings[ref.opening]?.rows[ref.row];
    const count = row?.places.filter((p) => p.cable === undefined && p.module === place.module).length ?? 0;
    return { row: ref.row + 1, sizeMm: there.size, count };
  }
  return null;
}
