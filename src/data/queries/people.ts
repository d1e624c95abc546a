import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, gt, inArray, isNull, ne, sql } from 'drizzle-orm';
import { rolesOf, type Role } from '@/core/people';
import type { Tx } from '../connection';
import { prepared } from '../prepared';
import {
  firstRun,
  invitation,
  job,
  membership,
  person,
  personAccount,
  personPin,
  personSession,
} from '../schema';

export interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly username: string;
  readonly administrator: boolean;
  readonly blockedAt: Date | null;
}

type Told = Pick<typeof person.$inferSelect, 'id' | 'name' | 'username' | 'administrator' | 'blockedAt'>;

const personRow = (row: Told): PersonRow => ({
  id: row.id,
  name: row.name,
  username: row.username ?? '',
  administrator: row.administrator,
  blockedAt: row.blockedAt,
});

export async function anyPeople(tx: Tx): Promise<boolean> {
  const [row] = await tx.select({ id: person.id }).from(person).limit(1);
  return row !== undefined;
}

export async function findPerson(tx: Tx, id: string): Promise<PersonRow | null> {
  const [row] = await tx.select().from(person).where(eq(person.id, id));
  return row ? personRow(row) : null;
}

export async function findUsername(tx: Tx, username: string): Promise<PersonRow | null> {
  const [row] = await tx.select().from(person).where(eq(person.username, username.toLowerCase()));
  return row ? personRow(row) : null;
}

/** Makes somebody who can sign in by a name and the hash of a password. */
export async function insertPerson(
  tx: Tx,
  row: {
    readonly id: string;
    readonly name: string;
    readonly username: string;
    readonly administrator: boolean;
    readonly passwordHash: string;
  },
  now: Date,
): Promise<void> {
  const { passwordHash, username, ...rest } = row;
  const times = { createdAt: now, updatedAt: now };
  await tx.insert(person).values({
    ...rest,
    ...times,
    username: username.toLowerCase(),
    displayUsername: username,
    // The accounts library wants an address; nothing is ever sent to it.
    email: `${username.toLowerCase()}@people.invalid`,
    emailVerified: true,
  });
  await tx.insert(personAccount).values({
    id: randomUUID(),
    userId: row.id,
    accountId: row.id,
    providerId: 'credential',
    password: passwordHash,
    ...times,
  });
}

export async function listPeople(tx: Tx): Promise<PersonRow[]> {
  return (await tx.select().from(person).orderBy(asc(person.name))).map(personRow);
}

/** Writes what may change of a person; `updatedAt` with it. */
export async function writePerson(
  tx: Tx,
  id: string,
  fields: { readonly administrator?: boolean; readonly blockedAt?: Date | null },
  now: Date,
): Promise<void> {
  await tx
    .update(person)
    .set({ ...fields, updatedAt: now })
    .where(eq(person.id, id));
}

/** Administrators who can still sign in, besides this one. */
export async function otherAdministrators(tx: Tx, id: string): Promise<number> {
  const rows = await tx
    .select({ id: person.id })
    .from(person)
    .where(and(eq(person.administrator, true), isNull(person.blockedAt), ne(person.id, id)))
    .for('update');
  return rows.length;
}

/** What a person is in a job, by its slug: none when they are nothing in it, or there is no such job. */
export async function rolesInJob(tx: Tx, personId: string, slug: string): Promise<Role[]> {
  const rows = await tx
    .select({ role: membership.role })
    .from(membership)
    .innerJoin(job, eq(membership.jobId, job.id))
    .where(and(eq(membership.personId, personId), eq(job.slug, slug), isNull(membership.endedAt)));
  return rows.map((r) => r.role);
}

const inJob = prepared((tx) =>
  tx
    .select({
      id: person.id,
      name: person.name,
      username: person.username,
      administrator: person.administrator,
      blockedAt: person.blockedAt,
      role: membership.role,
      slug: job.slug,
    })
    .from(person)
    .leftJoin(membership, and(eq(membership.personId, person.id), isNull(membership.endedAt)))
    .leftJoin(job, and(eq(membership.jobId, job.id), eq(job.slug, sql.placeholder('slug'))))
    .where(eq(person.id, sql.placeholder('personId'))),
);

/** A person, and what they are in the job of that slug. */
export async function personInJob(
  tx: Tx,
  personId: string,
  slug: string,
): Promise<{ readonly person: PersonRow; readonly roles: readonly Role[] } | null> {
  const rows = await inJob(tx, { personId, slug });
  const [first] = rows;
  if (first === undefined) return null;
  const here = rows.filter((r) => r.slug !== null);
  return { person: personRow(first), roles: here.flatMap((r) => r.role ?? []) };
}

