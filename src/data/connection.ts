import { sql, type Logger } from 'drizzle-orm';
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import type { PoolConnection } from 'mysql2';
import mysql, { type Pool, type PoolConnection as Connection, type RowDataPacket } from 'mysql2/promise';
import { inDated, isDated } from './dated';
import { saysFor } from './request';
import * as schema from './schema';
import { statementsInto } from './statements';

type Database = MySql2Database<typeof schema>;

/** A transaction or the plain connection. Opaque outside this folder: only queries of this folder can use it. */
export type Tx = Pick<Database, 'select' | 'selectDistinct' | 'insert' | 'update' | 'delete' | 'execute'>;

interface Connected {
  readonly pool: Pool;
  /** Of the database that the address names. */
  readonly name: string;
  /** What writes down which statements are asked, where they are. */
  readonly logged: { readonly logger?: Logger };
  readonly database: Database;
}

// A reloaded module in development must find the pool it opened before, or connections pile up.
const holder = globalThis as typeof globalThis & {
  amberCollarDatabase?: Connected | undefined;
  /** For work that may be answered by a node which has lost the others. */
  amberCollarDatedDatabase?: Connected | undefined;
  amberCollarAgain?: { collided: number; alone: number };
};

/** The database, as whoever asks may see it: see `inDated`. */
export const connect = (): Connected =>
  isDated()
    ? (holder.amberCollarDatedDatabase ??= connectDated())
    : (holder.amberCollarDatabase ??= connectTrue());

function poolOf(connectionLimit: number): { readonly pool: Pool; readonly name: string } {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set; `npm run demo` starts a private database and sets it');
  const pool = mysql.createPool({
    uri: url,
    timezone: 'Z',
    connectionLimit,
    charset: 'utf8mb4',
    connectTimeout: 3000,
    jsonStrings: true,
    // Where a statement was asked, the queries' own errors say; noted for each one beforehand it costs more than some of them.
    trace: false,
  });
  sayForWhom(pool);
  return { pool, name: new URL(url).pathname.slice(1) };
}

function connectDated(): Connected {
  const { pool, name } = poolOf(2);
  pool.pool.on('connection', (connection) => {
    limitQueries(connection);
    for (const statement of ['SET SESSION wsrep_dirty_reads = ON', 'SET SESSION TRANSACTION READ ONLY'])
      connection.query(statement, (error) => {
        if (error && codeOf(error) !== NO_SUCH_SETTING) connection.destroy();
      });
  });
  return { pool, name, logged: {}, database: drizzle({ client: pool, schema, mode: 'planetscale' }) };
}

function connectTrue(): Connected {
  const { pool, name } = poolOf(8);
  pool.pool.on('connection', (connection) => {
    limitQueries(connection);
    // For all of its transactions: each would ask for it by a statement of its own.
    connection.query('SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED', (error) => {
      // One that cannot be told how far to see is not worked with.
      if (error) connection.destroy();
    });
    // Where a node has died, the next one has all that the others had written before anything is read of it. Asked of every statement it would cost
    // a round of the whole cluster each time; one node is written to at a time, and a new one means a new connection.
    for (const statement of [
      'SET SESSION wsrep_sync_wait = 1',
      'SELECT 1',
      'SET SESSION wsrep_sync_wait = 0',
    ])
      connection.query(statement, (error) => {
        if (error && codeOf(error) !== NO_SUCH_SETTING) connection.destroy();
      });
  });
  const logged = process.env.AMBER_COLLAR_STATEMENTS
    ? { logger: statementsInto(process.env.AMBER_COLLAR_STATEMENTS) }
    : {};
  return { pool, name, logged, database: drizzle({ client: pool, schema, mode: 'planetscale', ...logged }) };
}

/** A server that was built without clusters knows nothing of them. */
const NO_SUCH_SETTING = 'ER_UNKNOWN_SYSTEM_VARIABLE';

/** A statement that waits for a connection is sent when somebody else gives one back: for whom it is, is known now. */
function sayForWhom({ pool }: Pool): void {
  const query = pool.query.bind(pool) as (...args: unknown[]) => unknown;
  const said = (statement: string | { readonly sql: string }, ...rest: unknown[]): unknown =>
    query(
      typeof statement === 'string' ? saysFor(statement) : { ...statement, sql: saysFor(statement.sql) },
      ...rest,
    );
  Object.assign(pool, { query: said });
}

const QUERY_LIMIT_MS = 5000;

const TIMED_OUT = 'PROTOCOL_SEQUENCE_TIMEOUT';

type Done = (error: Error | null, ...rest: unknown[]) => void;
/** A command that the pool has made already, as the driver keeps it. */
interface Command {
  readonly sql: string;
  timeout?: number | undefined;
  onResult?: Done;
}

