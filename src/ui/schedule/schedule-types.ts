import type { Result } from '@/core/kernel';
import type { ImportRow } from '@/core/schedule';
import type { RowOutcome, RowVersions } from '../termination/actions';

/** One row of the grid as the server sends it. Lengths in mm. */
export interface ScheduleRowView {
  readonly id: number;
  readonly version: number;
  readonly tag: string;
  readonly type: string;
  readonly routeMm: number | null;
  readonly note: string;
  readonly a: ScheduleEndView;
  readonly b: ScheduleEndView;
}

export interface ScheduleEndView {
  readonly version: number;
  readonly enclosure: string | null;
  readonly entry: string | null;
  readonly tailMm: number | null;
  readonly spareMm: number;
}

export interface ScheduleActions {
  readonly addCable: (
    job: string,
    fields: Readonly<Record<string, string>>,
  ) => Promise<Result<{ id: number }>>;
  readonly editRow: (
    job: string,
    cableId: number,
    versions: RowVersions,
    fields: Readonly<Record<string, string>>,
  ) => Promise<Result<RowOutcome>>;
  readonly retireCable: (
    job: string,
    cableId: number,
    version: number,
  ) => Promise<Result<{ tag: string; events: number }>>;
  readonly undo: (job: string) => Promise<Result<{ label: string }>>;
}

export interface ScheduleChoices {
  readonly types: readonly string[];
  readonly entries: readonly string[];
}

export interface ImportPreviewView {
  readonly columns: readonly string[];
  readonly unknownColumns: readonly string[];
  readonly rows: readonly ImportRow[];
  readonly delimiter: string;
  readonly hash: string;
  readonly refusedCsv: string;
}

export interface ImportOutcomeView {
  readonly added: number;
  readonly changed: number;
  readonly refused: number;
}
