import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { database, lastBackup, nodeFigures, poolFigures } from '@/data';
import { heavyFigures } from '../heavy';
import { heavyPlacesNow } from '../heavy-place';
import { followers } from '../live';
import { log } from './log';

const SECONDS = [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 30];
const MINUTE = 60;
/** How old kept work may be when it comes: from a minute to two weeks. */
const KEPT_SECONDS = [1, 10, 60, 480, 1440, 4320, 20_160].map((minutes) => minutes * MINUTE);

/** How something ended. */
export type Outcome = 'done' | 'refused' | 'away' | 'failed';

function made() {
  const registry = new Registry();
  const registers = [registry];
  collectDefaultMetrics({ register: registry });
  const operations = new Histogram({
    name: 'amber_collar_operation_seconds',
    help: 'How long operations took, by their name and how they ended',
    labelNames: ['operation', 'outcome'] as const,
    buckets: SECONDS,
    registers,
  });
  const kept = new Histogram({
    name: 'amber_collar_kept_work_age_seconds',
    help: 'How old work was that a device had kept, when it came: the oldest of each batch',
    buckets: KEPT_SECONDS,
    registers,
  });
  const away = new Counter({
    name: 'amber_collar_database_away_total',
    help: 'How often the database did not answer',
    registers,
  });
  const gauge = <L extends string>(name: string, help: string, labelNames: readonly L[] = []) =>
    new Gauge<L>({ name: `amber_collar_${name}`, help, labelNames: [...labelNames], registers });
  return {
    registry,
    operations,
    kept,
    away,
    followers: gauge('followers', 'Pages that follow a job at this process'),
    heavy: gauge('heavy_work', 'Heavy work of this process: running and waiting', ['state']),
    places: gauge('heavy_places', 'Places for heavy work of all processes: held, and how many there are', [
      'state',
    ]),
    pool: gauge('database_connections', 'Connections of this process to the database', ['state']),
    statements: gauge('database_statements_waiting', 'Statements that wait for a connection'),
    again: gauge('transactions_begun_again', 'Transactions begun again since the start', ['reason']),
    ready: gauge('node_ready', 'Whether the node that is asked writes: 1 for a server that stands alone'),
    size: gauge('cluster_nodes', 'Nodes that the asked one is together with; 1 where it stands alone'),
    queue: gauge('node_queue', 'Write sets that wait at the node that is asked', ['way']),
    heldBack: gauge('node_held_back', 'Share of its time in which the node was held back, since its start'),
    backup: gauge('last_backup_seconds', 'When the last backup ended, in seconds since 1970; 0 for never'),
  };
}

// One for the process, whichever route asks.
const holder = globalThis as typeof globalThis & { amberCollarMetrics?: ReturnType<typeof made> };
const metrics = () => (holder.amberCollarMetrics ??= made());

export const countOperation = (operation: string, outcome: Outcome, seconds: number): void =>
  metrics().operations.observe({ operation, outcome }, seconds);

export const countKept = (ageSeconds: number): void => metrics().kept.observe(Math.max(0, ageSeconds));

export const countAway = (): void => metrics().away.inc();

/** What this process and the node that it asks are like now, as the usual text. Where the database is away its figures are missing, and `node_ready` is 0. */
export async function metricsText(): Promise<{ readonly type: string; readonly text: string }> {
  const all = metrics();
  const pool = poolFigures();
  const heavy = heavyFigures();
  all.followers.set(followers());
  all.heavy.set({ state: 'running' }, heavy.running);
  all.heavy.set({ state: 'waiting' }, heavy.waiting);
  all.pool.set({ state: 'busy' }, pool.open - pool.free);
  all.pool.set({ state: 'free' }, pool.free);
  all.statements.set(pool.waiting);
  all.again.set({ reason: 'collided' }, pool.again.collided);
  all.again.set({ reason: 'alone' }, pool.again.alone);
  await askDatabase(all);
  return { type: all.registry.contentType, text: await all.registry.metrics() };
}

async function askDatabase(all: ReturnType<typeof made>): Promise<void> {
  for (const gauge of [all.size, all.queue, all.heldBack, all.backup, all.places]) gauge.reset();
  try {
    const { cluster } = await nodeFigures(database());
    all.ready.set(cluster === null || cluster.ready ? 1 : 0);
    all.size.set(cluster?.size ?? 1);
    all.queue.set({ way: 'in' }, cluster?.receiveQueue ?? 0);
    all.queue.set({ way: 'out' }, cluster?.sendQueue ?? 0);
    all.heldBack.set(cluster?.heldBack ?? 0);
    const last = await lastBackup(database());
    all.backup.set(last === null ? 0 : last.endedAt.getTime() / 1000);
    const places = await heavyPlacesNow();
    all.places.set({ state: 'held' }, places.held);
    all.places.set({ state: 'all' }, places.of);
  } catch (error) {
    all.ready.set(0);
    log.warn({ err: error }, 'the database says nothing of itself');
  }
}
