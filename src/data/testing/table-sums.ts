import { sql } from 'drizzle-orm';
import { database } from '../connection';

/** A checksum over all rows of each table: the same before and after what must not have written. */
export async function tableSums(): Promise<Record<string, string>> {
  const [tables] = (await database().execute(
    sql`SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_TYPE = 'BASE TABLE'`,
  )) as unknown as [{ name: string }[]];
  const sums: Record<string, string> = {};
  for (const { name } of tables) {
    const [[row]] = (await database().execute(sql.raw(`CHECKSUM TABLE \`${name}\``))) as unknown as [
      [{ Checksum: string }],
    ];
    sums[name] = row.Checksum;
  }
  return sums;
}
