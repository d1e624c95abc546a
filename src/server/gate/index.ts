import { randomUUID } from 'node:crypto';
import { ok, type Result } from '@/core/kernel';
import type { Actor } from '../actor';
import { heavily } from '../heavy';
import { catchUp, follow, tell, type Follower } from '../live';
import { once } from '../sending';
import { permit, type Granted } from './may';
import { observed } from './observed';
import { OPERATIONS } from './operations';
import type { Call } from './operation-kind';

export { AWAY } from '../guard';
export { BUSY } from '../heavy';
export { inOneRequest } from '../operations/just-seen';
export { mayNot, SIGNED_OUT } from './may';

type Operations = typeof OPERATIONS;
type Kind<K> = {
  [N in keyof Operations]: Operations[N] extends { readonly kind: K } ? N : never;
}[keyof Operations];
export type ReadName = Kind<'read'>;
export type WriteName = Kind<'write'>;

type ArgumentsOf<N extends keyof Operations> = Parameters<Operations[N]['run']>[0];
type Value<R> = R extends Promise<Result<infer T>> ? T : never;
export type ValueOf<N extends keyof Operations> = Value<ReturnType<Operations[N]['run']>>;

const NEVER = new AbortController().signal;
const NOBODY = (): void => undefined;

/** What the caller may say of a call; who it is by, and as what, the gate finds out. */
type Said = Partial<Omit<Call, 'who' | 'roles'>>;

const callOf = (who: Actor, { roles }: Granted, more: Said): Call => ({
  who,
  roles,
  now: more.now ?? new Date(),
  signal: more.signal ?? NEVER,
  progress: more.progress ?? NOBODY,
  id: more.id ?? randomUUID(),
});

/** As an operation of any arguments: the types of the table have done their work by then. */
interface Loose {
  readonly heavy: boolean;
  readonly jobOf: (args: readonly unknown[]) => string | null;
  readonly parse: (given: readonly unknown[]) => Result<readonly unknown[]>;
  readonly run: (...args: unknown[]) => Promise<Result<unknown>>;
}

/** The registered operation of that name. */
const operationOf = (name: keyof Operations): Loose => OPERATIONS[name] as unknown as Loose;

const weighed = (
  { heavy }: Loose,
  { signal, who }: Call,
  work: () => Promise<Result<unknown>>,
): Promise<Result<unknown>> => (heavy ? heavily(who.id ?? who.name, signal, work) : work());

/** Looks something up for `who`. Arguments that are not in order are refused before anything is asked of the database, and who may not see it sees nothing. */
export async function look<N extends ReadName>(
  name: N,
  given: Readonly<ArgumentsOf<N>>,
  who: Actor,
  more: Said = {},
): Promise<Result<ValueOf<N>>> {
  return lookLoose(name, given, who, more) as Promise<Result<ValueOf<N>>>;
}

/** As `look`, with arguments that nobody has checked, as they come from outside. */
export function lookLoose(
  name: ReadName,
  given: readonly unknown[],
  who: Actor,
  more: Said = {},
): Promise<Result<unknown>> {
  return observed(name, 'read', async () => {
    const operation = operationOf(name);
    const args = operation.parse(given);
    if (!args.ok) return args;
    const granted = await permit(name, operation.jobOf(args.value), who);
    if (!granted.ok) return granted;
    const call = callOf(who, granted.value, more);
    return weighed(operation, call, () => operation.run(args.value, call));
  });
}

/** Every event has an id of its own, and comes into a record once. */
const lookedFor = (name: WriteName) => (name === 'work' ? 'last' : 'first');

/** Does something in the name of `who`, when they may. With an `id` it is done once, however often it is sent. */
export async function act<N extends WriteName>(
  name: N,
  given: Readonly<ArgumentsOf<N>>,
  who: Actor,
  more: Said = {},
): Promise<Result<ValueOf<N>>> {
  return actLoose(name, given, who, more) as Promise<Result<ValueOf<N>>>;
}

/** As `act`, with arguments that nobody has checked, as they come from outside. */
export function actLoose(
  name: WriteName,
  given: readonly unknown[],
  who: Actor,
  more: Said = {},
): Promise<Result<unknown>> {
  return observed(name, 'write', async () => {
    const operation = operationOf(name);
    const args = operation.parse(given);
    if (!args.ok) return args;
    const job = operation.jobOf(args.value);
    const granted = await permit(name, job, who);
    if (!granted.ok) return granted;
    const call = callOf(who, granted.value, more);
    const work = () => weighed(operation, call, () => operation.run(args.value, who, call));
    const done = await (more.id === undefined
      ? work()
      : once({ id: more.id, operation: name, args: args.value, job }, who, call.now, work, lookedFor(name)));
    if (done.ok && job !== null) tell(job, { id: call.id });
    return done;
  });
}

/** Follows what is done in a job, for whoever may see it, until what is returned is called; null when too many follow already. */
export async function followJob(
  job: string,
  who: Actor,
  follower: Follower,
  /** When the page was read that begins to follow, milliseconds since 1970; null where there is none. */
  readAt: number | null,
): Promise<Result<(() => void) | null>> {
  const granted = await permit('viewJob', job, who);
  if (!granted.ok) return granted;
  const leave = follow(job, follower);
  // Followed first, so that nothing falls in between; what is told twice is looked up once.
  if (leave !== null && readAt !== null) void catchUp(job, readAt, follower);
  return ok(leave);
}