/**
 * No statement is waited for longer than `QUERY_LIMIT_MS`: a server that hangs is away like one that has gone. Its connection is closed, since
 * what it might still answer belongs to nobody.
 */
function limitQueries(connection: PoolConnection): void {
  const query = connection.query.bind(connection) as (...args: unknown[]) => unknown;
  const watched =
    (done: Done): Done =>
    (error, ...rest) => {
      if (codeOf(error) === TIMED_OUT) connection.destroy();
      done(error, ...rest);
    };
  const limited = (statement: string | Command, ...rest: unknown[]): unknown => {
    if (typeof statement !== 'string' && typeof statement.onResult === 'function') {
      statement.timeout ??= QUERY_LIMIT_MS;
      statement.onResult = watched(statement.onResult);
      return query(statement);
    }
    const options = typeof statement === 'string' ? { sql: statement } : statement;
    const args = rest.map((r) => (typeof r === 'function' ? watched(r as Done) : r));
    return query({ timeout: QUERY_LIMIT_MS, ...options, sql: saysFor(options.sql) }, ...args);
  };
  Object.assign(connection, { query: limited });
}

/**
 * Answers when the database does; throws what the driver says when it does not within two seconds, twice: where this process itself was kept
 * busy meanwhile, its clock runs out before it has looked at an answer that is there. A table is asked: without one a node answers too that has lost the others.
 */
export async function ping(): Promise<void> {
  const ask = () => connect().pool.query({ sql: 'SELECT 1 FROM job LIMIT 0', timeout: 2000 });
  try {
    await ask();
  } catch (error) {
    if (codeOf(error) !== TIMED_OUT) throw error;
    await ask();
  }
}

/**
 * After `ping` has thrown `why`: does a node answer that has lost the others, and so neither reads nor writes as long as it has? A single server has none to
 * lose. Who has been waited for in vain is not waited for again.
 */
export async function hasLostTheOthers(why: unknown): Promise<boolean> {
  if (codeOf(why) === TIMED_OUT) return false;
  const [rows] = await inDated(() =>
    connect().pool.query<RowDataPacket[]>({ sql: "SHOW STATUS LIKE 'wsrep_cluster_status'", timeout: 2000 }),
  );
  return rows[0]?.Value === 'non-Primary';
}

/** For single reads that need no transaction. */
export const database = (): Tx => connect().database;

/** Codes by which the server says that two transactions got in each other's way and one has been taken back whole. */
const COLLIDED = new Set([
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_CHECKREAD',
  'ER_TABLE_DEF_CHANGED',
]);
/** How a node answers that has lost the others, or has only just come to them: it neither reads nor writes. */
const NOT_READY = 'ER_UNKNOWN_COM_ERROR';
/** Whether the node that answers is not among most of the others: nothing was done. */
export const isAlone = (error: unknown): boolean => codeOf(error) === NOT_READY;
/** Whether a transaction was taken back because of another one, and could be run again. */
export const isCollision = (error: unknown): boolean => COLLIDED.has(codeOf(error) ?? '');

/**
 * Unique keys of rows that are looked for before they are made. On one server a lock lies between; another node's row may come in just there, and is found
 * when it is looked for again.
 */
export const RACED_KEYS: ReadonlySet<string> = new Set([
  'reading_once',
  'instrument_code',
  'hash',
  'family_revision_once',
  'part_revision_once',
]);
const isRaced = (error: unknown): boolean => isDuplicate(error) && RACED_KEYS.has(duplicateKey(error));

/** How a node answers that loses the others while it tells them of what a transaction has done. */
const LOST_AT_COMMIT = 'ER_ERROR_DURING_COMMIT';

/**
 * The database went away, or its node lost the others, while it was told to keep what a transaction had done: whether it has, nobody knows before it is asked
 * again. Such work is not run again here, since only whoever sent it knows it by its id.
 */
export class CommitUnknown extends Error {
  constructor(cause: unknown) {
    super('it is not known whether a transaction was kept', { cause });
  }
}

/** How often a transaction was begun again, by why; one count for the process. */
const again = (holder.amberCollarAgain ??= { collided: 0, alone: 0 });

/** What the pool of this process holds, how many statements wait for a connection, and how often transactions were begun again. */
interface PoolFigures {
  readonly open: number;
  readonly free: number;
  readonly waiting: number;
  readonly again: { readonly collided: number; readonly alone: number };
}

// The driver counts these, and does not say them in its types.
interface Counted {
  readonly _allConnections: { readonly length: number };
  readonly _freeConnections: { readonly length: number };
  readonly _connectionQueue: { readonly length: number };
}

export function poolFigures(): PoolFigures {
  const { pool } = connect().pool as unknown as { readonly pool: Counted };
  return {
    open: pool._allConnections.length,
    free: pool._freeConnections.length,
    waiting: pool._connectionQueue.length,
    again: { ...again },
  };
}

