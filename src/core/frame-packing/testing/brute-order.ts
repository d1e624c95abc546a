import { toUm } from '@/core/kernel';
import type { FrameKind, FrameOpening, FrameRequest } from '../model/frame-request';
import { carries, peelFor } from '../model/peel';

/** A place with its column; for tests only: tiny cases. */
interface Spot {
  readonly row: number;
  readonly opening: number;
  readonly size: number | null;
  readonly corner: string | null;
  readonly x: number;
}

interface Built {
  readonly rows: number;
  readonly spots: readonly Omit<Spot, 'opening'>[];
}

/** Second measurings, cables out to reach spares, price of modules, crossings. */
export type Figures = readonly [number, number, number, number];

const lower = (a: Figures, b: Figures): boolean => {
  for (let i = 0; i < 4; i += 1) {
    const [p, q] = [a[i] ?? 0, b[i] ?? 0];
    if (Math.abs(p - q) > 1e-9) return p < q;
  }
  return false;
};

/** Every opening with its rows in order and every block divided in every way. */
function everyBuilt(spec: FrameOpening, request: FrameRequest): Built[] {
  const sizes = [...new Set(request.modules.filter((m) => !m.corner).map((m) => toUm(m.size)))];
  const corner = request.modules.find((m) => m.corner && m.id === spec.cornerModule);
  const width = toUm(spec.width);
  const found: Built[] = [];
  const filled = (height: number, from: number, blocks: number): Omit<Spot, 'opening' | 'row'>[][] => {
    if (blocks === 0) return [[]];
    const rest = filled(height, from + height, blocks - 1);
    return sizes
      .filter((s) => height % s === 0)
      .flatMap((size) => {
        const side = height / size;
        const block = Array.from({ length: side * side }, (_, i) => ({
          size,
          corner: null,
          x: from + (i % side) * size,
        }));
        return rest.map((r) => [...block, ...r]);
      });
  };
  const rowsOf = (height: number, round: boolean): Omit<Spot, 'opening' | 'row'>[][] => {
    if (!round) return filled(height, 0, width / height);
    const end = (x: number) => ({ size: null, corner: corner?.id ?? '', x });
    return filled(height, height, width / height - 2).map((f) => [end(0), ...f, end(width - height)]);
  };
  const close = (left: number, at: number): boolean => {
    const filler = spec.fillers[at];
    if (!filler) return left >= toUm(spec.press.min) && left <= toUm(spec.press.max);
    return Array.from({ length: filler.max + 1 }, (_, n) => n).some((n) =>
      close(left - n * toUm(filler.thickness), at + 1),
    );
  };
  const stands = (rows: { height: number; round: boolean }[]): boolean =>
    spec.press.at.some((at) => {
      if (at === 'inside' && (spec.cornerModule === undefined || rows.length < 2)) return false;
      const round = (i: number) =>
        spec.cornerModule !== undefined && (i === 0 || (at === 'inside' && i === rows.length - 1));
      if (rows.some((r, i) => r.round !== round(i))) return false;
      const plates = at !== 'inside' && spec.plateAgainstPress ? rows.length : rows.length - 1;
      const used = rows.reduce((sum, r) => sum + r.height, 0) + plates * toUm(spec.plate);
      return close(toUm(spec.height) - used, 0);
    });
  const kinds = [
    ...sizes.filter((s) => width % s === 0).map((height) => ({ height, round: false })),
    ...(corner && width % toUm(corner.size) === 0 && width / toUm(corner.size) >= 2
      ? [{ height: toUm(corner.size), round: true }]
      : []),
  ];
  const grow = (rows: { height: number; round: boolean }[], tall: number): void => {
    if (tall > toUm(spec.height)) return;
    if (rows.length > 0 && stands(rows)) {
      let built: Omit<Spot, 'opening'>[][] = [[]];
      rows.forEach((r, row) => {
        built = built.flatMap((b) =>
          rowsOf(r.height, r.round).map((f) => [...b, ...f.map((s) => ({ ...s, row }))]),
        );
      });
      for (const spots of built) found.push({ rows: rows.length, spots });
    }
    for (const kind of kinds) grow([...rows, kind], tall + kind.height);
  };
  grow([], 0);
  return found;
}

/**
 * The best figures of all plans of just this cost, by looking at every one of at most `mostFrames` frames. Null when none holds all cables,
 * `too many` when there are more than `most` ways to look at.
 */
export function bruteOrder(
  request: FrameRequest,
  cost: number,
  mostFrames: number,
  most: number,
): Figures | null | 'too many' {
  let best: Figures | null = null;
  let looked = 0;
  const ways = new Map(request.frames.map((f) => [f.id, f.openings.map((o) => everyBuilt(o, request))]));
  for (const frames of framesOf(request, cost, mostFrames)) {
    let plans: Spot[][] = [[]];
    let opening = 0;
    for (const frame of frames)
      for (const built of ways.get(frame.id) ?? []) {
        const index = opening;
        opening += 1;
        if (plans.length * built.length > most) return 'too many';
        plans = plans.flatMap((p) =>
          built.map((b) => [...p, ...b.spots.map((s) => ({ ...s, opening: index }))]),
        );
      }
    for (const spots of plans) {
      const found = bestIn(request, spots, best, most - looked);
      looked += found.looked;
      if (looked >= most) return 'too many';
      best = found.best;
    }
  }
  return best;
}

