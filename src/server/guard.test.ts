import mysql, { type RowDataPacket } from 'mysql2/promise';
import { closeDatabase, RACED_KEYS } from '@/data';
import { DUPLICATE_WORDS } from './guard';

afterAll(closeDatabase);

/** Keys that no two can hit, or that are answered for in the place where they are. */
const ANSWERED_FOR: Readonly<Record<string, string>> = {
  PRIMARY: 'numbered by the server, written over, or caught where it is hit',
  termination_once: 'ends are made with their cable',
  account_once: 'accounts are made with their person',
  session_token: 'drawn at random',
  invitation_token: 'drawn at random',
  name_seal_of: 'caught where it is hit',
  record_receipt_once: 'the order of the events is decided first',
  // Of before there was one record for all: the application may not write there.
  event_order: 'never written',
  crossing_event_order: 'never written',
};

it('every unique key of the tables is answered for: by words, by looking again, or for a reason that is written here', async () => {
  const connection = await mysql.createConnection({ uri: process.env.DATABASE_OWNER_URL ?? '' });
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT DISTINCT INDEX_NAME AS name FROM information_schema.STATISTICS WHERE TABLE_SCHEMA = DATABASE() AND NON_UNIQUE = 0',
  );
  await connection.end();
  const there = rows.map((r) => String(r.name)).sort();
  const known = [...Object.keys(DUPLICATE_WORDS), ...RACED_KEYS, ...Object.keys(ANSWERED_FOR)].sort();
  expect(known).toEqual(there);
});
