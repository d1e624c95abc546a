import { ok, refuse, type Result } from '@/core/kernel';
import {
  INVITATION_DAYS,
  isRole,
  type Invited,
  type InvitationView,
  type MembersView,
  type MeView,
  type PeopleView,
  type Role,
} from '@/core/people';
import {
  colleaguesOf,
  database,
  endInvitation,
  endSessions,
  findPerson,
  findPin,
  insertInvitation,
  jobsOfPerson,
  listMembers,
  listPeople,
  listSessions,
  namesOf,
  openInvitations,
  otherAdministrators,
  rolesInJob,
  setRoles,
  writePerson,
  type InvitationRow,
  type Tx,
} from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { doIn, lookIn } from './in-job';
import { requireJob } from './load';

const DAY_MS = 86_400_000;

async function invitationViews(tx: Tx, rows: readonly InvitationRow[]): Promise<InvitationView[]> {
  const names = await namesOf(tx, [...new Set(rows.map((r) => r.invitedBy))]);
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    roles: r.roles,
    administrator: r.administrator,
    invitedBy: names.get(r.invitedBy) ?? '',
    expiresAt: r.expiresAt.toISOString(),
  }));
}

/** Everybody who can sign in, with what they are where, and who is asked to come. */
export function viewPeople(now: Date): Promise<Result<PeopleView>> {
  return guarded<PeopleView>(async () => {
    const tx = database();
    const people = await listPeople(tx);
    const jobs = await Promise.all(people.map((p) => jobsOfPerson(tx, p.id)));
    return ok({
      people: people.map(({ blockedAt, ...p }, i) => ({
        ...p,
        blocked: blockedAt !== null,
        jobs: [...(jobs[i] ?? [])].map(([slug, roles]) => ({ slug, roles })),
      })),
      invitations: await invitationViews(
        tx,
        (await openInvitations(tx, now)).filter((r) => r.jobId === null),
      ),
    });
  });
}

/** Who is what in a job. */
export function viewMembers(slug: string, roles: readonly Role[], now: Date): Promise<Result<MembersView>> {
  return lookIn<MembersView>(slug, async ({ tx, job }) => {
    const members = await listMembers(tx, job.id);
    const maySet = roles.includes('administrator');
    const inside = new Set(members.map((m) => m.id));
    const others = maySet
      ? (await listPeople(tx)).filter((p) => !inside.has(p.id) && p.blockedAt === null)
      : [];
    const open = maySet ? (await openInvitations(tx, now)).filter((r) => r.jobId === job.id) : [];
    return ok({
      members: members.map(({ blockedAt, administrator: _, ...m }) => ({
        ...m,
        blocked: blockedAt !== null,
      })),
      others: others.map(({ id, name }) => ({ id, name })),
      invitations: await invitationViews(tx, open),
      maySet,
    });
  });
}

const readRoles = (given: readonly string[]): Result<Role[]> => {
  const strange = given.find((word) => !isRole(word));
  if (strange !== undefined) return refuse('roles', 'is no role', strange);
  return ok([...new Set(given.filter(isRole))]);
};

/** Makes somebody exactly this in a job; nothing any more with no role. A job keeps somebody who sets it up. */
export function setMember(
  slug: string,
  personId: string,
  given: readonly string[],
  who: Actor,
  now: Date,
): Promise<Result<null>> {
  return doIn<null>(slug, async ({ tx, job }) => {
    const roles = readRoles(given);
    if (!roles.ok) return roles;
    const person = await findPerson(tx, personId);
    if (person === null) return refuse('member', 'is nobody who can sign in', personId);
    const before = await rolesInJob(tx, personId, slug);
    if (before.includes('administrator') && !roles.value.includes('administrator')) {
      const left = (await listMembers(tx, job.id)).some(
        (m) => m.id !== personId && m.blockedAt === null && m.roles.includes('administrator'),
      );
      if (!left)
        return refuse(
          'roles',
          'nobody would be left who sets this job up: make somebody else administrator first',
        );
    }
    await setRoles(tx, personId, job.id, roles.value, who.id, now);
    return ok(null);
  });
}

interface Invitation {
  /** Slug; null for an administrator of the whole application. */
  readonly job: string | null;
  readonly name: string;
  readonly roles: readonly string[];
  /** Hash of the token that stands in the link: whoever invites has made it, and it is told to nobody else. */
  readonly token: string;
}

