import mysql, { type Connection, type ResultSetHeader, type RowDataPacket } from 'mysql2/promise';
import { ok, refuse, type Result } from '@/core/kernel';
import { pseudonymOf } from '@/core/record';

/** Tables that say beside a row who made it: no hash covers it. */
const MADE_BY = {
  catalogue_import: 'actor',
  reading: 'person',
  plan: 'actor',
  photo: 'actor',
  edit: 'actor',
  crossing_plan: 'actor',
  instrument_check: 'actor',
} as const;

export interface Forgetting {
  readonly person: string;
  /** What stands in the place of the name from now on. */
  readonly pseudonym: string;
  /** Events of records that were made by or under this person; every hash of theirs still holds. */
  readonly events: number;
  /** Other rows in which the name is replaced. */
  readonly rows: number;
  /** Events that hash the name itself, as they did before names were sealed: it stays in them. */
  readonly unsealed: number;
  /** Events in whose own words the name stands, as somebody typed it: it stays in them. */
  readonly typed: number;
}

const count = async (
  connection: Connection,
  statement: string,
  values: readonly unknown[],
): Promise<number> => {
  const [rows] = await connection.query<RowDataPacket[]>(statement, [...values]);
  return Number(rows[0]?.n ?? 0);
};

/**
 * Takes a person's name out of everything that can do without it: their account, where they were signed in, and the names that records hold by marks. A pseudonym
 * stands in its place, the same everywhere. The chain of no record is touched. Done by who owns the tables: the application may not. Refused for a name that
 * nobody signs in under, and for the last administrator. With `look` nothing is written.
 */
export async function forgetPerson(
  ownerUrl: string,
  username: string,
  how: { readonly look: boolean },
): Promise<Result<Forgetting>> {
  const connection = await mysql.createConnection({ uri: ownerUrl, timezone: 'Z' });
  try {
    await connection.beginTransaction();
    const [found] = await connection.query<RowDataPacket[]>(
      'SELECT id, name, administrator FROM person WHERE username = ? FOR UPDATE',
      [username.toLowerCase()],
    );
    const [row] = found;
    if (row === undefined) return refuse('name', 'nobody signs in under it', username);
    const person = String(row.id);
    const others = await count(
      connection,
      'SELECT COUNT(*) AS n FROM person WHERE administrator = 1 AND blocked_at IS NULL AND id <> ?',
      [person],
    );
    if (Number(row.administrator) === 1 && others === 0)
      return refuse('name', 'is the last administrator: make somebody else one first', username);
    const name = String(row.name);
    const pseudonym = pseudonymOf(person, '');
    const like = `%${name.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`;
    const events = await count(
      connection,
      'SELECT COUNT(*) AS n FROM record_event WHERE person_id = ? OR under_mark IN (SELECT mark FROM name_seal WHERE person = ?)',
      [person, person],
    );
    const unsealed = await count(
      connection,
      'SELECT COUNT(*) AS n FROM record_event WHERE by_mark IS NULL AND person_id = ?',
      [person],
    );
    const typed = await count(
      connection,
      'SELECT COUNT(*) AS n FROM record_event WHERE body LIKE ? AND (by_mark IS NOT NULL OR person_id <> ?)',
      [like, person],
    );
    let rows = 0;
    const write = async (statement: string, values: readonly unknown[]) => {
      const [done] = await connection.query<ResultSetHeader>(statement, [...values]);
      rows += done.affectedRows;
    };
    for (const [table, column] of Object.entries(MADE_BY))
      await write(`UPDATE ${table} SET ${column} = ? WHERE person_id = ? AND ${column} <> ?`, [
        pseudonym,
        person,
        pseudonym,
      ]);
    await write('UPDATE name_seal SET name = NULL, salt = NULL WHERE person = ? AND name IS NOT NULL', [
      person,
    ]);
    await write('UPDATE invitation SET name = ? WHERE (for_person = ? OR used_by = ?) AND name <> ?', [
      pseudonym,
      person,
      person,
      pseudonym,
    ]);
    // Answers that were given repeat names; they are kept only so that what is sent again is answered alike.
    await write('DELETE FROM sent_command WHERE answer LIKE ?', [like]);
    for (const table of ['person_session', 'person_account'])
      await write(`DELETE FROM ${table} WHERE person_id = ?`, [person]);
    await write('DELETE FROM person_pin WHERE person_id = ?', [person]);
    await write(
      'UPDATE membership SET ended_at = UTC_TIMESTAMP(3) WHERE person_id = ? AND ended_at IS NULL',
      [person],
    );
    const gone = `gone-${person.slice(0, 8)}`;
    await write(
      'UPDATE person SET name = ?, username = ?, display_username = ?, email = ?, administrator = 0, blocked_at = COALESCE(blocked_at, UTC_TIMESTAMP(3)) WHERE id = ?',
      [pseudonym, gone, gone, `${gone}@people.invalid`, person],
    );
    await connection.query(
      'INSERT INTO forgotten (person, at, events) VALUES (?, UTC_TIMESTAMP(3), ?) ON DUPLICATE KEY UPDATE at = VALUES(at), events = VALUES(events)',
      [person, events],
    );
    await (how.look ? connection.rollback() : connection.commit());
    return ok({ person, pseudonym, events, rows, unsealed, typed });
  } finally {
    await connection.end();
  }
}