function framesOf(request: FrameRequest, cost: number, most: number): FrameKind[][] {
  const found: FrameKind[][] = [];
  const pick = (from: number, chosen: FrameKind[], sum: number): void => {
    if (chosen.length > 0 && Math.abs(sum - cost) < 1e-9) found.push(chosen);
    if (chosen.length === most) return;
    for (let k = from; k < request.frames.length; k += 1) {
      const frame = request.frames[k];
      if (!frame || chosen.filter((f) => f === frame).length >= (frame.available ?? most)) continue;
      pick(k, [...chosen, frame], sum + frame.cost);
    }
  };
  pick(0, [], 0);
  return found;
}

function bestIn(
  request: FrameRequest,
  spots: readonly Spot[],
  first: Figures | null,
  most: number,
): { best: Figures | null; looked: number } {
  let best = first;
  let looked = 0;
  const held: (number | null)[] = spots.map(() => null);
  const put = (i: number, again: number): void => {
    looked += 1;
    if (looked >= most || (best !== null && again > best[0])) return;
    const cable = request.cables[i];
    if (!cable) {
      const figures = figuresOf(request, spots, held, again);
      if (figures !== null && (best === null || lower(figures, best))) best = figures;
      return;
    }
    const tried = new Set<string>();
    spots.forEach((spot, at) => {
      const key = `${spot.opening} ${spot.row} ${spot.size} ${spot.corner} ${spot.x}`;
      // Places over one another in a block are alike.
      if (held[at] !== null || tried.has(key)) return;
      const fitting = modulesAt(request, spot).filter((m) => carries(m, cable.diameter));
      if (fitting.length === 0) return;
      tried.add(key);
      held[at] = i;
      put(i + 1, again + Math.min(...fitting.map((m) => Number(peelFor(m, cable.diameter).remeasure))));
      held[at] = null;
    });
  };
  put(0, 0);
  return { best, looked };
}

const modulesAt = (request: FrameRequest, spot: Spot) =>
  request.modules.filter((m) =>
    spot.corner === null ? !m.corner && toUm(m.size) === spot.size : m.id === spot.corner,
  );

function figuresOf(
  request: FrameRequest,
  spots: readonly Spot[],
  held: readonly (number | null)[],
  again: number,
): Figures | null {
  const cableAt = (at: number) => request.cables[held[at] ?? -1];
  const standing = spots.flatMap((spot, at) => {
    const cable = cableAt(at);
    return cable ? [{ spot, cable }] : [];
  });
  for (const { circuits, by } of request.apart)
    for (const p of standing)
      for (const q of standing) {
        if (p.spot.opening !== q.spot.opening || (by === 'row' && p.spot.row !== q.spot.row)) continue;
        if (p.cable.circuit === circuits[0] && q.cable.circuit === circuits[1]) return null;
      }
  let toSpares = 0;
  for (const size of new Set(spots.flatMap((s) => s.size ?? []))) {
    const mine = spots.flatMap((s, at) => (s.size === size ? [at] : []));
    const carrying = mine.filter((at) => held[at] !== null).length;
    if (carrying === 0) continue;
    const spares = mine.filter((at) => held[at] === null);
    if (spares.length < Math.ceil(request.spare.share * carrying - 1e-9)) return null;
    const out = spares.map(
      (at) =>
        standing.filter(
          ({ spot }) => spot.opening === spots[at]?.opening && spot.row >= (spots[at]?.row ?? 0),
        ).length,
    );
    toSpares += Math.min(request.cables.length, ...out);
  }
  let price = 0;
  spots.forEach((spot, at) => {
    const modules = modulesAt(request, spot);
    const cable = cableAt(at);
    const allowed = cable === undefined ? modules : modules.filter((m) => carries(m, cable.diameter));
    const least =
      cable === undefined ? 0 : Math.min(...allowed.map((m) => Number(peelFor(m, cable.diameter).remeasure)));
    price += Math.min(
      ...allowed
        .filter((m) => cable === undefined || Number(peelFor(m, cable.diameter).remeasure) === least)
        .map((m) => m.cost ?? 0),
    );
  });
  let crossings = 0;
  for (const side of ['front', 'back'] as const)
    standing.forEach((p, i) => {
      for (const q of standing.slice(i + 1)) {
        const [a, b] = [p.cable[side], q.cable[side]];
        if (a === undefined || b === undefined || p.spot.opening !== q.spot.opening) continue;
        if ((p.spot.x - q.spot.x) * (a - b) < 0) crossings += 1;
      }
    });
  return [again, toSpares, price, crossings];
}
