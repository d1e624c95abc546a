import { toUm } from '@/core/kernel';
import type { FrameOpening, FrameRequest } from '../model/frame-request';
import { carries, peelFor } from '../model/peel';

/** What a row offers: how many places of each size, and how many corner places of which module. For tests only: tiny cases. */
interface RowOffer {
  readonly places: Readonly<Record<string, number>>;
  /** Circuits that lie in it already. */
  readonly beside?: readonly string[];
}

/** Every way to build an opening, row by row, without any thought of what is sensible. */
export function everyOpening(spec: FrameOpening, request: FrameRequest): RowOffer[][] {
  const sizes = [...new Set(request.modules.filter((m) => !m.corner).map((m) => toUm(m.size)))];
  const corner = request.modules.find((m) => m.corner && m.id === spec.cornerModule);
  const width = toUm(spec.width);
  const plainRows = (height: number, blocks: number, extra: Record<string, number>): RowOffer[] => {
    let offers: Record<string, number>[] = [{ ...extra }];
    for (let b = 0; b < blocks; b += 1)
      offers = offers.flatMap((o) =>
        sizes
          .filter((s) => (spec.undivided ? s === height : height % s === 0))
          .map((s) => ({ ...o, [`s${s}`]: (o[`s${s}`] ?? 0) + (height / s) ** 2 })),
      );
    const unique = new Map(offers.map((o) => [JSON.stringify(Object.entries(o).sort()), { places: o }]));
    return [...unique.values()].map((o) => ({ ...o, beside: spec.beside ?? [] }));
  };
  const choices: { height: number; corner: boolean; offers: RowOffer[] }[] = sizes
    .filter((s) => width % s === 0)
    .map((s) => ({ height: s, corner: false, offers: plainRows(s, width / s, {}) }));
  if (corner) {
    const c = toUm(corner.size);
    if (width % c === 0 && width / c >= 2)
      choices.push({
        height: c,
        corner: true,
        offers: plainRows(c, width / c - 2, { [`c${corner.id}`]: 2 }),
      });
  }
  const built: RowOffer[][] = [];
  const sequences: (typeof choices)[number][][] = [];
  const grow = (rows: (typeof choices)[number][], tall: number): void => {
    if (tall > toUm(spec.height)) return;
    if (rows.length > 0) sequences.push(rows);
    for (const choice of choices) grow([...rows, choice], tall + choice.height);
  };
  grow([], 0);
  for (const rows of sequences) {
    const fits = spec.press.at.some((at) => {
      const wanted = (i: number): boolean =>
        spec.cornerModule !== undefined && (i === 0 || (at === 'inside' && i === rows.length - 1));
      if (at === 'inside' && (spec.cornerModule === undefined || rows.length < 2)) return false;
      if (rows.some((r, i) => r.corner !== wanted(i))) return false;
      const plates = at !== 'inside' && spec.plateAgainstPress ? rows.length : rows.length - 1;
      const left = toUm(spec.height) - rows.reduce((s, r) => s + r.height, 0) - plates * toUm(spec.plate);
      return fillersReach(spec, 0, left);
    });
    if (!fits) continue;
    let offers: RowOffer[][] = [[]];
    for (const row of rows) offers = offers.flatMap((o) => row.offers.map((r) => [...o, r]));
    built.push(...offers);
  }
  const unique = new Map(
    built.map((o) => [
      o
        .map((r) => JSON.stringify(Object.entries(r.places).sort()))
        .sort()
        .join('|'),
      o,
    ]),
  );
  return [...unique.values()];
}

function fillersReach(spec: FrameOpening, at: number, left: number): boolean {
  const filler = spec.fillers[at];
  if (!filler) return left >= toUm(spec.press.min) && left <= toUm(spec.press.max);
  for (let n = 0; n <= filler.max; n += 1)
    if (fillersReach(spec, at + 1, left - n * toUm(filler.thickness))) return true;
  return false;
}