/** What a person is, in any job. */
export async function rolesAnywhere(tx: Tx, personId: string): Promise<Role[]> {
  const rows = await tx
    .selectDistinct({ role: membership.role })
    .from(membership)
    .where(and(eq(membership.personId, personId), isNull(membership.endedAt)));
  return rows.map((r) => r.role);
}

/** Slugs of the jobs that a person is anything in, with what. */
export async function jobsOfPerson(tx: Tx, personId: string): Promise<Map<string, Role[]>> {
  const rows = await tx
    .select({ slug: job.slug, role: membership.role })
    .from(membership)
    .innerJoin(job, eq(membership.jobId, job.id))
    .where(and(eq(membership.personId, personId), isNull(membership.endedAt)));
  const found = new Map<string, Role[]>();
  for (const { slug, role } of rows) found.set(slug, [...(found.get(slug) ?? []), role]);
  return found;
}

export interface Member extends PersonRow {
  readonly roles: readonly Role[];
  readonly hasPin: boolean;
}

/** Who is anything in a job. */
export async function listMembers(tx: Tx, jobId: number): Promise<Member[]> {
  const rows = await tx
    .select({ who: person, role: membership.role, pin: personPin.personId })
    .from(membership)
    .innerJoin(person, eq(membership.personId, person.id))
    .leftJoin(personPin, eq(personPin.personId, person.id))
    .where(and(eq(membership.jobId, jobId), isNull(membership.endedAt)))
    .orderBy(asc(person.name));
  const found = new Map<string, Member>();
  for (const { who, role, pin } of rows) {
    const before = found.get(who.id);
    found.set(who.id, { ...personRow(who), hasPin: pin !== null, roles: [...(before?.roles ?? []), role] });
  }
  return [...found.values()];
}

/** Makes a person exactly these in a job; what they were before stays in the table with its end. */
export async function setRoles(
  tx: Tx,
  personId: string,
  jobId: number,
  roles: readonly Role[],
  by: string | null,
  now: Date,
): Promise<void> {
  await tx
    .update(membership)
    .set({ endedAt: now })
    .where(and(eq(membership.personId, personId), eq(membership.jobId, jobId), isNull(membership.endedAt)));
  for (const role of roles)
    await tx
      .insert(membership)
      .values({ personId, jobId, role, givenBy: by, givenAt: now })
      .onDuplicateKeyUpdate({ set: { endedAt: null, givenBy: by, givenAt: now } });
}

export interface InvitationRow {
  readonly id: number;
  readonly name: string;
  readonly forPerson: string | null;
  readonly jobId: number | null;
  readonly job: string | null;
  readonly roles: readonly Role[];
  readonly administrator: boolean;
  readonly invitedBy: string;
  readonly madeAt: Date;
  readonly expiresAt: Date;
}

const invitationFields = {
  id: invitation.id,
  name: invitation.name,
  forPerson: invitation.forPerson,
  jobId: invitation.jobId,
  job: job.slug,
  roles: invitation.roles,
  administrator: invitation.administrator,
  invitedBy: invitation.invitedBy,
  madeAt: invitation.madeAt,
  expiresAt: invitation.expiresAt,
};

const holds = (now: Date) =>
  and(isNull(invitation.usedAt), isNull(invitation.withdrawnAt), gt(invitation.expiresAt, now));

/** Invitations that can still be taken up. */
export async function openInvitations(tx: Tx, now: Date): Promise<InvitationRow[]> {
  const rows = await tx
    .select(invitationFields)
    .from(invitation)
    .leftJoin(job, eq(invitation.jobId, job.id))
    .where(holds(now))
    .orderBy(desc(invitation.id));
  return rows.map((row) => ({ ...row, roles: rolesOf(row.roles) }));
}

/** The invitation that a link speaks of, while it holds; held until the transaction ends. */
export async function findInvitation(tx: Tx, tokenHash: string, now: Date): Promise<InvitationRow | null> {
  const [row] = await tx
    .select(invitationFields)
    .from(invitation)
    .leftJoin(job, eq(invitation.jobId, job.id))
    .where(and(eq(invitation.tokenHash, tokenHash), holds(now)))
    .for('update');
  return row ? { ...row, roles: rolesOf(row.roles) } : null;
}

export async function insertInvitation(
  tx: Tx,
  { roles, ...row }: Omit<InvitationRow, 'id' | 'job'> & { readonly tokenHash: string },
): Promise<number> {
  const [result] = await tx.insert(invitation).values({ ...row, roles: roles.join(',') });
  return result.insertId;
}

