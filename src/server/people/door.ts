import { randomUUID } from 'node:crypto';
import { fail, ok, refuse, validate, type Problem, type Result } from '@/core/kernel';
import {
  lostPasswordSchema,
  newPersonSchema,
  pinFormSchema,
  passwordChangeSchema,
  signInSchema,
  tokenHash,
  WAIT_MINUTES,
  WRONG_PASSWORDS,
} from '@/core/people';
import {
  anyPeople,
  colleaguesOf,
  countPin,
  database,
  endInvitation,
  endSessions,
  findInvitation,
  findPerson,
  findUsername,
  insertPerson,
  ping,
  setRoles,
  useFirstRun,
  withTransaction,
  writePassword,
  writePerson,
  writePin,
  type Tx,
} from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { failureCounter } from '@/data/accounts';
import { accounts } from './accounts';
import { judgePin } from './pin';
import { hashSecret } from './secrets';

/** What came of it, and the cookies that go with it. */
export interface Opened {
  readonly result: Result<null>;
  readonly cookies: readonly string[];
}

/** Who is signed in, by which session, until when. */
export interface SignedIn extends Actor {
  readonly id: string;
  readonly administrator: boolean;
  readonly session: string;
  readonly until: string;
}

/** The library tells of a database that is away as of a fault of its own: whether it is, the database is asked. */
async function sessionOf(headers: Headers) {
  try {
    return await accounts().api.getSession({ headers });
  } catch (error) {
    await ping();
    throw error;
  }
}

/** Whom a request's cookie stands for; null for nobody. */
export function signedIn(headers: Headers): Promise<Result<SignedIn | null>> {
  return guarded<SignedIn | null>(async () => {
    const found = await sessionOf(headers);
    if (!found || found.user.blockedAt) return ok(null);
    const { user, session } = found;
    return ok({
      id: user.id,
      name: user.name,
      administrator: user.administrator,
      session: session.id,
      until: session.expiresAt.toISOString(),
    });
  });
}

/** Has nobody signed up yet? Then the first run makes the administrator. */
export const nobodyYet = (): Promise<Result<boolean>> =>
  guarded(async () => ok(!(await anyPeople(database()))));

const closed = (problems: readonly Problem[]): Opened => ({ result: fail(problems), cookies: [] });
const refused = (path: string, message: string): Opened => closed([{ path, message }]);
const NOT_ENDED = 'The database has not ended this session: try again in a moment.';
const opened = (response: Response): Opened => ({
  result: ok(null),
  cookies: response.headers.getSetCookie(),
});

async function begin(person: string, headers: Headers): Promise<Opened> {
  return opened(await accounts().api.beginSession({ body: { person }, headers, asResponse: true }));
}

type Counter = ReturnType<typeof failureCounter>;
const counters = new Map<string, Counter>();

/** A counter for each database that this process has seen: tests change theirs. */
function counterOf(what: string, most: number, seconds: number): Counter {
  const key = `${what} ${process.env.DATABASE_URL ?? ''}`;
  const counter = counters.get(key) ?? failureCounter(what, most, seconds);
  counters.set(key, counter);
  return counter;
}
const wrongPasswords = () => counterOf('wrong', WRONG_PASSWORDS, WAIT_MINUTES * 60);
/** What is hashed in a minute at most, whoever asks: hashing is made to be dear. */
const everybody = () => counterOf('hashed', HASHED_A_MINUTE, 60);
const HASHED_A_MINUTE = 240;

const BUSY_DOOR = 'Too many people are at the door just now: try again in a minute.';

/** Hashes a new secret, unless too much has been hashed already. Only for whom it may be: whoever has no right to one is refused before. */
async function hashed(secret: string): Promise<Result<string>> {
  return guarded<string>(async () =>
    (await tooMany(everybody(), 'all')) === null
      ? ok(await hashSecret(secret))
      : refuse('password', BUSY_DOOR),
  );
}

/** Counts one more; how long it waits, ms, when there were too many. */
async function tooMany(counter: Counter, name: string): Promise<number | null> {
  try {
    await counter.consume(name);
    return null;
  } catch (spent) {
    if (spent instanceof Error) throw spent;
    return (spent as { readonly msBeforeNext: number }).msBeforeNext;
  }
}

const WRONG = 'Name and password do not belong together.';

