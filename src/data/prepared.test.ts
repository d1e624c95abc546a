import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { closeDatabase, database, findSentCommand, insertSentCommand, withTransaction } from '.';
import { among, prepared } from './prepared';
import { sentCommand } from './schema';

afterAll(closeDatabase);

const command = (id: string, answer: unknown) => ({
  id,
  answer,
  operation: 'tried',
  saidHash: 'a'.repeat(64),
  job: null,
  request: null,
});
const idsAmong = prepared((tx) =>
  tx
    .select({ id: sentCommand.id })
    .from(sentCommand)
    .where(among(sentCommand.id, sql.placeholder('ids'))),
);

it('finds one, several and none of a list, whatever signs stand in its values', async () => {
  const [one, two] = [randomUUID(), randomUUID()];
  await withTransaction(async (tx) => {
    for (const id of [one, two]) await insertSentCommand(tx, command(id, { of: id }), new Date());
  });
  const found = async (...ids: string[]) =>
    (await idsAmong(database(), { ids })).map((r) => r.id).sort((a, b) => (a < b ? -1 : 1));
  expect(await found(one)).toEqual([one]);
  expect(await found(one, two, one)).toEqual([one, two].sort((a, b) => (a < b ? -1 : 1)));
  // Closed too early, each of these would let everything in.
  expect(await found(`') or 1 = 1 -- `, '\\', '?', `${one}'`, two)).toEqual([two]);
});

it('asks the transaction that it is asked in, and the next one on its connection for itself', async () => {
  const ids = [randomUUID(), randomUUID(), randomUUID()];
  for (const id of ids)
    await expect(
      withTransaction(async (tx) => {
        await insertSentCommand(tx, command(id, [id]), new Date('2026-11-10T08:00:00.123Z'));
        expect(await findSentCommand(tx, id)).toMatchObject({ id, answer: [id] });
        expect(await findSentCommand(database(), id)).toBeNull();
        throw new Error('taken back');
      }),
    ).rejects.toThrow('taken back');
  for (const id of ids) expect(await findSentCommand(database(), id)).toBeNull();
});

it('throws where a value is missing, and does not ask', async () => {
  await expect(idsAmong(database(), {})).rejects.toThrow(/"ids"/);
});
