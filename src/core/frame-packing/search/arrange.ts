import { toUm } from '@/core/kernel';
import type { CableGroup, PlaceOption } from '../model/cable-groups';
import type { FrameCounts } from '../model/frame-counts';
import type { Place, PlannedFrame, PlannedOpening } from '../model/frame-plan';
import type { FrameCable, FrameOpening, FrameRequest } from '../model/frame-request';
import { peelFor } from '../model/peel';
import type { OpeningPatterns, RowKind, RowPattern } from '../model/row-patterns';

/** A place before it is known what stands in it. Lengths in micrometres. */
interface OpenPlace {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly opening: number;
  readonly row: number;
  readonly set: string;
  cable: string | null;
  module: string | null;
}

interface OpenRow {
  readonly kind: RowKind;
  readonly base: number;
  readonly places: OpenPlace[];
}

interface OpenOpening {
  readonly frame: number;
  readonly spec: FrameOpening;
  readonly pattern: RowPattern;
  readonly rows: OpenRow[];
}

/** Counts that are drawn from until they are used up. */
class Pool {
  private readonly left: number[];
  constructor(counts: readonly number[]) {
    this.left = [...counts];
  }
  take(allowed: (i: number) => boolean): number {
    const at = this.left.findIndex((n, i) => n > 0 && allowed(i));
    if (at < 0) throw new Error('the model gave fewer than it promised');
    this.left[at] = (this.left[at] ?? 0) - 1;
    return at;
  }
}

/** Turns counts into frames, rows and places, and puts the cables into them. */
export function arrange(
  request: FrameRequest,
  groups: readonly CableGroup[],
  types: readonly OpeningPatterns[],
  openingTypes: readonly (readonly number[])[],
  counts: FrameCounts,
): PlannedFrame[] {
  const patterns = new Pool(counts.patterns.map((p) => p.count));
  const classes = new Pool(counts.rowClasses.map((c) => c.count));
  const blocks = new Pool(counts.blocks.map((b) => b.count));
  const openings: OpenOpening[] = [];
  const frames: { kind: number; openings: number[] }[] = [];
  request.frames.forEach((frame, k) => {
    for (let n = 0; n < (counts.frames[k] ?? 0); n += 1) {
      const mine = frame.openings.map((spec, i) => {
        const type = openingTypes[k]?.[i] ?? -1;
        const at = counts.patterns[patterns.take((p) => counts.patterns[p]?.type === type)];
        const pattern = types[type]?.patterns[at?.pattern ?? -1];
        if (!at || !pattern) throw new Error('a pattern that was not offered');
        openings.push(
          openOpening(
            { spec, pattern, kinds: types[type]?.kinds ?? new Map(), set: at.opening },
            { index: openings.length, frame: frames.length },
            { counts, classes, blocks },
          ),
        );
        return openings.length - 1;
      });
      frames.push({ kind: k, openings: mine });
    }
  });
  putCables(request, groups, counts, openings);
  return frames.map(({ kind, openings: mine }) => ({
    frame: request.frames[kind]?.id ?? '',
    openings: mine.flatMap((i) => {
      const opening = openings[i];
      return opening ? [closed(request, opening)] : [];
    }),
  }));
}

/** Lower edges of the rows in building order, micrometres from the bottom of the opening. */
export function rowBases(
  spec: FrameOpening,
  press: RowPattern['press'],
  heights: readonly number[],
): number[] {
  const [height, plate] = [toUm(spec.height), toUm(spec.plate)];
  const upward = heights.map((_, i) => heights.slice(0, i).reduce((sum, h) => sum + h + plate, 0));
  if (press === 'top') return upward;
  if (press === 'bottom') return upward.map((base, i) => height - base - (heights[i] ?? 0));
  // The last row stands at the top, on the far side of the press unit.
  return upward.map((base, i) => (i === heights.length - 1 ? height - (heights[i] ?? 0) : base));
}

/** What an opening is filled with: its pattern of rows, of these kinds, and the set of circuits that it holds. */
interface ChosenOpening {
  readonly spec: FrameOpening;
  readonly pattern: RowPattern;
  readonly kinds: ReadonlyMap<string, RowKind>;
  readonly set: number;
}

/** What the model counted, with what of it is still to be dealt out. */
interface Stock {
  readonly counts: FrameCounts;
  readonly classes: Pool;
  readonly blocks: Pool;
}

