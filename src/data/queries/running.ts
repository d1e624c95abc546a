import { desc, gte, sql } from 'drizzle-orm';
import { number, object, type InferType } from 'yup';
import type { DatabaseView } from '@/core/running';
import type { Tx } from '../connection';
import { backup, serverProcess } from '../schema';
import { bySchema, storedJson } from '../stored';

const count = number().min(0).required();
const FIGURES = object({
  lagMs: count,
  memoryMb: count,
  heavyRunning: count,
  heavyWaiting: count,
  followers: count,
  statementsWaiting: count,
})
  .noUnknown()
  .required();

/** How busy a process is: how late its turns come, its memory, and what waits in it. */
export type ProcessFigures = InferType<typeof FIGURES>;

export interface ProcessRow {
  readonly id: string;
  readonly host: string;
  readonly pid: number;
  readonly version: string;
  readonly build: string;
  readonly startedAt: Date;
  readonly figures: ProcessFigures;
}

/** A process says that it is there, by the clock of the database. */
export async function sayProcess(tx: Tx, { figures, ...row }: ProcessRow): Promise<void> {
  const said = { figures: JSON.stringify(figures) };
  await tx
    .insert(serverProcess)
    .values({ ...row, ...said, seenAt: sql`UTC_TIMESTAMP(3)` })
    .onDuplicateKeyUpdate({ set: { ...said, seenAt: sql`UTC_TIMESTAMP(3)` } });
}

/**
 * When a process last said, at any node, that it is there. Nodes take all that is written in the same order: where this is known, everything that was confirmed before
 * it is known too. Null where none ever did.
 */
export async function lastHeard(tx: Tx): Promise<Date | null> {
  const [row] = await tx
    .select({ at: serverProcess.seenAt })
    .from(serverProcess)
    .orderBy(desc(serverProcess.seenAt))
    .limit(1);
  return row?.at ?? null;
}

const STORED_FIGURES = storedJson<ProcessFigures>('figures of process', bySchema(FIGURES), 50);

export interface ProcessSeen extends ProcessRow {
  /** How long ago it said that it is there, by the clock of the database. */
  readonly quietSeconds: number;
}

/** Processes that have said within so many seconds that they are there, the youngest first. */
export async function processesSeen(tx: Tx, withinSeconds: number): Promise<ProcessSeen[]> {
  const quiet = sql<string>`TIMESTAMPDIFF(MICROSECOND, ${serverProcess.seenAt}, UTC_TIMESTAMP(3)) / 1000000`;
  const rows = await tx
    .select({ row: serverProcess, quiet })
    .from(serverProcess)
    .where(gte(serverProcess.seenAt, sql`UTC_TIMESTAMP(3) - INTERVAL ${withinSeconds} SECOND`))
    .orderBy(desc(serverProcess.startedAt));
  return rows.map(({ row: { figures, seenAt: _, ...row }, quiet: seconds }) => ({
    ...row,
    figures: STORED_FIGURES.parse(figures, row.id),
    quietSeconds: Number(seconds),
  }));
}

export interface BackupRow {
  readonly node: string;
  readonly place: string;
  readonly bytes: number;
  readonly beganAt: Date;
  readonly endedAt: Date;
}

/** The backup that ended last; null where there is none. */
export async function lastBackup(tx: Tx): Promise<BackupRow | null> {
  const [row] = await tx.select().from(backup).orderBy(desc(backup.endedAt)).limit(1);
  return row ?? null;
}

/** What the node that answers says of itself and of the cluster. */
export async function nodeFigures(tx: Tx): Promise<DatabaseView> {
  const [[about]] = (await tx.execute(sql`SELECT VERSION() AS engine, @@hostname AS host`)) as unknown as [
    { engine: string; host: string }[],
  ];
  const [status] = (await tx.execute(sql`SHOW GLOBAL STATUS LIKE 'wsrep\\_%'`)) as unknown as [
    { Variable_name: string; Value: string }[],
  ];
  const said = new Map(status.map((row) => [row.Variable_name, row.Value]));
  const [[named]] = (await tx.execute(sql`SHOW GLOBAL VARIABLES LIKE 'wsrep\\_node\\_name'`)) as unknown as [
    { Value: string }[],
  ];
  const text = (name: string): string => said.get(`wsrep_${name}`) ?? '';
  const figure = (name: string): number => Number(said.get(`wsrep_${name}`) ?? 0);
  // A server that could be a node and is none says that it belongs to a cluster of no one.
  const clustered = figure('cluster_size') > 0;
  return {
    engine: about?.engine ?? '',
    node: (clustered ? named?.Value : about?.host) ?? '',
    cluster: clustered
      ? {
          ready: text('ready') === 'ON',
          state: text('local_state_comment'),
          size: figure('cluster_size'),
          addresses: text('incoming_addresses')
            .split(',')
            .filter((address) => address !== ''),
          receiveQueue: figure('local_recv_queue'),
          sendQueue: figure('local_send_queue'),
          heldBack: figure('flow_control_paused'),
        }
      : null,
  };
}