const ATTEMPTS = 6;
/** Those that collided do not try again in one step. */
const APART_MS = 25;
const ALONE_MS = 200;

/**
 * Runs `work` in one transaction: all of it or nothing. Read committed, so that what is read after taking a row's lock is what the
 * holder before has written. A transaction that the server took back because of another is run again, as is one that made a row which another
 * node had made meanwhile, so `work` must not do anything but read and write through its `tx`. Throws `CommitUnknown` where nobody knows how it ended.
 */
export async function withTransaction<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await attempted(work);
    } catch (error) {
      if (attempt === ATTEMPTS || !(isCollision(error) || isRaced(error) || isAlone(error))) throw error;
      again[isAlone(error) ? 'alone' : 'collided'] += 1;
      const apart = isAlone(error) ? ALONE_MS : Math.random() * APART_MS;
      await new Promise((over) => setTimeout(over, apart * attempt));
    }
  }
}

/** What queries are asked of a connection with, made once for each. */
const queriesOf = new WeakMap<object, Database>();
const bases = new WeakMap<Tx, Tx>();

/** What the transactions that come one after another on a connection have in common; of what is no transaction, that itself. */
export const basisOf = (tx: Tx): Tx => bases.get(tx) ?? tx;

function txOf(connection: Connection): Tx {
  const { logged } = connect();
  const made =
    queriesOf.get(connection.connection) ??
    drizzle({ client: connection, schema, mode: 'planetscale', ...logged });
  queriesOf.set(connection.connection, made);
  // Each transaction is one of its own, also where it comes after another on the same connection: what was left to the end of that one is not this one's.
  const tx = Object.create(made) as Tx;
  bases.set(tx, made);
  return tx;
}

/**
 * One transaction, once. The library's own keeps the connection for ever when it cannot begin, and says of one that failed at its end only what went
 * wrong with taking it back.
 */
async function attempted<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  const connection = await connect().pool.getConnection();
  let worked = false;
  try {
    await connection.query('begin');
    const done = await work(txOf(connection));
    worked = true;
    await connection.query('commit');
    return done;
  } catch (error) {
    // One that cannot be told to take it back takes it back by its end.
    await connection.query('rollback').catch(() => connection.destroy());
    const unknown = worked && (codeOf(error) === LOST_AT_COMMIT || isDatabaseAway(error));
    throw unknown ? new CommitUnknown(error) : error;
  } finally {
    connection.release();
  }
}

/**
 * Waits until the node that is asked has all that any node had written by now. While a node goes and another comes, two may be asked for a moment, and
 * one of them may lag. On a single server there is nothing to wait for.
 */
export async function caughtUp(tx: Tx): Promise<void> {
  await tx.execute(sql`SET STATEMENT wsrep_sync_wait = 1 FOR SELECT 1`);
}

export async function closeDatabase(): Promise<void> {
  const open = [holder.amberCollarDatabase, holder.amberCollarDatedDatabase];
  holder.amberCollarDatabase = undefined;
  holder.amberCollarDatedDatabase = undefined;
  for (const one of open) await one?.pool.end();
}

/** Codes by which the driver says that the server is away, as opposed to unhappy with a statement. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'PROTOCOL_CONNECTION_LOST',
  'ETIMEDOUT',
  'ENOENT',
  'EPIPE',
  'ERR_STREAM_WRITE_AFTER_END',
  'ERR_STREAM_DESTROYED',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  TIMED_OUT,
]);

/** By which code the driver or the server calls what went wrong. */
function codeOf(error: unknown): string | undefined {
  for (const at of causes(error)) {
    const { code } = at as { code?: unknown };
    if (typeof code === 'string') return code;
  }
  return undefined;
}

/** An error and what it comes from, the outermost first. */
function causes(error: unknown): readonly Error[] {
  const all: Error[] = [];
  for (let at: unknown = error; at instanceof Error && all.length < 4; at = at.cause) all.push(at);
  return all;
}

/** What is asked of a connection that has ended meanwhile, as the `rollback` of what ended with it, the driver refuses without a code. */
const isEnded = (error: unknown): boolean =>
  causes(error).some((at) => 'fatal' in at && at.fatal === true && !('code' in at));

export const isDatabaseAway = (error: unknown): boolean => AWAY.has(codeOf(error) ?? '') || isEnded(error);

/** A unique key was hit: somebody has that tag, that entry or that number already. */
export const isDuplicate = (error: unknown): boolean => codeOf(error) === 'ER_DUP_ENTRY';

/** The name of the unique key that was hit, to know which field to point at. */
export function duplicateKey(error: unknown): string {
  for (const at of causes(error)) {
    const match = /for key '(?:[^'.]+\.)?([^']+)'/.exec(at.message);
    if (match?.[1]) return match[1];
  }
  return '';
}
