import type { LinearProgram, ProgramColumn, ProgramRow } from '@/core/kernel';
import type { PlaceOption } from './cable-groups';
import type { FrameModel, RowClass } from './frame-model';
import type { FrameRequest } from './frame-request';
import { divides, plainSizes, type OpeningPatterns } from './row-patterns';

/** A solved request as counts: how many of everything, before anything has a place. */
export interface FrameCounts {
  readonly frames: readonly number[];
  readonly patterns: readonly {
    readonly type: number;
    readonly pattern: number;
    readonly opening: number;
    readonly count: number;
  }[];
  readonly rowClasses: readonly (RowClass & { readonly count: number })[];
  readonly blocks: readonly { readonly rowClass: number; readonly size: number; readonly count: number }[];
  readonly cables: readonly {
    readonly group: number;
    readonly option: PlaceOption;
    readonly opening: number;
    readonly row: number;
    readonly count: number;
  }[];
}

/** The counts of a solved model. */
export function countsOf(model: FrameModel, values: readonly number[]): FrameCounts {
  const count = <T extends { readonly column: number }>(x: T) => ({
    ...x,
    count: Math.round(values[x.column] ?? 0),
  });
  return {
    frames: model.frames.map((column) => Math.round(values[column] ?? 0)),
    patterns: model.patterns.map(count),
    rowClasses: model.rowClasses.map(count),
    blocks: model.blocks.map(count),
    cables: model.cables.map(count),
  };
}

/** One column of a cover: a pattern in openings of a type that hold a set of circuits. */
type CoverColumn = Omit<FrameCounts['patterns'][number], 'count'>;

/**
 * Can the rows that fit in sum be built? Patterns for all openings that hold at least so many rows of each kind, in openings of each set of
 * circuits. What a pattern holds beyond them stands empty.
 */
export function coverProgram(
  rows: FrameCounts,
  types: readonly OpeningPatterns[],
  openingTypes: readonly (readonly number[])[],
): { program: LinearProgram; columns: readonly CoverColumn[] } {
  const wanted = new Map<string, number>();
  const sets = new Set<number>();
  for (const c of rows.rowClasses) {
    const key = `${c.opening} ${c.kind.key}`;
    wanted.set(key, (wanted.get(key) ?? 0) + c.count);
    sets.add(c.opening);
  }
  const open = new Set(rows.rowClasses.flatMap((c) => (c.shut ? [] : [`${c.opening} ${c.kind.key}`])));
  const holds = (type: OpeningPatterns, set: number) =>
    [...type.kinds.keys()].every((key) => open.has(`${set} ${key}`));
  const columns: CoverColumn[] = types.flatMap((type, t) =>
    type.patterns.flatMap((_, p) =>
      [...sets].filter((o) => holds(type, o)).map((opening) => ({ type: t, pattern: p, opening })),
    ),
  );
  const all: ProgramColumn[] = columns.map(() => ({ cost: 0, lower: 0, upper: Infinity, whole: true }));
  const program: ProgramRow[] = types.map((_, t) => {
    const openings = rows.frames.reduce(
      (sum, n, k) => sum + n * (openingTypes[k] ?? []).filter((x) => x === t).length,
      0,
    );
    const mine = columns.flatMap((c, i) => (c.type === t ? [i] : []));
    return { lower: openings, upper: openings, columns: mine, values: mine.map(() => 1) };
  });
  for (const [key, least] of wanted) {
    if (least === 0) continue;
    const [set = '', kind = ''] = key.split(' ');
    const held = columns.map((c) =>
      c.opening === Number(set) ? (types[c.type]?.patterns[c.pattern]?.rows.get(kind) ?? 0) : 0,
    );
    const mine = held.flatMap((n, i) => (n > 0 ? [i] : []));
    program.push({ lower: least, upper: Infinity, columns: mine, values: mine.map((i) => held[i] ?? 0) });
  }
  return { program: { sense: 'minimize', columns: all, rows: program }, columns };
}

/** Rows that were promised in sum, with the patterns that hold them: what the patterns hold beyond them becomes empty rows. */
export function withCover(
  request: FrameRequest,
  rows: FrameCounts,
  types: readonly OpeningPatterns[],
  columns: readonly CoverColumn[],
  values: readonly number[],
): FrameCounts {
  const patterns = columns.flatMap((c, i) => {
    const count = Math.round(values[i] ?? 0);
    return count > 0 ? [{ ...c, count }] : [];
  });
  const rowClasses = rows.rowClasses.map((c) => ({ ...c }));
  const blocks = [...rows.blocks];
  const sizes = plainSizes(request.modules);
  const held = new Map<string, number>();
  for (const p of patterns)
    for (const [key, n] of types[p.type]?.patterns[p.pattern]?.rows ?? [])
      held.set(`${p.opening} ${key}`, (held.get(`${p.opening} ${key}`) ?? 0) + n * p.count);
  for (const [key, n] of held) {
    const at = rowClasses.findIndex((c) => `${c.opening} ${c.kind.key}` === key && !c.shut);
    const first = rowClasses[at];
    if (!first) throw new Error('a pattern of rows that no class has');
    const there = rowClasses.reduce(
      (sum, c) => (`${c.opening} ${c.kind.key}` === key ? sum + c.count : sum),
      0,
    );
    const extra = n - there;
    rowClasses[at] = { ...first, count: first.count + extra };
    const size = sizes.find((s) => divides(first.kind, s));
    if (extra > 0 && size !== undefined)
      blocks.push({ rowClass: at, size, count: extra * first.kind.blocks });
  }
  return { ...rows, patterns, rowClasses, blocks };
}
