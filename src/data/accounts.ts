import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { RateLimiterMySQL } from 'rate-limiter-flexible';
import { connect } from './connection';
import { person, personAccount, personSession, personVerification } from './schema';

/** The four tables of the accounts library, by the names that it knows them under. */
export const accountTables = () =>
  drizzleAdapter(connect().database, {
    provider: 'mysql',
    schema: {
      user: person,
      session: personSession,
      account: personAccount,
      verification: personVerification,
    },
  });

/** Counts what goes wrong under a name, in the database: a restart forgives nothing. */
export function failureCounter(what: string, most: number, forSeconds: number): RateLimiterMySQL {
  const { pool, name } = connect();
  return new RateLimiterMySQL({
    storeClient: pool.pool,
    storeType: 'pool',
    dbName: name,
    tableName: 'sign_in_limit',
    tableCreated: true,
    clearExpiredByTimeout: true,
    keyPrefix: what,
    points: most,
    duration: forSeconds,
  });
}
