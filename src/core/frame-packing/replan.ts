import { toUm } from '@/core/kernel';
import { rowBases } from './arrange';
import type { Computation } from './decide-frames';
import type { FramePlan, PlannedFrame, PlannedOpening, PlannedRow } from './frame-plan';
import type { FrameKind, FrameOpening, FrameRequest } from './frame-request';
import { planFrames } from './plan-frames';
import { restatePlan, type PlaceRef } from './restate';

/**
 * Plans again around what is locked: the row of every locked place stays as it is, in a rounded opening, and in one whose circuits are kept apart from others' by opening, all rows do; every other cable is
 * planned anew, into the rest of those frames first, then into frames of its own. Cost and bound are those of all frames; no better bound
 * than the old plan's is proven.
 */
export function* replanAround(
  request: FrameRequest,
  plan: FramePlan,
  locked: readonly PlaceRef[],
): Computation<FramePlan> {
  const kept = keptRows(request, plan, locked);
  const stay = kept.flatMap((frame) => frame.openings.flatMap((o) => [...o.rows]));
  const held = new Set(stay.flatMap(({ row }) => row.places.flatMap((p) => p.cable ?? [])));
  const around: FrameRequest = {
    ...request,
    cables: request.cables.filter((c) => !held.has(c.tag)),
    frames: [...kept.flatMap(restOf), ...leftOver(request, kept)],
    spare: {
      share: request.spare.share,
      extra: spareDebt(
        request,
        stay.map((s) => s.row),
      ),
    },
  };
  const rest = yield* planFrames(around);
  if (rest.status === 'infeasible') return { ...rest, bound: null };
  const anew = new Map(rest.frames.map((f) => [f.frame, f]));
  const old = kept.map((frame) => joined(request, plan, frame, anew.get(nameOf(frame))));
  const names = new Set(kept.map(nameOf));
  const frames = [...old, ...rest.frames.filter((f) => !names.has(f.frame))];
  return restatePlan(request, { ...plan, status: 'gap', unplaced: rest.unplaced, remeasure: null }, frames);
}

interface KeptOpening {
  readonly opening: number;
  readonly spec: FrameOpening;
  readonly rows: readonly { readonly at: number; readonly row: PlannedRow }[];
  readonly whole: boolean;
}

interface KeptFrame {
  readonly frame: number;
  readonly kind: FrameKind;
  readonly openings: readonly KeptOpening[];
}

const nameOf = ({ frame }: KeptFrame): string => `#${frame}`;

function keptRows(request: FrameRequest, plan: FramePlan, locked: readonly PlaceRef[]): KeptFrame[] {
  return plan.frames.flatMap((planned, frame): KeptFrame[] => {
    const kind = request.frames.find((k) => k.id === planned.frame);
    if (!kind || !locked.some((l) => l.frame === frame)) return [];
    const openings = kind.openings.map((spec, opening): KeptOpening => {
      const rows = planned.openings[opening]?.rows ?? [];
      const mine = new Set(
        locked.filter((l) => l.frame === frame && l.opening === opening).map((l) => l.row),
      );
      const held = new Set([...mine].flatMap((r) => (rows[r]?.places ?? []).flatMap((p) => p.cable ?? [])));
      const all =
        mine.size > 0 &&
        (spec.cornerModule !== undefined || mine.size === rows.length || fillsOpening(request, held));
      return {
        opening,
        spec,
        rows: rows.flatMap((row, at) => (all || mine.has(at) ? [{ at, row }] : [])),
        whole: all,
      };
    });
    return [{ frame, kind, openings }];
  });
}

/** Do these cables decide for a whole opening what may stand in it? */
function fillsOpening(request: FrameRequest, tags: ReadonlySet<string>): boolean {
  const circuits = new Set(request.cables.flatMap((c) => (tags.has(c.tag) ? (c.circuit ?? []) : [])));
  return request.apart.some((a) => a.by === 'opening' && a.circuits.some((c) => circuits.has(c)));
}

/** What is left of a frame whose rows stay in part, as a frame that costs nothing more. */
function restOf(kept: KeptFrame): FrameKind[] {
  const openings = kept.openings.flatMap(({ spec, rows, whole }) => {
    if (whole) return [];
    const taken = rows.reduce((sum, { row }) => sum + toUm(row.height) + toUm(spec.plate), 0);
    return [{ ...spec, height: (toUm(spec.height) - taken) / 1000 }];
  });
  return openings.length === 0 ? [] : [{ id: nameOf(kept), cost: 0, available: 1, openings }];
}

function leftOver(request: FrameRequest, kept: readonly KeptFrame[]): FrameKind[] {
  return request.frames.map((kind) => {
    if (kind.available === undefined) return kind;
    const used = kept.filter((k) => k.kind.id === kind.id).length;
    return { ...kind, available: Math.max(0, kind.available - used) };
  });
}

/** Spares that the rows that stay owe by their own share, by size: the rest must hold them beside its own. */
function spareDebt(request: FrameRequest, rows: readonly PlannedRow[]): { size: number; count: number }[] {
  const size = new Map(request.modules.filter((m) => !m.corner).map((m) => [m.id, m.size]));
  const carrying = new Map<number, number>();
  const free = new Map<number, number>();
  for (const place of rows.flatMap((r) => r.places)) {
    const mm = size.get(place.module);
    if (mm === undefined) continue;
    const into = place.cable === undefined ? free : carrying;
    into.set(mm, (into.get(mm) ?? 0) + 1);
  }
  return [...carrying].flatMap(([mm, n]) => {
    const owed = Math.ceil(request.spare.share * n - 1e-9) - (free.get(mm) ?? 0);
    return owed > 0 ? [{ size: mm, count: owed }] : [];
  });
}

/** A frame with the rows that stay at their old places in the order of building, and the new ones around them. */
function joined(
  request: FrameRequest,
  plan: FramePlan,
  kept: KeptFrame,
  anew: PlannedFrame | undefined,
): PlannedFrame {
  let next = 0;
  const openings = kept.openings.map(({ opening, spec, rows, whole }): PlannedOpening => {
    const before = plan.frames[kept.frame]?.openings[opening];
    if (!before) throw new Error('a planned frame has all its openings');
    if (whole) return before;
    const made = anew?.openings[next];
    next += 1;
    // Nothing was needed there: the rows stand as they were, without their cables.
    if (!made) {
      const stays = new Set(rows.map((r) => r.at));
      return {
        ...before,
        rows: before.rows.map((row, at) =>
          stays.has(at) ? row : { ...row, places: row.places.map(({ module, x, y }) => ({ module, x, y })) },
        ),
      };
    }
    const order = [...made.rows];
    for (const { at, row } of rows) order.splice(Math.min(at, order.length), 0, row);
    const bases = rowBases(
      spec,
      made.press,
      order.map((r) => toUm(r.height)),
    );
    return {
      ...made,
      rows: order.map((row, i) => {
        const lowest = Math.min(...row.places.map((p) => toUm(p.y)));
        const shift = (bases[i] ?? 0) - lowest;
        return { ...row, places: row.places.map((p) => ({ ...p, y: (toUm(p.y) + shift) / 1000 })) };
      }),
    };
  });
  return { frame: kept.kind.id, openings };
}
