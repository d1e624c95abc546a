import { asc, eq, inArray } from 'drizzle-orm';
import type { ChainedEvent } from '@/core/inspection';
import type { Tx } from '../connection';
import { benchEvent } from '../schema';

export interface StoredEvent extends ChainedEvent {
  readonly terminationId: number;
  readonly receivedAt: Date;
}

type Row = typeof benchEvent.$inferSelect;

/** `tag` is what was hashed as the termination's name; it travels in the body's envelope. */
function storedEvent(row: Row): StoredEvent {
  const { termination, body } = JSON.parse(row.body) as { termination: string; body: unknown };
  return {
    id: row.id,
    termination,
    terminationId: row.terminationId,
    seq: row.seq,
    stepId: row.stepId,
    kind: row.kind,
    actor: row.actor,
    at: row.at,
    body,
    planHash: row.planHash,
    prevHash: row.prevHash,
    hash: row.hash,
    receivedAt: row.receivedAt,
  };
}

export async function loadEvents(tx: Tx, terminationIds: readonly number[]): Promise<StoredEvent[]> {
  if (terminationIds.length === 0) return [];
  const rows = await tx
    .select()
    .from(benchEvent)
    .where(inArray(benchEvent.terminationId, [...terminationIds]))
    .orderBy(asc(benchEvent.terminationId), asc(benchEvent.seq));
  return rows.map(storedEvent);
}

export async function findEvent(tx: Tx, id: string): Promise<StoredEvent | null> {
  const [row] = await tx.select().from(benchEvent).where(eq(benchEvent.id, id));
  return row ? storedEvent(row) : null;
}

export async function appendEvent(
  tx: Tx,
  terminationId: number,
  event: ChainedEvent,
  receivedAt: Date,
): Promise<void> {
  const { termination, body, ...rest } = event;
  await tx
    .insert(benchEvent)
    .values({ ...rest, terminationId, body: JSON.stringify({ termination, body }), receivedAt });
}
