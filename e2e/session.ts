// Signing in without a page: for what the tests do elsewhere, and for the bench and the pictures.
import { randomUUID } from 'node:crypto';
import { DEMO_PASSWORD, ROLES, type MembersView, type Role } from '@/core/people';

/** PIN of everybody of the demo, once `wholeCrew` has been asked for. */
export const PIN = '27182';

export interface Session {
  readonly name: string;
  readonly value: string;
}

const JOBS = ['quillmere', 'quillmere-annex'];

const posted = (address: string, path: string, cookie: string, body: unknown) =>
  fetch(`${address}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address, cookie },
    body: JSON.stringify(body),
  });

/** The cookie of somebody of the demo. */
export async function sessionOf(address: string, role: Role): Promise<Session> {
  const answer = await posted(address, '/api/people/sign-in', '', {
    given: { username: role, password: DEMO_PASSWORD },
  });
  const said = (await answer.json()) as { readonly ok: boolean };
  const [cookie] = answer.headers.getSetCookie();
  const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie ?? '') ?? [];
  if (!said.ok || name === undefined || value === undefined)
    throw new Error(`${role} was not signed in: ${JSON.stringify(said)}`);
  return { name, value };
}

export const cookieOf = ({ name, value }: Session): string => `${name}=${value}`;

/** Has something done in the name of a session. */
export async function doneIn(
  address: string,
  session: Session,
  name: string,
  ...args: unknown[]
): Promise<{ readonly ok: boolean }> {
  const answer = await posted(address, '/api/do', cookieOf(session), { id: randomUUID(), name, args });
  const { result } = (await answer.json()) as { readonly result: { readonly ok: boolean } };
  return result;
}

/** What a session is shown. */
export async function seenIn(
  address: string,
  session: Session,
  name: string,
  ...args: unknown[]
): Promise<unknown> {
  const answer = await fetch(`${address}/api/look/${name}?args=${encodeURIComponent(JSON.stringify(args))}`, {
    headers: { cookie: cookieOf(session) },
  });
  const { value } = (await answer.json()) as { readonly value: unknown };
  return value;
}

/** Makes the planner of the demo everything in its jobs and of the application, so that one person can walk the whole way, and gives planner and inspector a PIN. */
export async function wholeCrew(address: string): Promise<void> {
  const administrator = await sessionOf(address, 'administrator');
  for (const job of JOBS) {
    const { members } = (await seenIn(address, administrator, 'viewMembers', job)) as MembersView;
    const planner = members.find((m) => m.username === 'planner');
    const set = await doneIn(address, administrator, 'setMember', job, planner?.id, ROLES);
    if (planner) await doneIn(address, administrator, 'setAdministrator', planner.id, true);
    if (!set.ok) throw new Error(`the planner was not made everything: ${JSON.stringify(set)}`);
  }
  for (const role of ['planner', 'inspector'] as const)
    await posted(address, '/api/people/pin', cookieOf(await sessionOf(address, role)), {
      given: { pin: PIN },
    });
}
