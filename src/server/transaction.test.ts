import { closeDatabase, database, withTransaction } from '@/data';
import { beforeCommit, committed, settled } from './transaction';

afterAll(closeDatabase);

it('what a transaction that was taken back had left to its end is not done by one that comes after it on the same connection', async () => {
  const done: string[] = [];
  const leave = (name: string) => () => Promise.resolve(void done.push(name));
  for (let i = 0; i < 10; i += 1) {
    await expect(
      committed((tx) => {
        beforeCommit(tx, leave(`of ${i}`));
        return Promise.reject(new Error('refused'));
      }),
    ).rejects.toThrow('refused');
    await withTransaction(settled);
  }
  await settled(database());
  expect(done).toEqual([]);
  await committed((tx) => Promise.resolve(beforeCommit(tx, leave('kept'))));
  expect(done).toEqual(['kept']);
});
