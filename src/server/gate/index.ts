import { randomUUID } from 'node:crypto';
import { refuse, type Result } from '@/core/kernel';
import { MOST_NAME, type Actor } from '../actor';
import { heavily } from '../heavy';
import { once } from '../sending';
import { OPERATIONS } from './operations';
import type { Call } from './operation-kind';

export { DATABASE_AWAY } from '../guard';
export { BUSY } from '../heavy';

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

const callOf = (more: Partial<Call>): Call => ({
  now: more.now ?? new Date(),
  signal: more.signal ?? NEVER,
  progress: more.progress ?? NOBODY,
  id: more.id ?? randomUUID(),
});

/** As an operation of any arguments: the types of the table have done their work by then. */
interface Loose {
  readonly heavy: boolean;
  readonly parse: (given: readonly unknown[]) => Result<readonly unknown[]>;
  readonly run: (...args: unknown[]) => Promise<Result<unknown>>;
}

/** The registered operation of that name. */
const operationOf = (name: keyof Operations): Loose => OPERATIONS[name] as unknown as Loose;

const weighed = (
  { heavy }: Loose,
  { signal }: Call,
  work: () => Promise<Result<unknown>>,
): Promise<Result<unknown>> => (heavy ? heavily(signal, work) : work());

/** Looks something up. Arguments that are not in order are refused before anything is asked of the database. */
export async function look<N extends ReadName>(
  name: N,
  given: Readonly<ArgumentsOf<N>>,
  more: Partial<Call> = {},
): Promise<Result<ValueOf<N>>> {
  return lookLoose(name, given, more) as Promise<Result<ValueOf<N>>>;
}

/** As `look`, with arguments that nobody has checked, as they come from outside. */
export async function lookLoose(
  name: ReadName,
  given: readonly unknown[],
  more: Partial<Call> = {},
): Promise<Result<unknown>> {
  const operation = operationOf(name);
  const args = operation.parse(given);
  const call = callOf(more);
  return args.ok ? weighed(operation, call, () => operation.run(args.value, call)) : args;
}

/**
 * Does something in the name of `who`. Nobody, or a name that cannot be kept whole, does nothing. With an `id` it is done once, however often
 * it is sent.
 */
export async function act<N extends WriteName>(
  name: N,
  given: Readonly<ArgumentsOf<N>>,
  who: Actor,
  more: Partial<Call> = {},
): Promise<Result<ValueOf<N>>> {
  return actLoose(name, given, who, more) as Promise<Result<ValueOf<N>>>;
}

/** As `act`, with arguments that nobody has checked, as they come from outside. */
export async function actLoose(
  name: WriteName,
  given: readonly unknown[],
  who: Actor,
  more: Partial<Call> = {},
): Promise<Result<unknown>> {
  const operation = operationOf(name);
  const person = who.name.trim();
  if (person === '') return refuse('actor', 'Type your name first: the record says who.');
  if (person.length > MOST_NAME)
    return refuse('actor', `A name of at most ${MOST_NAME} characters is kept: shorten it.`);
  const args = operation.parse(given);
  const call = callOf(more);
  if (!args.ok) return args;
  const actor = { name: person };
  const work = () => weighed(operation, call, () => operation.run(args.value, actor, call));
  return more.id === undefined
    ? work()
    : once({ id: more.id, operation: name, args: args.value }, actor, call.now, work);
}