/** Signs somebody in by name and password. After five wrong ones under a name, that name waits. */
export async function signIn(given: unknown, headers: Headers): Promise<Opened> {
  const read = validate(signInSchema, given, true);
  if (!read.ok) return closed(read.problems);
  const username = read.value.username.trim().toLowerCase();
  const counted = await guarded<Opened>(async () => {
    const counter = wrongPasswords();
    // Counted before it is looked at, so that guesses that come at once are all counted.
    const waits = await tooMany(counter, username);
    if (waits === null && (await tooMany(everybody(), 'all')) !== null)
      return ok(refused('password', BUSY_DOOR));
    if (waits !== null)
      return ok(
        refused(
          'username',
          `Too many wrong passwords under this name: it waits for ${Math.ceil(waits / 60_000)} min.`,
        ),
      );
    const response = await accounts().api.signInUsername({
      body: { username, password: read.value.password },
      headers,
      asResponse: true,
    });
    if (!response.ok) return ok(refused('password', WRONG));
    const person = await findUsername(database(), username);
    if (person === null || person.blockedAt !== null) {
      if (person !== null) await endSessions(database(), person.id);
      return ok(refused('username', 'This person has been shut out: ask an administrator.'));
    }
    await counter.delete(username);
    // Whoever knows the password has shown that the wrong PINs were not theirs.
    await countPin(database(), person.id, 0);
    return ok(opened(response));
  });
  return counted.ok ? counted.value : closed(counted.problems);
}

export async function signOut(headers: Headers): Promise<Opened> {
  const done = await guarded<Opened>(async () => {
    const left = opened(await accounts().api.signOut({ headers, asResponse: true }));
    // The library says of a session that the database did not end that all is well: whether it is still there, the database is asked.
    return (await sessionOf(headers)) ? refuse('', NOT_ENDED) : ok(left);
  });
  return done.ok ? done.value : closed(done.problems);
}

/** Changes one's own password; all other sessions of this person end. */
export async function changePassword(given: unknown, headers: Headers): Promise<Opened> {
  const read = validate(passwordChangeSchema, given, true);
  if (!read.ok) return closed(read.problems);
  const there = await signedIn(headers);
  if (!there.ok) return closed(there.problems);
  if (there.value === null) return refused('person', 'Nobody is signed in here any more: sign in again.');
  // Whoever finds a device open does not find the password by trying.
  const tried = `change ${there.value.id}`;
  const done = await guarded<Opened>(async () => {
    if ((await tooMany(wrongPasswords(), tried)) !== null)
      return ok(refused('current', `Too many wrong ones: it waits for ${WAIT_MINUTES} min.`));
    const response = await accounts().api.changePassword({
      body: {
        currentPassword: read.value.current,
        newPassword: read.value.password,
        revokeOtherSessions: true,
      },
      headers,
      asResponse: true,
    });
    if (!response.ok) return ok(refused('current', 'This is not your password.'));
    await wrongPasswords().delete(tried);
    return ok(opened(response));
  });
  return done.ok ? done.value : closed(done.problems);
}

interface NewPerson {
  readonly name: string;
  readonly username: string;
  readonly password: string;
}

/** Makes somebody who can sign in. Returns their id. The password is hashed before: no transaction waits for that. */
export async function createPerson(
  tx: Tx,
  { name, username }: NewPerson,
  passwordHash: string,
  administrator: boolean,
  now: Date,
): Promise<Result<string>> {
  if ((await findUsername(tx, username)) !== null)
    return refuse('username', 'somebody signs in under this name already: take another', username);
  const id = randomUUID();
  await insertPerson(tx, { id, name: name.trim(), username, administrator, passwordHash }, now);
  return ok(id);
}

/** The first administrator, by the one-time code that stands on the console of the server. */
export async function firstRun(given: unknown, code: unknown, headers: Headers, now: Date): Promise<Opened> {
  const read = validate(newPersonSchema, given, true);
  if (!read.ok) return closed(read.problems);
  const first = await nobodyYet();
  if (!first.ok) return closed(first.problems);
  const hash = first.value ? await hashed(read.value.password) : ok('');
  if (!hash.ok) return closed(hash.problems);
  const made = await operation<string>(async (tx) => {
    if (await anyPeople(tx)) return refuse('code', 'the first administrator is there already: sign in');
    if (typeof code !== 'string' || !(await useFirstRun(tx, tokenHash(code.trim().toUpperCase()), now)))
      return refuse('code', 'is not the code that stands on the console of the server');
    return createPerson(tx, read.value, hash.value, true, now);
  });
  return made.ok ? begin(made.value, headers) : closed(made.problems);
}

/** Whom an invitation is for, and into what; null when it does not hold. */
export const viewInvitation = (token: string, now: Date) =>
  guarded(async () => ok(await withTransaction((tx) => findInvitation(tx, tokenHash(token), now))));

