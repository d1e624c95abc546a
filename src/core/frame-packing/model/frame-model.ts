import type { LinearProgram, ProgramColumn, ProgramRow } from '@/core/kernel';
import type { CableGroup, PlaceOption } from './cable-groups';
import type { CircuitSets } from './circuit-sets';
import { extraSpares, mostFrames, sparesOwed, type FrameRequest } from './frame-request';
import { divides, plainSizes, type OpeningPatterns, type RowKind, rowWidth } from './row-patterns';

/** Rows of one kind, in openings of one set of circuits, holding one set of circuits. */
export interface RowClass {
  readonly kind: RowKind;
  readonly opening: number;
  readonly row: number;
  /** Whether no such row may be: circuits lie in it already that its set does not hold. */
  readonly shut: boolean;
}

/** The whole request as one model. Everything of one kind is counted, nothing is numbered: that is what keeps it small. */
export interface FrameModel {
  readonly columns: ProgramColumn[];
  readonly rows: ProgramRow[];
  /** Column of the number of frames of each kind. */
  readonly frames: readonly number[];
  /** Columns of how often a pattern fills an opening of a type, for each set of circuits. */
  readonly patterns: readonly {
    readonly column: number;
    readonly type: number;
    readonly pattern: number;
    readonly opening: number;
  }[];
  readonly rowClasses: readonly (RowClass & { readonly column: number })[];
  /** Blocks of a row class that are divided into places of one size. */
  readonly blocks: readonly { readonly column: number; readonly rowClass: number; readonly size: number }[];
  /** Cables of a group that go into a row class by one of their options. */
  readonly cables: readonly {
    readonly column: number;
    readonly group: number;
    readonly option: PlaceOption;
    readonly opening: number;
    readonly row: number;
  }[];
  /** Sets of circuits that an opening may hold, and for each those that one of its rows may hold. */
  readonly sets: CircuitSets['sets'];
  readonly cost: readonly number[];
  readonly remeasure: readonly number[];
  /** Height of all rows with a plate each: what a plan with the most room to spare has least of. */
  readonly height: readonly number[];
}

const within = (some: readonly string[], all: readonly string[]): boolean =>
  some.every((c) => all.includes(c));

/**
 * Builds the model. `types` are the patterns of each distinct opening, `openingTypes` which of them each frame has. With `packing` exact,
 * rows come from patterns; with `room` they only have to fit in sum, which is far quicker, never refuses what could be built, and so
 * bounds the cost from below.
 */
export function frameModel(
  request: FrameRequest,
  groups: readonly CableGroup[],
  types: readonly OpeningPatterns[],
  openingTypes: readonly (readonly number[])[],
  packing: 'exact' | 'room',
  sets: CircuitSets['sets'],
): FrameModel {
  const columns: ProgramColumn[] = [];
  const rows: ProgramRow[] = [];
  const whole = (upper: number): number =>
    columns.push({ cost: 0, lower: 0, upper: Math.max(0, upper), whole: true }) - 1;
  const equal = (terms: readonly (readonly [number, number])[], lower: number, upper = lower): void => {
    rows.push({ lower, upper, columns: terms.map(([c]) => c), values: terms.map(([, v]) => v) });
  };
  const placed = groups.reduce((sum, g) => sum + g.tags.length, 0);
  const frames = request.frames.map((f, i) =>
    whole(
      (openingTypes[i] ?? []).some((t) => (types[t]?.patterns.length ?? 0) === 0)
        ? 0
        : Math.min(f.available ?? Infinity, mostFrames(request, placed)),
    ),
  );
  const patterns: FrameModel['patterns'][number][] = [];
  if (packing === 'exact')
    types.forEach((type, t) => {
      type.patterns.forEach((_, p) =>
        sets.forEach((set, o) =>
          patterns.push({
            column: whole(within(type.beside, set.opening) ? Infinity : 0),
            type: t,
            pattern: p,
            opening: o,
          }),
        ),
      );
      // Every opening of every frame that is used is filled in one way.
      equal(
        [
          ...patterns.filter((x) => x.type === t).map((x) => [x.column, 1] as const),
          ...openingsOf(frames, openingTypes, (x) => (x === t ? -1 : 0)),
        ],
        0,
      );
    });

  const kinds = new Map(types.flatMap((t) => [...t.kinds]));
  const rowClasses: (RowClass & { column: number })[] = [];
  for (const [key, kind] of kinds)
    sets.forEach((set, o) => {
      const mine = set.rows.map((together, r) => {
        const shut = !within(kind.beside, together);
        return { kind, opening: o, row: r, shut, column: whole(shut ? 0 : Infinity) };
      });
      rowClasses.push(...mine);
      if (packing === 'exact')
        equal(
          [
            ...mine.map((c) => [c.column, 1] as const),
            ...patterns.flatMap((x) => {
              const n = x.opening === o ? (types[x.type]?.patterns[x.pattern]?.rows.get(key) ?? 0) : 0;
              return n > 0 ? [[x.column, -n] as const] : [];
            }),
          ],
          0,
        );
    });

  if (packing === 'room') roomForRows(types, openingTypes, frames, rowClasses, equal);

  const sizes = plainSizes(request.modules);
  const blocks: FrameModel['blocks'][number][] = [];
  rowClasses.forEach((rowClass, i) => {
    const mine = sizes
      .filter((size) => divides(rowClass.kind, size))
      .map((size) => ({ column: whole(Infinity), rowClass: i, size }));
    blocks.push(...mine);
    // Blocks fill the row edge to edge.
    equal([...mine.map((b) => [b.column, 1] as const), [rowClass.column, -rowClass.kind.blocks]], 0);
  });

  const cables: FrameModel['cables'][number][] = [];
  groups.forEach((group, g) => {
    const mine = sets.flatMap((set, o) =>
      set.rows.flatMap((together, r) =>
        group.circuit !== null && !together.includes(group.circuit)
          ? []
          : group.options.map((option) => ({
              column: whole(group.tags.length),
              group: g,
              option,
              opening: o,
              row: r,
            })),
      ),
    );
    cables.push(...mine);
    equal(
      mine.map((c) => [c.column, 1] as const),
      group.tags.length,
    );
  });
  const begun: Begun = { request, groups, sizes, sets, rowClasses, blocks, cables, whole, equal };
  roomForCables(begun);
  spares(begun);
  wholeBlocks(begun);

  const zero = () => columns.map(() => 0);
  const [cost, remeasure, height] = [zero(), zero(), zero()];
  frames.forEach((f, i) => (cost[f] = request.frames[i]?.cost ?? 0));
  for (const c of cables) remeasure[c.column] = c.option.remeasure ? 1 : 0;
  for (const c of rowClasses) height[c.column] = (c.kind.height + 1000) / 1000;
  return { columns, rows, frames, patterns, rowClasses, blocks, cables, sets, cost, remeasure, height };
}

