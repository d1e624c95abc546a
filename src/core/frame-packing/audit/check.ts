import { fail, ok, toUm, type Problem, type Result } from '@/core/kernel';
import { countCrossings } from '../order/crossings';
import type { FramePlan, Place, PlannedOpening, PlannedRow } from '../model/frame-plan';
import {
  extraSpares,
  sparesOwed,
  type FrameModule,
  type FrameOpening,
  type FrameRequest,
} from '../model/frame-request';
import { offeredModule } from '../model/offered-places';
import { carries, peelFor } from '../model/peel';

type Say = (path: string, message: string, value?: unknown) => void;

/**
 * Audits a plan against the request alone: every rule of frames, rows, places, peeling, circuits and spares, and the sums that the plan
 * states. It shares nothing with the planner but the peel table and the count of crossings. Each violation names its place.
 */
export function checkFramePlan(request: FrameRequest, plan: FramePlan): Result<null> {
  return audit(request, plan, false);
}

/**
 * Audits a frame as it was built: by the same rules, but that its spares may have been used, which is what they are for, and that cables may
 * still be missing.
 */
export function checkBuiltFrames(request: FrameRequest, plan: FramePlan): Result<null> {
  return audit({ ...request, spare: { share: 0 } }, plan, true);
}

function audit(request: FrameRequest, plan: FramePlan, built: boolean): Result<null> {
  const problems: Problem[] = [];
  const say: Say = (path, message, value) =>
    problems.push(value === undefined ? { path, message } : { path, message, value });
  if (plan.status === 'infeasible') {
    if (plan.cost !== null || plan.bound !== null)
      say('cost', 'an infeasible plan has neither cost nor bound');
    return problems.length > 0 ? fail(problems) : ok(null);
  }
  checkFrames(request, plan, say);
  checkCables(request, plan, say);
  checkUnplaced(request, plan, built, say);
  checkApart(request, plan, say);
  checkSpares(request, plan, say);
  checkSums(request, plan, say);
  return problems.length > 0 ? fail(problems) : ok(null);
}

function checkFrames(request: FrameRequest, plan: FramePlan, say: Say): void {
  const used = new Map<string, number>();
  plan.frames.forEach((frame, f) => {
    const kind = request.frames.find((k) => k.id === frame.frame);
    if (!kind) {
      say(`frames[${f}].frame`, 'is not offered', frame.frame);
      return;
    }
    used.set(kind.id, (used.get(kind.id) ?? 0) + 1);
    if (kind.openings.length !== frame.openings.length) {
      say(`frames[${f}].openings`, `the frame has ${kind.openings.length} openings`, frame.openings.length);
      return;
    }
    kind.openings.forEach((spec, o) => {
      const opening = frame.openings[o];
      if (opening) checkOpening(request, spec, opening, `frames[${f}].openings[${o}]`, say);
    });
  });
  for (const kind of request.frames) {
    const count = used.get(kind.id) ?? 0;
    if (kind.available !== undefined && count > kind.available)
      say('frames', `${count} of ${kind.id} are used, ${kind.available} are there`);
  }
}

function checkOpening(
  request: FrameRequest,
  spec: FrameOpening,
  opening: PlannedOpening,
  path: string,
  say: Say,
): void {
  const rounded = spec.cornerModule !== undefined;
  const n = opening.rows.length;
  if (n === 0) say(`${path}.rows`, 'every opening of a used frame is packed');
  if (!spec.press.at.includes(opening.press))
    say(`${path}.press`, 'the press unit cannot stand there', opening.press);
  if (opening.press === 'inside' && !rounded) say(`${path}.press`, 'a square opening has no inside');
  if (opening.press === 'inside' && n < 2)
    say(`${path}.rows`, 'with the press unit inside there are at least two rows');
  const offered = new Map<number, number>();
  for (const f of spec.fillers) offered.set(toUm(f.thickness), (offered.get(toUm(f.thickness)) ?? 0) + f.max);
  const count = new Map<number, number>();
  for (const f of opening.fillers) count.set(toUm(f), (count.get(toUm(f)) ?? 0) + 1);
  for (const [um, c] of count)
    if (c > (offered.get(um) ?? 0))
      say(`${path}.fillers`, `${c} fillers of ${um / 1000} mm, ${offered.get(um) ?? 0} are there`);
  const heights = opening.rows.map((r) => toUm(r.height));
  const plates = opening.press !== 'inside' && spec.plateAgainstPress ? n : n - 1;
  const used =
    heights.reduce((a, b) => a + b, 0) +
    Math.max(0, plates) * toUm(spec.plate) +
    opening.fillers.reduce((a, f) => a + toUm(f), 0);
  const closure = toUm(spec.height) - used;
  if (closure < toUm(spec.press.min) || closure > toUm(spec.press.max))
    say(`${path}.closure`, `the press unit needs ${spec.press.min}–${spec.press.max} mm`, closure / 1000);
  if (toUm(opening.closure) !== closure)
    say(`${path}.closure`, `is ${closure / 1000} mm by the rows`, opening.closure);
  const cornerRows = new Set(!rounded ? [] : opening.press === 'inside' ? [0, n - 1] : [0]);
  let below = 0;
  opening.rows.forEach((row, r) => {
    const height = toUm(row.height);
    const last = opening.press === 'inside' && r === n - 1;
    const base =
      opening.press === 'bottom'
        ? toUm(spec.height) - below - height
        : last
          ? toUm(spec.height) - height
          : below;
    below += height + toUm(spec.plate);
    checkRow({ request, spec, say }, row, { base, corner: cornerRows.has(r), path: `${path}.rows[${r}]` });
  });
}

