import { sql } from 'drizzle-orm';
import type { AlikeEnds } from '@/core/job';
import { shownName } from '@/core/record';
import type { Tx } from '../connection';

/** How many ends of each job stand alike, by the id of the job. Counted by the database: a job has thousands of ends and a few hundred kinds. */
export async function alikeEndsOfJobs(tx: Tx): Promise<Map<number, AlikeEnds[]>> {
  const [rows] = (await tx.execute(sql`
    SELECT c.job_id AS jobId, s.arcs AS arcs, s.next_station AS next, s.blocked_by IS NOT NULL AS blocked, COUNT(*) AS ends
    FROM termination t JOIN cable c ON c.id = t.cable_id JOIN station_summary s ON s.termination_id = t.id
    WHERE c.retired_at IS NULL GROUP BY 1, 2, 3, 4`)) as unknown as [
    { jobId: number; arcs: string; next: string | null; blocked: number; ends: number }[],
  ];
  const found = new Map<number, AlikeEnds[]>();
  for (const { jobId, blocked, ends, ...row } of rows)
    found.set(jobId, [...(found.get(jobId) ?? []), { ...row, blocked: blocked === 1, ends }]);
  return found;
}

/** Who edited or recorded something last in each job, by the id of the job; ISO 8601. */
export async function lastTouchOfJobs(tx: Tx): Promise<Map<number, { by: string; at: string }>> {
  const found = new Map<number, { by: string; at: string }>();
  const [edits] = (await tx.execute(sql`
    SELECT e.job_id AS jobId, e.actor AS actor, DATE_FORMAT(e.at, '%Y-%m-%dT%H:%i:%s.000Z') AS at FROM edit e
    JOIN (SELECT job_id, MAX(id) AS id FROM edit GROUP BY job_id) l ON l.id = e.id`)) as unknown as [
    { jobId: number; actor: string; at: string }[],
  ];
  const [events] = (await tx.execute(sql`
    SELECT r.job_id AS jobId, e.actor AS actor, e.by_mark AS mark, e.person_id AS person, s.name AS sealed, DATE_FORMAT(r.made_at, '%Y-%m-%dT%H:%i:%s.000Z') AS at FROM record_receipt r
    JOIN (SELECT job_id, MAX(number) AS number FROM record_receipt GROUP BY job_id) l ON l.job_id = r.job_id AND l.number = r.number
    JOIN record_event e ON e.subject_kind = r.subject_kind AND e.subject_id = r.subject_id AND e.seq = r.seq
    LEFT JOIN name_seal s ON s.mark = e.by_mark`)) as unknown as [
    {
      jobId: number;
      actor: string;
      mark: string | null;
      person: string | null;
      sealed: string | null;
      at: string;
    }[],
  ];
  const touches = [
    ...edits.map(({ actor, ...edit }) => ({ ...edit, by: actor })),
    ...events.map(({ jobId, at, sealed, ...by }) => ({ jobId, at, by: shownName(by, sealed) })),
  ];
  for (const { jobId, by, at } of touches) {
    const known = found.get(jobId);
    if (known === undefined || known.at < at) found.set(jobId, { by, at });
  }
  return found;
}