type Equal = (terms: readonly (readonly [number, number])[], lower: number, upper?: number) => void;

/** The model with its columns, to which rules are still added. */
interface Begun extends Pick<FrameModel, 'sets' | 'rowClasses' | 'blocks' | 'cables'> {
  readonly request: FrameRequest;
  readonly groups: readonly CableGroup[];
  readonly sizes: readonly number[];
  /** A new whole-numbered column. */
  readonly whole: (upper: number) => number;
  readonly equal: Equal;
}

/** Terms for a sum over all openings of the frames that are used. */
const openingsOf = (
  frames: readonly number[],
  openingTypes: readonly (readonly number[])[],
  of: (type: number) => number,
): (readonly [number, number])[] =>
  frames.flatMap((f, i) => {
    const sum = (openingTypes[i] ?? []).reduce((total, t) => total + of(t), 0);
    return sum === 0 ? [] : [[f, sum] as const];
  });

/** Rows of one width fit into the openings of that width in sum; corner rows are as many as the rounded openings have. */
function roomForRows(
  types: readonly OpeningPatterns[],
  openingTypes: readonly (readonly number[])[],
  frames: readonly number[],
  rowClasses: FrameModel['rowClasses'],
  equal: Equal,
): void {
  for (const width of new Set(types.map((t) => t.width))) {
    const plate = Math.min(...types.filter((t) => t.width === width).map((t) => t.plate));
    equal(
      [
        ...rowClasses.flatMap((c) =>
          rowWidth(c.kind) === width ? [[c.column, c.kind.height + plate] as const] : [],
        ),
        ...openingsOf(frames, openingTypes, (t) => (types[t]?.width === width ? -(types[t]?.room ?? 0) : 0)),
      ],
      -Infinity,
      0,
    );
  }
  for (const key of new Set(rowClasses.flatMap((c) => (c.kind.corner === null ? [] : [c.kind.key])))) {
    const mine = rowClasses.filter((c) => c.kind.key === key).map((c) => [c.column, 1] as const);
    const counts = (t: number): number[] => types[t]?.patterns.map((p) => p.rows.get(key) ?? 0) ?? [];
    equal([...mine, ...openingsOf(frames, openingTypes, (t) => -Math.max(0, ...counts(t)))], -Infinity, 0);
    equal(
      [
        ...mine,
        ...openingsOf(frames, openingTypes, (t) => (counts(t).length > 0 ? -Math.min(...counts(t)) : 0)),
      ],
      0,
      Infinity,
    );
  }
}