/** Where a row stands: its lower edge in µm, whether corner modules end it, and where it is in the plan. */
interface RowPlace {
  readonly base: number;
  readonly corner: boolean;
  readonly path: string;
}

function checkRow(
  { request, spec, say }: { readonly request: FrameRequest; readonly spec: FrameOpening; readonly say: Say },
  row: PlannedRow,
  { base, corner: cornerRow, path }: RowPlace,
): void {
  const width = toUm(spec.width);
  const height = toUm(row.height);
  const moduleOf = new Map(request.modules.map((m) => [m.id, m]));
  const places = row.places.map((p, i) => ({
    ...p,
    at: `${path}.places[${i}]`,
    kind: moduleOf.get(p.module),
  }));
  for (const p of places) if (!p.kind) say(`${p.at}.module`, 'is not offered', p.module);
  const corners = places.filter((p) => p.kind?.corner);
  if (cornerRow) {
    const corner = moduleOf.get(spec.cornerModule ?? '');
    if (toUm(corner?.size ?? 0) !== height)
      say(`${path}.height`, 'a corner row is as high as its corner module', row.height);
    const ends = [0, width - height];
    const standing = corners.map((p) => toUm(p.x)).sort((a, b) => a - b);
    if (
      corners.some((p) => p.module !== spec.cornerModule) ||
      standing.join() !== ends.join() ||
      corners.some((p) => toUm(p.y) !== base)
    )
      say(path, 'a corner row has its corner module leftmost and rightmost');
  } else {
    for (const p of corners) say(`${p.at}.module`, 'corner modules stand in corner rows only', p.module);
    if (!request.modules.some((m) => !m.corner && toUm(m.size) === height))
      say(`${path}.height`, 'is the size of no module', row.height);
  }
  const [from, to] = cornerRow ? [height, width - height] : [0, width];
  if (height === 0 || (to - from) % height !== 0) {
    say(path, `blocks of ${row.height} mm do not fill the width`);
    return;
  }
  const plain = places.filter((p) => p.kind && !p.kind.corner);
  const seen = new Set<string>();
  for (let left = from; left < to; left += height) {
    const inside = plain.filter((p) => toUm(p.x) >= left && toUm(p.x) < left + height);
    const sizes = new Set(inside.map((p) => toUm(p.kind?.size ?? 0)));
    const [size = 0] = sizes;
    if (sizes.size !== 1 || size === 0 || height % size !== 0 || (spec.undivided && size !== height)) {
      const wanted = spec.undivided ? 'a single module' : 'of one size that divides its height';
      say(path, `the block at ${left / 1000} mm is not ${wanted}`);
      continue;
    }
    const side = height / size;
    const grid = new Set(inside.map((p) => `${(toUm(p.x) - left) / size},${(toUm(p.y) - base) / size}`));
    const wanted = Array.from({ length: side * side }, (_, i) => `${i % side},${Math.floor(i / side)}`);
    if (inside.length !== side * side || wanted.some((w) => !grid.has(w)))
      say(path, `the block at ${left / 1000} mm is not filled edge to edge`);
    for (const p of inside) seen.add(p.at);
  }
  for (const p of plain) if (!seen.has(p.at)) say(p.at, 'stands outside the row', { x: p.x, y: p.y });
}

interface Standing {
  readonly place: Place;
  readonly module: FrameModule | undefined;
  readonly path: string;
  readonly opening: string;
  readonly row: string;
}

