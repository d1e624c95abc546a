import { createHash } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { database } from '../connection';

/**
 * A checksum over all rows of each table, in whatever order they lie: the same before and after what must not have written. The server's own
 * CHECKSUM TABLE is not: it differs once a write was taken back, with every row as it was.
 */
export async function tableSums(): Promise<Record<string, string>> {
  const rowsOf = async (statement: ReturnType<typeof sql>): Promise<Record<string, unknown>[]> => {
    const [rows] = (await database().execute(statement)) as unknown as [Record<string, unknown>[]];
    return rows;
  };
  const sums: Record<string, string> = {};
  for (const { name } of await rowsOf(
    sql`SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_TYPE = 'BASE TABLE'`,
  )) {
    const lines = (await rowsOf(sql`SELECT * FROM ${sql.identifier(String(name))}`)).map((row) =>
      JSON.stringify(row),
    );
    sums[String(name)] = createHash('sha256').update(lines.sort().join('\n')).digest('hex');
  }
  return sums;
}