/** Least cost, and at that cost the fewest places to measure again; null when the frames that are there hold not all. */
export function bruteForce(
  request: FrameRequest,
  mostFrames: number,
): { cost: number; remeasure: number } | null {
  const ways = request.frames.map((f) => f.openings.map((o) => everyOpening(o, request)));
  const options = request.cables.map((cable) => {
    const best = new Map<string, number>();
    for (const m of request.modules) {
      if (!carries(m, cable.diameter)) continue;
      const key = m.corner ? `c${m.id}` : `s${toUm(m.size)}`;
      const again = Number(peelFor(m, cable.diameter).remeasure);
      best.set(key, Math.min(best.get(key) ?? 1, again));
    }
    return best;
  });
  const multisets: { kinds: number[]; cost: number }[] = [];
  const pick = (from: number, kinds: number[], cost: number): void => {
    multisets.push({ kinds, cost });
    if (kinds.length === mostFrames) return;
    for (let k = from; k < request.frames.length; k += 1) {
      const frame = request.frames[k];
      if (!frame || kinds.filter((x) => x === k).length >= (frame.available ?? mostFrames)) continue;
      pick(k, [...kinds, k], cost + frame.cost);
    }
  };
  pick(0, [], 0);
  multisets.sort((a, b) => a.cost - b.cost);
  let best: { cost: number; remeasure: number } | null = null;
  for (const { kinds, cost } of multisets) {
    if (best !== null && cost > best.cost + 1e-9) break;
    let built: { rows: RowOffer[]; opening: number[] }[] = [{ rows: [], opening: [] }];
    let openings = 0;
    for (const k of kinds)
      for (const offers of ways[k] ?? []) {
        const index = (openings += 1);
        built = built.flatMap((b) =>
          offers.map((o) => ({ rows: [...b.rows, ...o], opening: [...b.opening, ...o.map(() => index)] })),
        );
      }
    for (const b of built) {
      const least = fewest(request, options, b.rows, b.opening);
      if (least !== null && (best === null || least < best.remeasure)) best = { cost, remeasure: least };
    }
  }
  return best;
}

function fewest(
  request: FrameRequest,
  options: readonly ReadonlyMap<string, number>[],
  rows: readonly RowOffer[],
  opening: readonly number[],
): number | null {
  const left = rows.map((r) => ({ ...r.places }));
  const circuits = rows.map((r): string[] => [...(r.beside ?? [])]);
  let best: number | null = null;
  const clash = (a: string, row: number): boolean =>
    request.apart.some(({ circuits: pair, by }) => {
      if (!pair.includes(a)) return false;
      const other = pair[0] === a ? pair[1] : pair[0];
      return circuits.some(
        (held, i) => held.includes(other ?? '') && (by === 'row' ? i === row : opening[i] === opening[row]),
      );
    });
  const put = (i: number, again: number): void => {
    if (best !== null && again >= best) return;
    const cable = request.cables[i];
    if (!cable) {
      for (const m of request.modules) {
        if (m.corner) continue;
        const key = `s${toUm(m.size)}`;
        const all = rows.reduce((s, r) => s + (r.places[key] ?? 0), 0);
        const free = left.reduce((s, r) => s + (r[key] ?? 0), 0);
        const beside = (request.spare.extra ?? []).find((e) => e.size === m.size)?.count ?? 0;
        if ((all - free > 0 || beside > 0) && free < request.spare.share * (all - free) + beside - 1e-9)
          return;
      }
      best = again;
      return;
    }
    for (const [key, cost] of options[i] ?? [])
      for (let r = 0; r < rows.length; r += 1) {
        const places = left[r];
        if (!places || (places[key] ?? 0) <= 0) continue;
        if (cable.circuit !== undefined && clash(cable.circuit, r)) continue;
        places[key] = (places[key] ?? 0) - 1;
        if (cable.circuit !== undefined) circuits[r]?.push(cable.circuit);
        put(i + 1, again + cost);
        if (cable.circuit !== undefined) circuits[r]?.pop();
        places[key] = (places[key] ?? 0) + 1;
      }
  };
  put(0, 0);
  return best;
}
