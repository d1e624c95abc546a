/** Who is signed in, as every page shows it. */
export interface SignedInPerson {
  readonly id: string;
  readonly name: string;
  /** Until when, ISO 8601. */
  readonly until: string;
  /** Of the whole application. */
  readonly administrator: boolean;
}

const KEY = 'ac_person';

/** Remembers who is signed in at this device, for pages that open without a server; null forgets them. */
export function rememberPerson(person: SignedInPerson | null): void {
  try {
    if (person === null) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(person));
  } catch {
    // A browser that stores nothing opens no page without a server either.
  }
}

let text: string | null = null;
let read: SignedInPerson | null = null;

/** Who was signed in last and has not signed out. The same object while it is the same person. */
export function lastPerson(): SignedInPerson | null {
  let now: string | null;
  try {
    now = localStorage.getItem(KEY);
  } catch {
    return null;
  }
  if (now === text) return read;
  text = now;
  read = readPerson(now);
  return read;
}

function readPerson(stored: string | null): SignedInPerson | null {
  if (stored === null) return null;
  try {
    const found = JSON.parse(stored) as unknown;
    if (typeof found !== 'object' || found === null) return null;
    const { id, name, until } = found as Record<string, unknown>;
    if (typeof id !== 'string' || typeof name !== 'string' || typeof until !== 'string') return null;
    // What may be done by an administrator needs a server anyway.
    return { id, name, until, administrator: false };
  } catch {
    return null;
  }
}
