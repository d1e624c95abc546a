import { eq } from 'drizzle-orm';
import { ok } from '@/core/kernel';
import type { Tx } from '../connection';
import { sentCommand } from '../schema';
import { storedJson } from '../stored';

/** A command that was done: under which id, what it said, and what was answered. */
export interface SentCommand {
  readonly id: string;
  readonly operation: string;
  /** Hash of its arguments and of who sent it. */
  readonly saidHash: string;
  readonly answer: unknown;
}

// What an operation answers is of its own shape: it was made by this program and goes back to the page that asked.
const ANSWER = storedJson<unknown>('answer of command', ok, 100);

export async function findSentCommand(tx: Tx, id: string): Promise<SentCommand | null> {
  const [row] = await tx.select().from(sentCommand).where(eq(sentCommand.id, id));
  return row ? { ...row, answer: ANSWER.parse(row.answer, row.id) } : null;
}

export async function insertSentCommand(tx: Tx, { answer, ...sent }: SentCommand, at: Date): Promise<void> {
  await tx.insert(sentCommand).values({ ...sent, answer: JSON.stringify(answer ?? null), at });
}
