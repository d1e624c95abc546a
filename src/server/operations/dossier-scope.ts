import { refuse, ok, type Result } from '@/core/kernel';
import type { SubjectKind } from '@/core/record';
import { loadTerminations, recordSubjects, terminationIdsOfJob, type JobRow, type Tx } from '@/data';
import { keeperOf } from '../record/housed';
import { requireCrossing } from './crossing-assess';
import { requireTermination } from './load';

/** Of what a dossier is: one end, one crossing, a box with all that goes into it, or the job. */
export const DOSSIER_KINDS = ['end', 'crossing', 'box', 'job'] as const;

export interface DossierOf {
  readonly kind: (typeof DOSSIER_KINDS)[number];
  /** Cable, crossing or box; empty for the job. */
  readonly name: string;
  /** Of the cable; empty for anything else. */
  readonly end: string;
}

/** Subjects by their rows. Null stands for all that a job's record knows. */
export type Scope = Readonly<Record<SubjectKind, readonly number[]>> | null;

const BATCH = 500;

async function endsOfBox(tx: Tx, job: JobRow, box: string): Promise<number[]> {
  const found: number[] = [];
  const ids = await terminationIdsOfJob(tx, job.id);
  for (let i = 0; i < ids.length; i += BATCH)
    for (const row of await loadTerminations(tx, ids.slice(i, i + BATCH)))
      if (row.place?.enclosure.tag === box) found.push(row.id);
  return found;
}

/** The subjects that a dossier is of; refused where there is none. */
export async function scopeOf(tx: Tx, job: JobRow, { kind, name, end }: DossierOf): Promise<Result<Scope>> {
  switch (kind) {
    case 'job':
      return ok(null);
    case 'end': {
      const found = await requireTermination(tx, { job: job.slug, cable: name, end });
      if (!found.ok) return found;
      // The record of a joint is kept by one of its halves, whichever is asked for.
      const { id } = await keeperOf(tx, found.value.row);
      return ok({ termination: [id], crossing: [] });
    }
    case 'crossing': {
      const found = await requireCrossing(tx, { job: job.slug, crossing: name });
      return found.ok ? ok({ termination: [], crossing: [found.value.row.id] }) : found;
    }
    case 'box': {
      const termination = await endsOfBox(tx, job, name);
      return termination.length === 0
        ? refuse('box', 'no end goes into a box of that name', name)
        : ok({ termination, crossing: [] });
    }
  }
}

/** The rows of a scope that have a record, of one kind. */
export async function recorded(
  tx: Tx,
  job: JobRow,
  kind: SubjectKind,
  scope: Scope,
): Promise<{ id: number; subject: string }[]> {
  const all = await recordSubjects(tx, job.id, kind);
  return scope === null ? all : all.filter((s) => scope[kind].includes(s.id));
}
