import { and, desc, eq, inArray, isNull, lte } from 'drizzle-orm';
import { SUPERVISES } from '@/core/people';
import type { Tx } from '../connection';
import { membership, person, personPin, supervision } from '../schema';

/** Whoever an apprentice works under, and until when. */
export interface Supervision {
  readonly person: string;
  readonly name: string;
  readonly until: Date;
}

/** A member of a job who may take an apprentice under them. */
const supervises = (jobId: number) =>
  and(
    eq(membership.jobId, jobId),
    inArray(membership.role, [...SUPERVISES]),
    isNull(membership.endedAt),
    isNull(person.blockedAt),
  );

/** Under whom an apprentice worked in a job at a time; null where under nobody. The last one that had begun counts. */
export async function supervisionAt(
  tx: Tx,
  jobId: number,
  apprenticeId: string,
  at: Date,
): Promise<Supervision | null> {
  const [row] = await tx
    .select({ person: person.id, name: person.name, until: supervision.until })
    .from(supervision)
    .innerJoin(person, eq(person.id, supervision.supervisorId))
    .where(
      and(
        eq(supervision.jobId, jobId),
        eq(supervision.apprenticeId, apprenticeId),
        lte(supervision.since, at),
      ),
    )
    .orderBy(desc(supervision.since), desc(supervision.id))
    .limit(1);
  if (row === undefined || row.until <= at) return null;
  // Whoever may not work here themselves any more answers for nobody.
  const [still] = await tx
    .select({ id: person.id })
    .from(membership)
    .innerJoin(person, eq(membership.personId, person.id))
    .where(and(supervises(jobId), eq(person.id, row.person)))
    .limit(1);
  return still === undefined ? null : row;
}

export async function insertSupervision(tx: Tx, row: typeof supervision.$inferInsert): Promise<void> {
  await tx.insert(supervision).values(row);
}

/** Who may take an apprentice under them in a job: fitters and inspectors of it who have a PIN. */
export async function supervisorsOf(tx: Tx, jobId: number): Promise<{ id: string; name: string }[]> {
  return tx
    .selectDistinct({ id: person.id, name: person.name })
    .from(membership)
    .innerJoin(person, eq(membership.personId, person.id))
    .innerJoin(personPin, eq(personPin.personId, person.id))
    .where(supervises(jobId))
    .orderBy(person.name);
}
