import { formatInchFraction, trimNumber, type LengthUnit } from '@/core/units';
import type { ScheduleEndView, ScheduleRowView } from '@/core/termination-view';

/** A grid row: every cell as the text that a person types and the server reads. */
export interface GridRow {
  readonly id: number;
  readonly tag: string;
  readonly type: string;
  readonly route: string;
  readonly note: string;
  readonly aPlace: string;
  readonly aTail: string;
  readonly aSpare: string;
  readonly bPlace: string;
  readonly bTail: string;
  readonly bSpare: string;
  readonly versions: { readonly cable: number; readonly A: number; readonly B: number };
}

const place = (end: ScheduleEndView): string =>
  end.enclosure === null || end.entry === null ? '' : `${end.enclosure}/${end.entry}`;

const length = (mm: number | null, unit: LengthUnit): string =>
  mm === null ? '' : unit === 'mm' ? trimNumber(mm, 1) : formatInchFraction(mm, 16);

/** Numbers of a row as texts in the job's unit. */
export function gridRow(row: ScheduleRowView, unit: LengthUnit): GridRow {
  return {
    id: row.id,
    tag: row.tag,
    type: row.type,
    route: row.routeMm === null ? '' : trimNumber(row.routeMm / 1000, 3),
    note: row.note,
    aPlace: place(row.a),
    aTail: length(row.a.tailMm, unit),
    aSpare: length(row.a.spareMm, unit),
    bPlace: place(row.b),
    bTail: length(row.b.tailMm, unit),
    bSpare: length(row.b.spareMm, unit),
    versions: { cable: row.version, A: row.a.version, B: row.b.version },
  };
}

export const GRID_FIELDS = ['tag', 'type', 'route', 'aPlace', 'aTail', 'bPlace', 'bTail', 'note'] as const;

/** Fields that differ, as the server wants them. */
export function changedFields(before: GridRow, after: GridRow): Record<string, string> {
  const changed: Record<string, string> = {};
  for (const field of GRID_FIELDS) if (before[field] !== after[field]) changed[field] = after[field];
  return changed;
}

/** Names that the server sorts by, for the columns of the grid. */
export const SORT_OF: Readonly<Record<string, string>> = {
  tag: 'tag',
  type: 'type',
  route: 'routeMm',
  note: 'note',
  aPlace: 'aEnclosure',
  bPlace: 'bEnclosure',
};