/** Takes up an invitation: as a new person, or as the one who is signed in. */
export async function takeInvitation(
  token: unknown,
  given: unknown,
  headers: Headers,
  now: Date,
): Promise<Opened> {
  const there = await signedIn(headers);
  if (!there.ok) return closed(there.problems);
  const asked = await viewInvitation(typeof token === 'string' ? token : '', now);
  if (!asked.ok) return closed(asked.problems);
  if (asked.value === null)
    return refused('token', 'This invitation does not hold any more: ask for another.');
  if (asked.value.forPerson !== null) return newPassword(token, given, asked.value.forPerson, headers, now);
  const read = there.value === null ? validate(newPersonSchema, given, true) : null;
  if (read !== null && !read.ok) return closed(read.problems);
  const hash = read === null ? ok('') : await hashed(read.value.password);
  if (!hash.ok) return closed(hash.problems);
  const taken = await operation<string>(async (tx) => {
    const found = typeof token === 'string' ? await findInvitation(tx, tokenHash(token), now) : null;
    if (found === null) return refuse('token', 'this invitation does not hold any more: ask for another');
    let id = there.value?.id ?? '';
    if (read !== null) {
      const made = await createPerson(tx, read.value, hash.value, found.administrator, now);
      if (!made.ok) return made;
      id = made.value;
    } else if (found.administrator) await writePerson(tx, id, { administrator: true }, now);
    if (!(await endInvitation(tx, found.id, { usedBy: id, usedAt: now })))
      return refuse('token', 'this invitation has just been taken up');
    if (found.jobId !== null) await setRoles(tx, id, found.jobId, found.roles, found.invitedBy, now);
    return ok(id);
  });
  if (!taken.ok) return closed(taken.problems);
  return there.value === null ? begin(taken.value, headers) : { result: ok(null), cookies: [] };
}

/** Another password in the place of one that was lost; whoever was signed in by the old one is no longer. */
async function newPassword(
  token: unknown,
  given: unknown,
  person: string,
  headers: Headers,
  now: Date,
): Promise<Opened> {
  const read = validate(lostPasswordSchema, given, true);
  if (!read.ok) return closed(read.problems);
  const hash = await hashed(read.value.password);
  if (!hash.ok) return closed(hash.problems);
  const set = await operation<null>(async (tx) => {
    const found = typeof token === 'string' ? await findInvitation(tx, tokenHash(token), now) : null;
    if (found?.forPerson !== person || !(await endInvitation(tx, found.id, { usedBy: person, usedAt: now })))
      return refuse('token', 'this link does not hold any more: ask for another');
    await writePassword(tx, person, hash.value, now);
    await endSessions(tx, person);
    await countPin(tx, person, 0);
    return ok(null);
  });
  if (!set.ok) return closed(set.problems);
  const back = await guarded(async () => ok(await findPerson(database(), person)));
  return back.ok && back.value?.blockedAt === null
    ? begin(person, headers)
    : { result: ok(null), cookies: [] };
}

/** Sets the PIN with which one takes over on a shared device; what was counted against the last is forgotten. */
export async function setPin(given: unknown, headers: Headers, now: Date): Promise<Opened> {
  const there = await signedIn(headers);
  if (!there.ok) return closed(there.problems);
  if (there.value === null) return refused('person', 'Nobody is signed in here any more: sign in again.');
  const { id } = there.value;
  const read = validate(pinFormSchema, given, true);
  if (!read.ok) return closed(read.problems);
  const hash = await hashed(read.value.pin);
  if (!hash.ok) return closed(hash.problems);
  const done = await operation<null>(async (tx) => {
    await writePin(tx, id, hash.value, now);
    return ok(null);
  });
  return done.ok ? { result: ok(null), cookies: [] } : closed(done.problems);
}

/**
 * Hands this device over to a colleague by their PIN: only where somebody is signed in who works with them. Five wrong PINs lock it until they
 * sign in with their password.
 */
export async function handOver(personId: unknown, pin: unknown, headers: Headers): Promise<Opened> {
  const there = await signedIn(headers);
  if (!there.ok) return closed(there.problems);
  const before = there.value;
  if (before === null) return refused('person', 'Nobody is signed in here: sign in with a password first.');
  if (typeof personId !== 'string' || typeof pin !== 'string' || pin.length > 20)
    return refused('pin', 'is no PIN');
  const judged = await operation<Result<null>>(async (tx) => {
    const colleagues = await colleaguesOf(tx, before.id);
    const colleague = colleagues.find((c) => c.id === personId);
    if (colleague === undefined)
      return refuse('colleague', 'has no PIN, or no job together with who is signed in here');
    return judgePin(tx, colleague, pin);
  });
  if (!judged.ok) return closed(judged.problems);
  if (!judged.value.ok) return closed(judged.value.problems);
  if ((await findPerson(database(), personId))?.blockedAt)
    return refused('person', 'This person has been shut out.');
  await endSessions(database(), before.id, { only: before.session });
  return begin(personId, headers);
}