const standing = (request: FrameRequest, plan: FramePlan): Standing[] =>
  plan.frames.flatMap((frame, f) =>
    frame.openings.flatMap((opening, o) =>
      opening.rows.flatMap((row, r) =>
        row.places.map((place, i) => ({
          place,
          module: request.modules.find((m) => m.id === place.module),
          path: `frames[${f}].openings[${o}].rows[${r}].places[${i}]`,
          opening: `${f}.${o}`,
          row: `${f}.${o}.${r}`,
        })),
      ),
    ),
  );

function checkCables(request: FrameRequest, plan: FramePlan, say: Say): void {
  const cables = new Map(request.cables.map((c) => [c.tag, c]));
  const at = new Map<string, string>();
  for (const { place, module, path } of standing(request, plan)) {
    if (place.cable === undefined) {
      if (place.peel || place.gap || place.remeasure || place.noPeel) say(path, 'a spare is not peeled');
      continue;
    }
    const cable = cables.get(place.cable);
    if (!cable) {
      say(`${path}.cable`, 'is not in the request', place.cable);
      continue;
    }
    const before = at.get(cable.tag);
    if (before !== undefined) say(`${path}.cable`, `stands at ${before} already`, cable.tag);
    at.set(cable.tag, path);
    if (!module) continue;
    if (!carries(module, cable.diameter)) {
      say(
        path,
        `${module.id} takes ${module.bore.min}–${module.bore.max} mm, not the whole of ${cable.diameter.min}–${cable.diameter.max} mm`,
        cable.tag,
      );
      continue;
    }
    const peel = peelFor(module, cable.diameter);
    if (place.peel?.join() !== peel.layers.join())
      say(`${path}.peel`, `must be ${peel.layers.join(' and ')}`, place.peel);
    if (Boolean(place.remeasure) !== peel.remeasure)
      say(`${path}.remeasure`, `must be ${peel.remeasure}`, place.remeasure);
    if (Boolean(place.noPeel) !== peel.noPeel) say(`${path}.noPeel`, `must be ${peel.noPeel}`, place.noPeel);
    if (
      toUm(place.gap?.min ?? NaN) !== toUm(peel.gap.min) ||
      toUm(place.gap?.max ?? NaN) !== toUm(peel.gap.max)
    )
      say(`${path}.gap`, `is ${peel.gap.min}–${peel.gap.max} mm`, place.gap);
  }
}

function checkUnplaced(request: FrameRequest, plan: FramePlan, built: boolean, say: Say): void {
  const cables = new Map(request.cables.map((c) => [c.tag, c]));
  const at = new Set(standing(request, plan).flatMap((s) => s.place.cable ?? []));
  const unplaced = new Set(plan.unplaced.map((u) => u.tag));
  for (const cable of request.cables) {
    if (unplaced.has(cable.tag) === at.has(cable.tag))
      say('unplaced', at.has(cable.tag) ? 'is placed as well' : 'is neither placed nor named', cable.tag);
  }
  for (const u of plan.unplaced) {
    const cable = cables.get(u.tag);
    if (!cable) say('unplaced', 'is not in the request', u.tag);
    if (u.reason.trim() === '') say('unplaced', 'has no reason', u.tag);
    const taking = cable && !built && !at.has(u.tag) ? offeredModule(request, cable) : null;
    if (taking)
      say('unplaced', `is left out, though ${taking.id} takes it in a frame that is offered`, u.tag);
  }
}

function checkApart(request: FrameRequest, plan: FramePlan, say: Say): void {
  const circuit = new Map(request.cables.map((c) => [c.tag, c.circuit]));
  const held = { row: new Map<string, Set<string>>(), opening: new Map<string, Set<string>>() };
  for (const s of standing(request, plan)) {
    const name = s.place.cable === undefined ? undefined : circuit.get(s.place.cable);
    if (name === undefined) continue;
    for (const by of ['row', 'opening'] as const)
      held[by].set(s[by], (held[by].get(s[by]) ?? new Set()).add(name));
  }
  plan.frames.forEach((frame, f) => {
    const kind = request.frames.find((k) => k.id === frame.frame);
    frame.openings.forEach((opening, o) =>
      opening.rows.forEach((_, r) => {
        for (const name of kind?.openings[o]?.beside ?? []) {
          held.row.set(`${f}.${o}.${r}`, (held.row.get(`${f}.${o}.${r}`) ?? new Set()).add(name));
          held.opening.set(`${f}.${o}`, (held.opening.get(`${f}.${o}`) ?? new Set()).add(name));
        }
      }),
    );
  });
  for (const { circuits, by } of request.apart) {
    const [a = '', b = ''] = circuits;
    for (const [where, names] of held[by])
      if (names.has(a) && names.has(b)) say(`frames[${where}]`, `${a} and ${b} are in one ${by}`);
  }
}

