import { refuse, type Result } from '@/core/kernel';
import { noteContact } from './contact';
import type { CommandName, Commands, LookKey, LookName, Looks } from './contract';

/** Said where no answer came: the network, or a server that is being restarted. Path is empty, as of whatever concerns no field. */
export const UNREACHED =
  'The server cannot be reached. Nothing was saved, nothing is lost here: try again in a moment.';

/** The same of a command: what was sent may have arrived. */
export const UNANSWERED =
  'No answer came from the server, and whether this was saved is not known yet. Nothing is lost here: try again in a moment, it is not saved twice.';

const LONGEST_ADDRESS = 1500;

async function answerOf(address: string, init: RequestInit): Promise<unknown> {
  const answer = await fetch(address, { cache: 'no-store', ...init });
  const type = answer.headers.get('content-type') ?? '';
  // Whatever stands in front of the application may answer in its own way.
  if (!type.startsWith('application/json')) throw new Error(`${answer.status}`);
  noteContact(answer);
  return answer.json();
}

const posted = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** Looks something up. Ends when `signal` does; the server stops then too. */
export async function look<N extends LookName>(
  [name, ...args]: LookKey<N>,
  signal: AbortSignal | null = null,
): Promise<Result<Looks[N]['value']>> {
  const text = JSON.stringify(args);
  const short = text.length <= LONGEST_ADDRESS;
  const address = `/api/look/${name}${short ? `?args=${encodeURIComponent(text)}` : ''}`;
  try {
    return (await answerOf(address, { signal, ...(short ? {} : posted({ args })) })) as Result<
      Looks[N]['value']
    >;
  } catch {
    return refuse('', UNREACHED);
  }
}

/** What came of a command: its own answer, and the view that was asked for with it, as it is now. */
export interface Done<N extends CommandName> {
  readonly result: Result<Commands[N]['value']>;
  readonly shown: Result<unknown> | null;
}

interface Pending {
  readonly id: string;
  readonly at: number;
}

/** Commands whose fate is not certain, by what they say. */
const pending = new Map<string, Pending>();
/** Ids of what this page has sent: others hear of them too, and it needs not. */
const own = new Set<string>();
export const isOwn = (id: string): boolean => own.has(id);
/** Whoever says the same again after so long means it anew. */
const SAME_FOR_MS = 120_000;

function idOf(said: string, now: number): string {
  const before = pending.get(said);
  if (before !== undefined && now - before.at < SAME_FOR_MS) return before.id;
  const id = crypto.randomUUID();
  pending.set(said, { id, at: now });
  return id;
}

/**
 * Has something done. The same command, said again because no answer came, goes out under the same id: it is done once. `show` names a view
 * that comes back with the answer. `as` is the id of a command that has one already.
 */
export async function command<N extends CommandName>(
  name: N,
  args: Commands[N]['args'],
  show: LookKey | null,
  as?: string,
): Promise<Done<N>> {
  const said = JSON.stringify([name, args]);
  const id = as ?? idOf(said, Date.now());
  own.add(id);
  try {
    const body = { id, name, args, ...(show === null ? {} : { show }) };
    const answer = (await answerOf('/api/do', posted(body))) as Done<N> | Done<N>['result'];
    const done = 'result' in answer ? answer : { result: answer, shown: null };
    // Where the database went away in the middle, nobody knows whether it was done: said again, it has the same id.
    if (done.result.ok || done.result.problems.every((p) => p.path !== '')) pending.delete(said);
    return done;
  } catch {
    return { result: refuse('', UNANSWERED), shown: null };
  }
}