/** In each class of rows there are at least as many places of a size as cables that go there by it. */
function roomForCables({ sets, rowClasses, blocks, cables, request, equal }: Begun): void {
  const corners = request.modules.filter((m) => m.corner).map((m) => m.id);
  sets.forEach((set, o) =>
    set.rows.forEach((_, r) => {
      const here = (x: { readonly opening: number; readonly row: number }) => x.opening === o && x.row === r;
      for (const size of plainSizes(request.modules)) {
        const going = cables.filter((c) => here(c) && c.option.size === size);
        if (going.length === 0) continue;
        equal(
          [
            ...blocks.flatMap((b) => {
              const rowClass = rowClasses[b.rowClass];
              return rowClass && here(rowClass) && b.size === size
                ? [[b.column, (rowClass.kind.height / size) ** 2] as const]
                : [];
            }),
            ...going.map((c) => [c.column, -1] as const),
          ],
          0,
          Infinity,
        );
      }
      for (const id of corners) {
        const going = cables.filter((c) => here(c) && c.option.size === null && c.option.module === id);
        if (going.length === 0) continue;
        equal(
          [
            ...rowClasses.flatMap((c) => (here(c) && c.kind.corner === id ? [[c.column, 2] as const] : [])),
            ...going.map((c) => [c.column, -1] as const),
          ],
          0,
          Infinity,
        );
      }
    }),
  );
}

/** Over the whole plan: places of a size that carry nothing are at least the share of those that do. */
function spares({ request, sizes, rowClasses, blocks, cables, equal }: Begun): void {
  for (const size of sizes) {
    const going = cables.filter((c) => c.option.size === size);
    const extra = extraSpares(request, size);
    if ((going.length === 0 || request.spare.share === 0) && extra <= 0) continue;
    equal(
      [
        ...blocks.flatMap((b) => {
          const height = rowClasses[b.rowClass]?.kind.height ?? 0;
          return b.size === size ? [[b.column, (height / size) ** 2] as const] : [];
        }),
        ...going.map((c) => [c.column, -(1 + request.spare.share)] as const),
      ],
      // Places are whole numbers: a hair below the share is the share.
      extra - 1e-9,
      Infinity,
    );
  }
}

/**
 * Says of each size whether it is used at all: where it is, at least one whole block of it stands there, and where a spare is owed for the
 * first cable, at least one. Whole numbers say so already; said outright, it is seen before any of them is tried.
 */
function wholeBlocks({
  request,
  groups,
  sizes,
  sets,
  rowClasses,
  blocks,
  cables,
  whole,
  equal,
}: Begun): void {
  for (const size of sizes) {
    const going = cables.filter((c) => c.option.size === size);
    if (going.length === 0) continue;
    const keepsOne = sparesOwed(request.spare.share, 1, extraSpares(request, size)) > 0;
    const anywhere = keepsOne ? whole(1) : null;
    const mine = blocks.filter((b) => b.size === size);
    if (anywhere !== null)
      equal(
        [
          ...mine.map((b) => [b.column, ((rowClasses[b.rowClass]?.kind.height ?? 0) / size) ** 2] as const),
          ...going.map((c) => [c.column, -1] as const),
          [anywhere, -1],
        ],
        0,
        Infinity,
      );
    sets.forEach((set, o) =>
      set.rows.forEach((_, r) => {
        const here = going.filter((c) => c.opening === o && c.row === r);
        if (here.length === 0) return;
        const used = whole(1);
        for (const c of here)
          equal(
            [
              [used, groups[c.group]?.tags.length ?? 0],
              [c.column, -1],
            ],
            0,
            Infinity,
          );
        equal(
          [
            ...mine.flatMap((b) => {
              const rowClass = rowClasses[b.rowClass];
              return rowClass?.opening === o && rowClass.row === r ? [[b.column, 1] as const] : [];
            }),
            [used, -1],
          ],
          0,
          Infinity,
        );
        if (anywhere !== null)
          equal(
            [
              [anywhere, 1],
              [used, -1],
            ],
            0,
            Infinity,
          );
      }),
    );
  }
}

/** The model as a program for one of its objectives, with what was reached before held fast, and with `frames` as many as given. */
export function programFor(
  model: FrameModel,
  objective: readonly number[],
  held: readonly { readonly of: readonly number[]; readonly atMost: number }[],
  frames: readonly number[] | null = null,
): LinearProgram {
  return {
    sense: 'minimize',
    columns: model.columns.map((c, i) => {
      const n = frames?.[model.frames.indexOf(i)];
      return { ...c, cost: objective[i] ?? 0, ...(n === undefined ? {} : { lower: n, upper: n }) };
    }),
    rows: [
      ...model.rows,
      ...held.map(({ of, atMost }): ProgramRow => {
        const used = of.flatMap((v, i) => (v === 0 ? [] : [i]));
        return { lower: -Infinity, upper: atMost + 1e-6, columns: used, values: used.map((i) => of[i] ?? 0) };
      }),
    ],
  };
}
