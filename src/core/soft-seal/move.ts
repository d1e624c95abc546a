import type { Shape } from '@/core/circle-packing';
import { ok, refuse, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import { clearPlaces } from './gaps';
import type { SleeveCircle, SleevePlan } from './plan-schema';
import { settleSleeve, withBlanks } from './sleeve';
import { smallest, type SleeveRequest } from './sleeve-request';

interface Point {
  readonly x: number;
  readonly y: number;
}

/** How far something this large at a place reaches over the edge, mm; not above nought where it lies inside. */
export function overEdgeMm(shape: Shape, { x, y }: Point, d: number): number {
  return shape.kind === 'circle'
    ? Math.hypot(x, y) + d / 2 - shape.d / 2
    : Math.max(d / 2 - x, d / 2 - y, x + d / 2 - shape.w, y + d / 2 - shape.h);
}

/** The place nearest to `at` where something this large lies inside. */
export function drawnInside(shape: Shape, { x, y }: Point, d: number): Point {
  if (shape.kind === 'circle') {
    const most = Math.max(0, (shape.d - d) / 2);
    const far = Math.hypot(x, y);
    return far <= most ? { x, y } : { x: (x * most) / far, y: (y * most) / far };
  }
  const within = (v: number, side: number) => Math.min(Math.max(v, d / 2), Math.max(d / 2, side - d / 2));
  return { x: within(x, shape.w), y: within(y, shape.h) };
}

/**
 * A cable of a planned sleeve is laid somewhere else by hand. Cables that it does not touch stay; those that it lies in are laid beside it, the largest
 * first, each where it is moved least; when that does not go, all others are laid anew round it. Blanks fill what is left. Refused where it reaches over
 * the edge, or where no place was found for another one: that is not a proof that there is none.
 */
export function moveCable(
  request: SleeveRequest,
  plan: SleevePlan,
  tag: string,
  to: Point,
): Result<SleevePlan> {
  const shape = smallest(request.opening);
  const { clearanceMm } = request.sheet;
  const own = plan.circles.find((c) => c.tag === tag);
  if (own === undefined) return refuse('tag', 'lies in no place', tag);
  const over = overEdgeMm(shape, to, own.d);
  if (over > 1e-6) return refuse('to', `${tag} would reach ${trimNumber(over, 2)} mm over the edge`);
  const moved: SleeveCircle = { ...own, ...to };
  const others = plan.circles.filter((c) => c.tag !== null && c.tag !== tag);
  const touches = (c: SleeveCircle) =>
    Math.hypot(c.x - to.x, c.y - to.y) < (c.d + own.d) / 2 + clearanceMm - 1e-7;
  const stay = [moved, ...others.filter((c) => !touches(c))];
  const few = layBeside(shape, stay, others.filter(touches), clearanceMm);
  const laid = 'lies' in few ? few : layBeside(shape, [moved], others, clearanceMm);
  if (!('lies' in laid))
    return refuse(
      'to',
      `no place was found for ${laid.left} of ${trimNumber(laid.d, 1)} mm when ${tag} lies there`,
    );
  const blanks = plan.circles.filter(
    (c) =>
      c.tag === null &&
      laid.lies.every((l) => Math.hypot(c.x - l.x, c.y - l.y) >= (c.d + l.d) / 2 + clearanceMm - 1e-7),
  );
  // In the order in which the cables are given: the same arrangement is the same plan.
  const order = new Map(request.cables.map((c, i) => [c.tag, i]));
  const cables = [...laid.lies].sort((a, b) => (order.get(a.tag ?? '') ?? 0) - (order.get(b.tag ?? '') ?? 0));
  return ok(settleSleeve(request, withBlanks(request, shape, [...cables, ...blanks])));
}

/** Lays circles beside what lies already, the largest first, each in the pocket nearest to where it was; or says which found none. */
function layBeside(
  shape: Shape,
  lying: readonly SleeveCircle[],
  more: readonly SleeveCircle[],
  clearance: number,
): { readonly lies: readonly SleeveCircle[] } | { readonly left: string; readonly d: number } {
  const lies = [...lying];
  for (const c of [...more].sort((a, b) => b.d - a.d)) {
    let best: Point | null = null;
    let nearest = Infinity;
    for (const at of clearPlaces(shape, lies, lies, c.d, clearance, [{ x: c.x, y: c.y }])) {
      const far = Math.hypot(at.x - c.x, at.y - c.y);
      if (far < nearest) [best, nearest] = [at, far];
    }
    if (best === null) return { left: c.tag ?? c.part, d: c.d };
    lies.push({ ...c, ...best });
  }
  return { lies };
}