function openOpening(
  { spec, pattern, kinds, set }: ChosenOpening,
  { index, frame }: { readonly index: number; readonly frame: number },
  { counts, classes, blocks }: Stock,
): OpenOpening {
  const list = [...pattern.rows].flatMap(([key, n]) => {
    const kind = kinds.get(key);
    return kind ? Array.from({ length: n }, () => kind) : [];
  });
  // Largest first, farthest from the press unit; a corner row begins, a second one ends.
  const corners = list.filter((k) => k.corner !== null);
  const plain = list.filter((k) => k.corner === null).sort((a, b) => b.height - a.height);
  const order = [...corners.slice(0, 1), ...plain, ...corners.slice(1)];
  const bases = rowBases(
    spec,
    pattern.press,
    order.map((k) => k.height),
  );
  const rows = order.map((kind, r): OpenRow => {
    const rowClass = classes.take((c) => {
      const found = counts.rowClasses[c];
      return found?.kind.key === kind.key && found.opening === set;
    });
    const together = `${set}/${counts.rowClasses[rowClass]?.row ?? 0}`;
    const base = bases[r] ?? 0;
    const at = (key: string, x: number, y: number): OpenPlace => ({
      key,
      x,
      y,
      opening: index,
      row: r,
      set: together,
      cable: null,
      module: null,
    });
    const places: OpenPlace[] = [];
    const from = kind.corner === null ? 0 : kind.height;
    if (kind.corner !== null) places.push(at(`c${kind.corner}`, 0, base));
    for (let b = 0; b < kind.blocks; b += 1) {
      const size =
        counts.blocks[blocks.take((i) => counts.blocks[i]?.rowClass === rowClass)]?.size ?? kind.height;
      const side = kind.height / size;
      for (let j = 0; j < side; j += 1)
        for (let i = 0; i < side; i += 1)
          places.push(at(`s${size}`, from + b * kind.height + i * size, base + j * size));
    }
    if (kind.corner !== null) places.push(at(`c${kind.corner}`, toUm(spec.width) - kind.height, base));
    return { kind, base, places };
  });
  return { frame, spec, pattern, rows };
}

/** Each class of rows takes the cables that the model sent there, from row 1 on, so that what stays free lies nearest the press unit. */
function putCables(
  request: FrameRequest,
  groups: readonly CableGroup[],
  counts: FrameCounts,
  openings: readonly OpenOpening[],
): void {
  const byTag = new Map(request.cables.map((c) => [c.tag, c]));
  const tray = (tag: string): number => byTag.get(tag)?.front ?? byTag.get(tag)?.back ?? Infinity;
  const waiting = groups.map((g) => [...g.tags].sort((a, b) => tray(a) - tray(b)));
  const going = new Map<string, { tag: string; option: PlaceOption }[]>();
  for (const cable of counts.cables) {
    const key = `${cable.opening}/${cable.row} ${cable.option.key}`;
    const list = going.get(key) ?? [];
    for (const tag of waiting[cable.group]?.splice(0, cable.count) ?? [])
      list.push({ tag, option: cable.option });
    going.set(key, list);
  }
  const places = openings.flatMap((o) => o.rows.flatMap((r) => r.places));
  for (const [key, list] of going) {
    const free = places
      .filter((p) => `${p.set} ${p.key}` === key)
      .sort((a, b) => a.row - b.row || a.opening - b.opening)
      .slice(0, list.length)
      // Left to right within an opening, as the trays come.
      .sort((a, b) => a.opening - b.opening || a.x - b.x || a.y - b.y);
    if (free.length < list.length) throw new Error('the model sent more cables than there are places');
    list
      .sort((a, b) => tray(a.tag) - tray(b.tag))
      .forEach(({ tag, option }, i) => {
        const place = free[i];
        if (!place) return;
        place.cable = tag;
        place.module = option.module;
      });
  }
}

function closed(request: FrameRequest, { pattern, rows }: OpenOpening): PlannedOpening {
  const byTag = new Map(request.cables.map((c) => [c.tag, c]));
  return {
    press: pattern.press,
    closure: pattern.closure / 1000,
    rows: rows.map(({ kind, places }) => ({
      height: kind.height / 1000,
      places: places.map((p) => placeOf(request, p, p.cable === null ? undefined : byTag.get(p.cable))),
    })),
    fillers: pattern.fillers,
  };
}

function placeOf(request: FrameRequest, place: OpenPlace, cable: FrameCable | undefined): Place {
  const spare = (): string => {
    if (place.key.startsWith('c')) return place.key.slice(1);
    const size = Number(place.key.slice(1));
    const [first] = request.modules
      .filter((m) => !m.corner && toUm(m.size) === size)
      .sort((a, b) => (a.cost ?? 0) - (b.cost ?? 0));
    return first?.id ?? '';
  };
  const where = { module: place.module ?? spare(), x: place.x / 1000, y: place.y / 1000 };
  const block = request.modules.find((m) => m.id === where.module);
  if (!cable || !block) return where;
  const peel = peelFor(block, cable.diameter);
  return {
    ...where,
    cable: cable.tag,
    peel: peel.layers,
    gap: peel.gap,
    ...(peel.remeasure ? { remeasure: true as const } : {}),
    ...(peel.noPeel ? { noPeel: true as const } : {}),
  };
}