function checkSpares(request: FrameRequest, plan: FramePlan, say: Say): void {
  const carrying = new Map<number, number>();
  const free = new Map<number, number>();
  for (const { place, module } of standing(request, plan)) {
    if (!module || module.corner) continue;
    const into = place.cable === undefined ? free : carrying;
    into.set(toUm(module.size), (into.get(toUm(module.size)) ?? 0) + 1);
  }
  for (const size of new Set([...carrying.keys(), ...(request.spare.extra ?? []).map((e) => toUm(e.size))])) {
    const wanted = sparesOwed(request.spare.share, carrying.get(size) ?? 0, extraSpares(request, size));
    if ((free.get(size) ?? 0) < wanted)
      say('spare', `${free.get(size) ?? 0} spares of ${size / 1000} mm, ${wanted} asked for`);
  }
}

function checkSums(request: FrameRequest, plan: FramePlan, say: Say): void {
  const cost = plan.frames.reduce(
    (sum, f) => sum + (request.frames.find((k) => k.id === f.frame)?.cost ?? 0),
    0,
  );
  if (plan.cost === null || Math.abs(plan.cost - cost) > 1e-6)
    say('cost', `the frames cost ${cost}`, plan.cost);
  if (plan.bound === null || plan.bound > cost + 1e-6) say('bound', 'is above the cost', plan.bound);
  if (plan.status === 'optimal' && plan.bound !== null && Math.abs(plan.bound - cost) > 1e-6)
    say('status', 'is optimal, but the bound is another');
  const crossings = countCrossings(request, plan.frames);
  for (const side of ['front', 'back'] as const)
    if (crossings[side] !== plan.crossings[side])
      say(`crossings.${side}`, `is ${crossings[side]}`, plan.crossings[side]);
  const counts = new Map<string, number>();
  for (const frame of plan.frames) {
    counts.set(frame.frame, (counts.get(frame.frame) ?? 0) + 1);
    for (const p of frame.openings.flatMap((o) => o.rows.flatMap((r) => r.places)))
      counts.set(p.module, (counts.get(p.module) ?? 0) + 1);
  }
  for (const [id, quantity] of counts) {
    const stated = plan.parts.find((p) => p.id === id)?.quantity ?? 0;
    if (stated !== quantity) say('parts', `${quantity} of ${id}`, stated);
  }
  checkFigures(request, plan, say);
}

/** What the plan says of itself where it says it: second measurings, cables out to reach spares, price of modules. */
function checkFigures(request: FrameRequest, plan: FramePlan, say: Say): void {
  const { remeasure, order } = plan;
  const places = standing(request, plan);
  const again = places.filter(({ place }) => place.remeasure).length;
  if (remeasure && remeasure.places !== again) say('remeasure.places', `is ${again}`, remeasure.places);
  if (remeasure && remeasure.atLeast > remeasure.places)
    say('remeasure.atLeast', 'is above the places', remeasure.atLeast);
  if (!order) return;
  const price = places.reduce((sum, { module }) => sum + (module?.cost ?? 0), 0);
  if (Math.abs(order.moduleCost - price) > 1e-6) say('order.moduleCost', `is ${price}`, order.moduleCost);
  const reach = cablesToSpares(request, plan);
  if (order.toSpares !== reach) say('order.toSpares', `is ${reach}`, order.toSpares);
}

/** Over the sizes that carry cables: cables in the rows from the press unit to the nearest spare, all of them where there is none. */
function cablesToSpares(request: FrameRequest, plan: FramePlan): number {
  const sizeOf = new Map(request.modules.flatMap((m) => (m.corner ? [] : [[m.id, toUm(m.size)] as const])));
  const rows = plan.frames.flatMap((f) =>
    f.openings.flatMap((o) =>
      o.rows.map((row, r) => ({
        places: row.places,
        out: o.rows.slice(r).reduce((n, x) => n + x.places.filter((p) => p.cable !== undefined).length, 0),
      })),
    ),
  );
  const all = rows.reduce((n, r) => n + r.places.filter((p) => p.cable !== undefined).length, 0);
  const holds = (size: number, cable: boolean) =>
    rows.filter((r) =>
      r.places.some((p) => sizeOf.get(p.module) === size && (p.cable !== undefined) === cable),
    );
  return [...new Set(sizeOf.values())].reduce(
    (sum, size) =>
      holds(size, true).length === 0 ? sum : sum + Math.min(all, ...holds(size, false).map((r) => r.out)),
    0,
  );
}
