import { randomUUID } from 'node:crypto';
import { closeDatabase, database, insertSentCommand } from '@/data';
import { catchUp, follow, MOST_FOLLOWERS, tell, tellFound, type Follower } from './live';

const follower = (
  heard: Follower['heard'],
  ended: () => void = () => undefined,
  behind: () => void = () => undefined,
): Follower => ({ heard, ended, behind });

it('tells those who follow a job, and only them, until they leave', () => {
  const heard: string[] = [];
  const leave = follow(
    'a',
    follower(({ id }) => heard.push(`a ${id}`)),
  );
  const leaveToo = follow(
    'a',
    follower(({ id }) => heard.push(`also ${id}`)),
  );
  const other = follow(
    'b',
    follower(({ id }) => heard.push(`b ${id}`)),
  );
  tell('a', { id: '1' });
  leave?.();
  leave?.();
  tell('a', { id: '2' });
  tell('nobody', { id: '3' });
  expect(heard).toEqual(['a 1', 'also 1', 'also 2']);
  leaveToo?.();
  other?.();
});

it('takes no more than it can bear, and takes again when one has left', () => {
  const all = Array.from({ length: MOST_FOLLOWERS }, (_, i) =>
    follow(
      `job ${i % 7}`,
      follower(() => undefined),
    ),
  );
  expect(all.every((l) => l !== null)).toBe(true);
  expect(
    follow(
      'one more',
      follower(() => undefined),
    ),
  ).toBeNull();
  all.pop()?.();
  const again = follow(
    'one more',
    follower(() => undefined),
  );
  expect(again).not.toBeNull();
  again?.();
  for (const leave of all) leave?.();
});

it('tells once what a process did whose clock goes ahead, however often and long it is found', () => {
  const heard: string[] = [];
  const leave = follow(
    'a',
    follower(({ id }) => heard.push(id)),
  );
  const from = Date.now();
  const found = [{ id: 'ahead', job: 'a', at: new Date(from + 8 * 3_600_000) }];
  const clock = jest.spyOn(Date, 'now');
  for (let minutes = 0; minutes < 480; minutes += 1) {
    clock.mockReturnValue(from + minutes * 60_000);
    tellFound(found);
  }
  clock.mockRestore();
  expect(heard).toEqual(['ahead']);
  leave?.();
});

it('lets all lines go when the server is told to end', () => {
  const gone: string[] = [];
  const leave = follow(
    'a',
    follower(
      () => undefined,
      () => gone.push('a'),
    ),
  );
  const other = follow(
    'b',
    follower(
      () => undefined,
      () => gone.push('b'),
    ),
  );
  process.emit('SIGTERM');
  expect(gone).toEqual(['a', 'b']);
  leave?.();
  other?.();
});

describe('what another process does', () => {
  afterAll(closeDatabase);
  const doneElsewhere = async (job: string, at = new Date()): Promise<string> => {
    const id = randomUUID();
    await insertSentCommand(
      database(),
      { id, operation: 'work', saidHash: 'x', answer: null, request: null, job },
      at,
    );
    return id;
  };
  const until = async (done: () => boolean): Promise<void> => {
    for (let i = 0; i < 60 && !done(); i += 1) await new Promise((again) => setTimeout(again, 50));
  };

  it('is told here within its time, once, also where it was told here already, and not what was there before', async () => {
    const job = `job-${randomUUID()}`;
    const heard: string[] = [];
    await doneElsewhere(job, new Date(Date.now() - 10_000));
    const leave = follow(
      job,
      follower(({ id }) => heard.push(id)),
    );
    const here = await doneElsewhere(job);
    tell(job, { id: here });
    const there = await doneElsewhere(job);
    await doneElsewhere(`${job}-other`);
    await until(() => heard.includes(there));
    // Once more, so that what is found twice would be told twice.
    await new Promise((again) => setTimeout(again, 1000));
    expect(heard).toEqual([here, there]);
    leave?.();
  });

  it('is told to whoever begins to follow when it was done since their page was read, and nothing of before', async () => {
    const job = `job-${randomUUID()}`;
    const readAt = Date.now() - 20_000;
    await doneElsewhere(job, new Date(readAt - 6000));
    // Begun before the page was read, and it may have ended after.
    const underWay = await doneElsewhere(job, new Date(readAt - 4000));
    const since = await doneElsewhere(job, new Date(readAt + 1));
    await doneElsewhere(`${job}-other`, new Date(readAt + 1));
    const told: string[] = [];
    const one = follower(
      ({ id }) => told.push(id),
      () => told.push('ended'),
      () => told.push('behind'),
    );
    await catchUp(job, readAt, one);
    expect(told.sort()).toEqual([underWay, since].sort());
  });

  it('is not counted as nothing where a page is old or of a time to come, or more was done than is told', async () => {
    const job = `job-${randomUUID()}`;
    const told: string[] = [];
    const one = follower(
      () => told.push('heard'),
      () => told.push('ended'),
      () => told.push('behind'),
    );
    await catchUp(job, Date.now() - 61_000, one);
    await catchUp(job, Date.now() + 6000, one);
    for (let i = 0; i <= 100; i += 1) await doneElsewhere(job);
    await catchUp(job, Date.now(), one);
    expect(told).toEqual(['behind', 'behind', 'behind']);
  });

  it('is asked after only as long as somebody follows', async () => {
    const job = `job-${randomUUID()}`;
    const heard: string[] = [];
    const leave = follow(
      job,
      follower(({ id }) => heard.push(id)),
    );
    leave?.();
    await doneElsewhere(job);
    await new Promise((again) => setTimeout(again, 900));
    expect(heard).toEqual([]);
  });
});