export async function endInvitation(
  tx: Tx,
  id: number,
  end: { readonly usedBy: string; readonly usedAt: Date } | { readonly withdrawnAt: Date },
): Promise<boolean> {
  const [result] = await tx
    .update(invitation)
    .set(end)
    .where(and(eq(invitation.id, id), isNull(invitation.usedAt), isNull(invitation.withdrawnAt)));
  return result.affectedRows > 0;
}

/** Puts another password in the place of a person's. */
export async function writePassword(tx: Tx, personId: string, hash: string, now: Date): Promise<void> {
  await tx
    .update(personAccount)
    .set({ password: hash, updatedAt: now })
    .where(and(eq(personAccount.userId, personId), eq(personAccount.providerId, 'credential')));
}

export interface PinRow {
  readonly hash: string;
  readonly failures: number;
}

/** The PIN of a person; held until the transaction ends, so that two who guess at once are counted both. */
export async function findPin(tx: Tx, personId: string): Promise<PinRow | null> {
  const [row] = await tx.select().from(personPin).where(eq(personPin.personId, personId)).for('update');
  return row ? { hash: row.hash, failures: row.failures } : null;
}

export async function writePin(tx: Tx, personId: string, hash: string, now: Date): Promise<void> {
  await tx
    .insert(personPin)
    .values({ personId, hash, setAt: now })
    .onDuplicateKeyUpdate({ set: { hash, failures: 0, setAt: now } });
}

export async function countPin(tx: Tx, personId: string, failures: number): Promise<void> {
  await tx.update(personPin).set({ failures }).where(eq(personPin.personId, personId));
}

export interface SessionRow {
  readonly id: string;
  readonly userAgent: string;
  readonly since: Date;
  readonly until: Date;
}

/** Where a person is signed in now. */
export async function listSessions(tx: Tx, personId: string, now: Date): Promise<SessionRow[]> {
  const rows = await tx
    .select()
    .from(personSession)
    .where(and(eq(personSession.userId, personId), gt(personSession.expiresAt, now)))
    .orderBy(desc(personSession.createdAt));
  return rows.map((r) => ({
    id: r.id,
    userAgent: r.userAgent ?? '',
    since: r.createdAt,
    until: r.expiresAt,
  }));
}

/** Ends sessions of a person: one, all, or all but one. Returns how many. */
export async function endSessions(
  tx: Tx,
  personId: string,
  which: { readonly only?: string; readonly but?: string } = {},
): Promise<number> {
  const [result] = await tx
    .delete(personSession)
    .where(
      and(
        eq(personSession.userId, personId),
        ...(which.only === undefined ? [] : [eq(personSession.id, which.only)]),
        ...(which.but === undefined ? [] : [ne(personSession.id, which.but)]),
      ),
    );
  return result.affectedRows;
}

/** Takes up the one-time code of the first run, once: false when it is another, or was used. */
export async function useFirstRun(tx: Tx, codeHash: string, now: Date): Promise<boolean> {
  const [result] = await tx
    .update(firstRun)
    .set({ usedAt: now })
    .where(and(eq(firstRun.id, 1), eq(firstRun.codeHash, codeHash), isNull(firstRun.usedAt)));
  return result.affectedRows > 0;
}

/** Puts a new one-time code in the place of the last. */
export async function setFirstRun(tx: Tx, codeHash: string, now: Date): Promise<void> {
  await tx
    .insert(firstRun)
    .values({ id: 1, codeHash, madeAt: now })
    .onDuplicateKeyUpdate({ set: { codeHash, madeAt: now, usedAt: null } });
}

/** Who of these can sign in, by id. */
export async function namesOf(tx: Tx, ids: readonly string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await tx
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(inArray(person.id, [...ids]));
  return new Map(rows.map((r) => [r.id, r.name]));
}

/** Other people whom somebody works with: in a job that both are in. Whoever has a PIN can be switched to. */
export async function colleaguesOf(tx: Tx, personId: string): Promise<{ id: string; name: string }[]> {
  const mine = sql`(SELECT job_id FROM membership WHERE person_id = ${personId} AND ended_at IS NULL)`;
  return tx
    .selectDistinct({ id: person.id, name: person.name })
    .from(membership)
    .innerJoin(person, eq(membership.personId, person.id))
    .innerJoin(personPin, eq(personPin.personId, person.id))
    .where(
      and(
        sql`${membership.jobId} IN ${mine}`,
        isNull(membership.endedAt),
        isNull(person.blockedAt),
        ne(person.id, personId),
      ),
    )
    .orderBy(asc(person.name));
}
