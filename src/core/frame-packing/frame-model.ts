import type { LinearProgram, ProgramColumn, ProgramRow } from '@/core/kernel';
import { toUm } from '@/core/kernel';
import type { CableGroup, PlaceOption } from './cable-groups';
import { togetherSets } from './circuit-sets';
import type { FrameRequest } from './frame-request';
import { plainSizes, type OpeningPatterns, type RowKind } from './row-patterns';

/** Rows of one kind, in openings of one set of circuits, holding one set of circuits. */
export interface RowClass {
  readonly kind: RowKind;
  readonly opening: number;
  readonly row: number;
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
  readonly sets: readonly {
    readonly opening: readonly string[];
    readonly rows: readonly (readonly string[])[];
  }[];
  readonly cost: readonly number[];
  readonly remeasure: readonly number[];
  readonly moduleCost: readonly number[];
}

const ANY: readonly (readonly string[])[] = [[]];

/** Builds the model. `types` are the patterns of each distinct opening, `openingTypes` which of them each frame has. */
export function frameModel(
  request: FrameRequest,
  groups: readonly CableGroup[],
  types: readonly OpeningPatterns[],
  openingTypes: readonly (readonly number[])[],
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
        : Math.min(f.available ?? Infinity, 2 * placed),
    ),
  );
  const circuits = [...new Set(groups.flatMap((g) => (g.circuit === null ? [] : [g.circuit])))].sort();
  const openingSets = circuits.length === 0 ? ANY : togetherSets(request, 'opening', circuits);
  const sets = openingSets.map((opening) => ({
    opening,
    rows: circuits.length === 0 ? ANY : togetherSets(request, 'row', opening),
  }));

  const patterns: FrameModel['patterns'][number][] = [];
  types.forEach((type, t) => {
    type.patterns.forEach((_, p) =>
      sets.forEach((_set, o) => patterns.push({ column: whole(Infinity), type: t, pattern: p, opening: o })),
    );
    // Every opening of every frame that is used is filled in one way.
    equal(
      [
        ...patterns.filter((x) => x.type === t).map((x) => [x.column, 1] as const),
        ...frames
          .map((f, i) => [f, -(openingTypes[i] ?? []).filter((x) => x === t).length] as const)
          .filter(([, n]) => n !== 0),
      ],
      0,
    );
  });

  const kinds = new Map(types.flatMap((t) => [...t.kinds]));
  const rowClasses: (RowClass & { column: number })[] = [];
  for (const [key, kind] of kinds)
    sets.forEach((set, o) => {
      const mine = set.rows.map((_, r) => ({ kind, opening: o, row: r, column: whole(Infinity) }));
      rowClasses.push(...mine);
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

  const sizes = plainSizes(request.modules);
  const blocks: FrameModel['blocks'][number][] = [];
  rowClasses.forEach((rowClass, i) => {
    const mine = sizes
      .filter((size) => rowClass.kind.height % size === 0)
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
  roomForCables(sets, rowClasses, blocks, cables, request, equal);
  spares(request, sizes, rowClasses, blocks, cables, equal);

  const zero = () => columns.map(() => 0);
  const [cost, remeasure, moduleCost] = [zero(), zero(), zero()];
  frames.forEach((f, i) => (cost[f] = request.frames[i]?.cost ?? 0));
  for (const c of cables) remeasure[c.column] = c.option.remeasure ? 1 : 0;
  priceModules(request, rowClasses, blocks, cables, moduleCost);
  return { columns, rows, frames, patterns, rowClasses, blocks, cables, sets, cost, remeasure, moduleCost };
}

type Equal = (terms: readonly (readonly [number, number])[], lower: number, upper?: number) => void;

/** In each class of rows there are at least as many places of a size as cables that go there by it. */
function roomForCables(
  sets: FrameModel['sets'],
  rowClasses: FrameModel['rowClasses'],
  blocks: FrameModel['blocks'],
  cables: FrameModel['cables'],
  request: FrameRequest,
  equal: Equal,
): void {
  const corners = request.modules.filter((m) => m.corner).map((m) => m.id);
  sets.forEach((set, o) =>
    set.rows.forEach((_, r) => {
      const here = <T extends { opening: number; row: number }>(x: T) => x.opening === o && x.row === r;
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
function spares(
  request: FrameRequest,
  sizes: readonly number[],
  rowClasses: FrameModel['rowClasses'],
  blocks: FrameModel['blocks'],
  cables: FrameModel['cables'],
  equal: Equal,
): void {
  if (request.spare.share === 0) return;
  for (const size of sizes) {
    const going = cables.filter((c) => c.option.size === size);
    if (going.length === 0) continue;
    equal(
      [
        ...blocks.flatMap((b) => {
          const height = rowClasses[b.rowClass]?.kind.height ?? 0;
          return b.size === size ? [[b.column, (height / size) ** 2] as const] : [];
        }),
        ...going.map((c) => [c.column, -(1 + request.spare.share)] as const),
      ],
      // Places are whole numbers: a hair below the share is the share.
      -1e-9,
      Infinity,
    );
  }
}

/** Price of all modules: a place costs the cheapest of its size, a cable what its own module costs beyond that. */
function priceModules(
  request: FrameRequest,
  rowClasses: FrameModel['rowClasses'],
  blocks: FrameModel['blocks'],
  cables: FrameModel['cables'],
  price: number[],
): void {
  const cheapest = (size: number): number =>
    Math.min(...request.modules.filter((m) => !m.corner && toUm(m.size) === size).map((m) => m.cost ?? 0));
  for (const b of blocks) {
    const height = rowClasses[b.rowClass]?.kind.height ?? 0;
    price[b.column] = (height / b.size) ** 2 * cheapest(b.size);
  }
  for (const c of rowClasses) {
    const corner = request.modules.find((m) => m.id === c.kind.corner);
    if (corner) price[c.column] = 2 * (corner.cost ?? 0);
  }
  for (const c of cables)
    if (c.option.size !== null) price[c.column] = c.option.cost - cheapest(c.option.size);
}

/** The model as a program for one of its objectives, with what was reached before held fast. */
export function programFor(
  model: FrameModel,
  objective: readonly number[],
  held: readonly { readonly of: readonly number[]; readonly atMost: number }[],
): LinearProgram {
  return {
    sense: 'minimize',
    columns: model.columns.map((c, i) => ({ ...c, cost: objective[i] ?? 0 })),
    rows: [
      ...model.rows,
      ...held.map(({ of, atMost }): ProgramRow => {
        const used = of.flatMap((v, i) => (v === 0 ? [] : [i]));
        return { lower: -Infinity, upper: atMost + 1e-6, columns: used, values: used.map((i) => of[i] ?? 0) };
      }),
    ],
  };
}
