import { AsyncLocalStorage } from 'node:async_hooks';
import { hashOf, ok, refuse, type Result } from '@/core/kernel';
import { database, findSentCommand, insertSentCommand, requestNow, type Tx } from '@/data';
import type { Actor } from './actor';
import { guarded } from './guard';

interface Sending {
  readonly id: string;
  readonly operation: string;
  readonly saidHash: string;
  readonly at: Date;
  readonly job: string | null;
}

const sending = new AsyncLocalStorage<Sending>();

/** Keeps what the command that is being done is answered, in the transaction that does it. Without a command with an id, nothing. */
export async function keepAnswer(tx: Tx, answer: unknown): Promise<void> {
  const now = sending.getStore();
  if (now === undefined) return;
  const { at, ...sent } = now;
  await insertSentCommand(tx, { ...sent, answer, request: requestNow() ?? null }, at);
}

/** What was answered to a command that was done already; null when it was not. Something else under its id is refused. */
const answered = ({
  id,
  operation,
  saidHash,
}: Sending): Promise<Result<{ readonly answer: unknown } | null>> =>
  guarded<{ readonly answer: unknown } | null>(async () => {
    const before = await findSentCommand(database(), id);
    if (before === null) return ok(null);
    return before.operation === operation && before.saidHash === saidHash
      ? ok({ answer: before.answer })
      : refuse('id', 'something else was sent under this id', id);
  });

/** Does a command once, however often it is sent: later sends are answered as the first. A refusal is not kept, so it is judged anew. */
export async function once(
  sent: {
    readonly id: string;
    readonly operation: string;
    readonly args: readonly unknown[];
    readonly job: string | null;
  },
  { id: person, name }: Actor,
  at: Date,
  work: () => Promise<Result<unknown>>,
  /** Looked for first, or where its answer is kept: for what is mostly sent once, and does nothing twice by itself. */
  looked: 'first' | 'last' = 'first',
): Promise<Result<unknown>> {
  const { id, operation, args, job } = sent;
  const now: Sending = { id, operation, saidHash: hashOf([person ?? name, args]), at, job };
  if (looked === 'first') {
    const before = await answered(now);
    if (!before.ok) return before;
    if (before.value !== null) return ok(before.value.answer);
  }
  const result = await sending.run(now, work);
  if (result.ok) return result;
  // Of two sends at once, the one that comes second is refused by what the first has done: it is answered as that.
  const first = await answered(now);
  if (!first.ok) return first.problems.some((p) => p.path === 'id') ? first : result;
  return first.value === null ? result : ok(first.value.answer);
}
