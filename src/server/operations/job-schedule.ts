import { group } from 'd3';
import type { ScheduleCable } from '@/core/schedule';
import {
  loadReadings,
  loadSchedule,
  type JobRow,
  type ScheduleEnd,
  type ScheduleRow,
  type StoredReading,
  type Tx,
} from '@/data';

export const endValues = (end: ScheduleEnd): ScheduleCable['A'] => ({
  place: end.enclosure === null || end.entry === null ? null : `${end.enclosure}/${end.entry}`,
  tailMm: end.tailMm,
  spareMm: end.spareMm,
});

function scheduleCable(row: ScheduleRow, readings: readonly StoredReading[]): ScheduleCable {
  return {
    tag: row.tag,
    type: row.type,
    routeMm: row.routeMm,
    note: row.note,
    A: endValues(row.a),
    B: endValues(row.b),
    readings: readings.map(({ end, reading }) => ({ end, reading })),
  };
}

/** Every cable of a job with its readings, as the database has them and as a file would. */
export interface JobSchedule {
  readonly rows: readonly ScheduleRow[];
  readonly cables: ReadonlyMap<string, ScheduleCable>;
  readonly readings: ReadonlyMap<number, StoredReading[]>;
}

export async function loadJobSchedule(tx: Tx, job: JobRow): Promise<JobSchedule> {
  const rows = await loadSchedule(tx, job.id);
  const readings = group(
    await loadReadings(
      tx,
      rows.map((r) => r.id),
    ),
    (r) => r.cableId,
  );
  return {
    rows,
    readings,
    cables: new Map(rows.map((r) => [r.tag, scheduleCable(r, readings.get(r.id) ?? [])])),
  };
}
