import { refuse, type Result } from '@/core/kernel';
import { inTime, noAnswer } from '../data/in-time';
import { look, UNREACHED } from '../data/send';
import { rememberPerson } from '../shell/last-person';

export type Door =
  'sign-in' | 'sign-out' | 'password' | 'pin' | 'first-run' | 'invitation' | 'hand-over' | 'charge';

interface Said {
  readonly given?: object;
  readonly key?: string;
  readonly pin?: string;
}

/** What makes somebody else the one who works here. */
const CHANGES: ReadonlySet<Door> = new Set(['sign-in', 'first-run', 'invitation', 'hand-over']);
const WHO_MS = 3000;

/**
 * Says something at the door: signs in or out, or hands the device over. The cookie changes with the answer, and so does who is remembered for pages that open
 * without a server: what is done on one of them is done in that name.
 */
export async function atTheDoor(door: Door, said: Said): Promise<Result<null>> {
  try {
    const answer = await fetch(`/api/people/${door}`, {
      method: 'POST',
      cache: 'no-store',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(said),
    });
    const done = (await answer.json()) as Result<null>;
    if (done.ok && CHANGES.has(door)) await rememberWhoCame();
    return done;
  } catch {
    return refuse('', UNREACHED);
  }
}

/** Somebody else works here now: nothing that was looked up for the one before stays. */
export const startAfresh = (to: string): void => window.location.assign(to);

/** Nobody is better than the one before: where it is not known in time who came, a page without a server does nothing in any name. */
async function rememberWhoCame(): Promise<void> {
  rememberPerson(null);
  const me = await inTime(look(['viewMe']), WHO_MS, noAnswer);
  if (!me.ok) return;
  const { id, name, administrator, sessions } = me.value;
  // The one that has just begun.
  const until = sessions.reduce((last, s) => (s.since > last.since ? s : last), sessions[0] ?? NONE).until;
  if (until !== '') rememberPerson({ id, name, until, administrator });
}

const NONE = { since: '', until: '' };