/** Asks somebody to come: into a job with these roles, or as an administrator of the whole application. */
export function invite(
  { job: slug, name, roles: given, token }: Invitation,
  who: Actor,
  now: Date,
): Promise<Result<Invited>> {
  return operation<Invited>(async (tx) => {
    const { id } = who;
    if (id === null) return refuse('person', 'only somebody who is signed in invites');
    const job = slug === null ? null : await requireJob(tx, slug);
    if (job !== null && !job.ok) return job;
    const roles = readRoles(given);
    if (!roles.ok) return roles;
    if (name.trim() === '') return refuse('name', 'say who is meant');
    if (job !== null && roles.value.length === 0) return refuse('roles', 'say as what they come');
    const expiresAt = new Date(now.getTime() + INVITATION_DAYS * DAY_MS);
    await insertInvitation(tx, {
      tokenHash: token,
      name: name.trim(),
      forPerson: null,
      jobId: job === null ? null : job.value.id,
      roles: roles.value,
      administrator: slug === null,
      invitedBy: id,
      madeAt: now,
      expiresAt,
    });
    return ok({ expiresAt: expiresAt.toISOString() });
  });
}

/** Lets somebody back in who has lost their password: by a link under which they choose another. */
export function inviteBack(id: string, token: string, who: Actor, now: Date): Promise<Result<Invited>> {
  return operation<Invited>(async (tx) => {
    const person = await findPerson(tx, id);
    if (person === null || who.id === null) return refuse('member', 'is nobody who can sign in', id);
    const expiresAt = new Date(now.getTime() + INVITATION_DAYS * DAY_MS);
    await insertInvitation(tx, {
      tokenHash: token,
      name: person.name,
      forPerson: id,
      jobId: null,
      roles: [],
      administrator: false,
      invitedBy: who.id,
      madeAt: now,
      expiresAt,
    });
    return ok({ expiresAt: expiresAt.toISOString() });
  });
}

/** Takes an invitation back that nobody has taken up: of a job, or (`job` null) of the whole application, a link for another password too. */
async function takeBack(tx: Tx, id: number, job: number | null, now: Date): Promise<Result<null>> {
  const mine = (await openInvitations(tx, now)).some((r) => r.id === id && r.jobId === job);
  return mine && (await endInvitation(tx, id, { withdrawnAt: now }))
    ? ok(null)
    : refuse('invitation', 'is no longer open: look again', id);
}

export const withdrawInvitation = (slug: string, id: number, now: Date): Promise<Result<null>> =>
  doIn<null>(slug, ({ tx, job }) => takeBack(tx, id, job.id, now));

export const withdrawProductInvitation = (id: number, now: Date): Promise<Result<null>> =>
  operation<null>((tx) => takeBack(tx, id, null, now));

/** Makes somebody an administrator of the whole application, or no longer one. One is always left. */
export function setAdministrator(id: string, administrator: boolean, now: Date): Promise<Result<null>> {
  return operation<null>(async (tx) => {
    if ((await findPerson(tx, id)) === null) return refuse('member', 'is nobody who can sign in', id);
    if (!administrator && (await otherAdministrators(tx, id)) === 0)
      return refuse('member', 'is the last administrator: make somebody else one first');
    await writePerson(tx, id, { administrator }, now);
    return ok(null);
  });
}

/** Shuts somebody out, everywhere and at once, or lets them in again. What they did stays theirs. */
export function setBlocked(id: string, blocked: boolean, now: Date): Promise<Result<null>> {
  return operation<null>(async (tx) => {
    const person = await findPerson(tx, id);
    if (person === null) return refuse('member', 'is nobody who can sign in', id);
    if (blocked && person.administrator && (await otherAdministrators(tx, id)) === 0)
      return refuse('member', 'is the last administrator: make somebody else one first');
    await writePerson(tx, id, { blockedAt: blocked ? now : null }, now);
    if (blocked) await endSessions(tx, id);
    return ok(null);
  });
}

/** What somebody sees of themselves: where they are signed in, and who can take over on this device. */
export function viewMe(who: Actor, now: Date): Promise<Result<MeView>> {
  return guarded<MeView>(async () => {
    const tx = database();
    const person = who.id === null ? null : await findPerson(tx, who.id);
    if (person === null) return refuse('person', 'nobody is signed in');
    const { id, name, username, administrator } = person;
    return ok({
      id,
      name,
      username,
      administrator,
      hasPin: (await findPin(tx, id)) !== null,
      sessions: (await listSessions(tx, id, now)).map((s) => ({
        id: s.id,
        device: s.userAgent,
        since: s.since.toISOString(),
        until: s.until.toISOString(),
      })),
      colleagues: await colleaguesOf(tx, id),
    });
  });
}

/** Ends one session of one's own, or all but the one that asks. */
export function endMySessions(
  which: { readonly only: string } | { readonly but: string },
  who: Actor,
): Promise<Result<{ readonly ended: number }>> {
  return operation<{ readonly ended: number }>(async (tx) =>
    who.id === null
      ? refuse('person', 'nobody is signed in')
      : ok({ ended: await endSessions(tx, who.id, which) }),
  );
}
