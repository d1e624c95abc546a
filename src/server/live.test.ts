import { follow, MOST_FOLLOWERS, tell, type Follower } from './live';

const follower = (heard: Follower['heard'], ended: () => void = () => undefined): Follower => ({
  heard,
  ended,
});

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
