import { and, eq, gte, inArray, sql } from 'drizzle-orm';
import { ok } from '@/core/kernel';
import type { Tx } from '../connection';
import { prepared, rowOf } from '../prepared';
import { sentCommand } from '../schema';
import { storedJson } from '../stored';

/** A command that was done: under which id, what it said, and what was answered. */
export interface SentCommand {
  readonly id: string;
  readonly operation: string;
  /** Hash of its arguments and of who sent it. */
  readonly saidHash: string;
  readonly answer: unknown;
  /** In which job; null where it was in none. */
  readonly job: string | null;
  /** The request that brought it; null where none did, or it was done before that was kept. */
  readonly request: string | null;
}

// What an operation answers is of its own shape: it was made by this program and goes back to the page that asked.
const ANSWER = storedJson<unknown>('answer of command', ok, 100);

const byId = prepared((tx) =>
  tx
    .select()
    .from(sentCommand)
    .where(eq(sentCommand.id, sql.placeholder('id'))),
);

export async function findSentCommand(tx: Tx, id: string): Promise<SentCommand | null> {
  const [row] = await byId(tx, { id });
  return row ? { ...row, answer: ANSWER.parse(row.answer, row.id) } : null;
}

const insert = prepared((tx) =>
  tx.insert(sentCommand).values(rowOf('id', 'operation', 'saidHash', 'answer', 'at', 'job', 'request')),
);

export async function insertSentCommand(tx: Tx, { answer, ...sent }: SentCommand, at: Date): Promise<void> {
  await insert(tx, { ...sent, answer: JSON.stringify(answer ?? null), at });
}

/** A command that was done in a job, and when it began. */
export interface ToldChange {
  readonly id: string;
  readonly job: string;
  readonly at: Date;
}

/** What was done in these jobs by commands that began at this instant or later, whichever process did it. */
export async function changesSince(tx: Tx, jobs: readonly string[], since: Date): Promise<ToldChange[]> {
  if (jobs.length === 0) return [];
  const rows = await tx
    .select({ id: sentCommand.id, job: sentCommand.job, at: sentCommand.at })
    .from(sentCommand)
    .where(and(inArray(sentCommand.job, [...jobs]), gte(sentCommand.at, since)));
  return rows.flatMap(({ job, ...row }) => (job === null ? [] : [{ ...row, job }]));
}
