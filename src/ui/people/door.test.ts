import { lastPerson, rememberPerson } from '../shell/last-person';
import { atTheDoor, type Door } from './door';

const PLANNER = { id: 'p', name: 'Planner', until: '2026-11-30T18:00:00.000Z', administrator: false };
const SESSIONS = [
  { id: '1', device: null, since: '2026-11-28T06:00:00.000Z', until: '2026-11-28T18:00:00.000Z' },
  { id: '2', device: null, since: '2026-11-30T09:00:00.000Z', until: '2026-11-30T21:00:00.000Z' },
];
const ME = { id: 'i', name: 'Inspector', administrator: false, sessions: SESSIONS };

const json = (body: unknown) => Promise.resolve(Response.json(body));
let stored: Map<string, string>;
let answers: { door: () => Promise<Response>; me: () => Promise<Response> };

beforeEach(() => {
  stored = new Map();
  answers = { door: () => json({ ok: true, value: null }), me: () => json({ ok: true, value: ME }) };
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => stored.get(key) ?? null,
      setItem: (key: string, value: string) => stored.set(key, value),
      removeItem: (key: string) => stored.delete(key),
    },
    fetch: (address: string) => (address.startsWith('/api/people/') ? answers.door() : answers.me()),
  });
  rememberPerson(PLANNER);
});

test.each<Door>(['hand-over', 'sign-in', 'invitation', 'first-run'])(
  'after %s this device remembers who came, until the end of the session that has just begun',
  async (door) => {
    expect(await atTheDoor(door, {})).toMatchObject({ ok: true });
    expect(lastPerson()).toEqual({
      id: 'i',
      name: 'Inspector',
      until: '2026-11-30T21:00:00.000Z',
      administrator: false,
    });
  },
);

test.each([
  ['does not answer', () => Promise.reject(new TypeError('away'))],
  ['knows nobody', () => json({ ok: false, problems: [{ path: 'person', message: 'nobody' }] })],
  ['says nothing of a session', () => json({ ok: true, value: { ...ME, sessions: [] } })],
])('where the server then %s it remembers nobody, least of all the one before', async (_, me) => {
  answers.me = me;
  expect(await atTheDoor('hand-over', {})).toMatchObject({ ok: true });
  expect(lastPerson()).toBeNull();
});

test('a wrong PIN, a server that is not reached and another PIN of one’s own leave the one who works here', async () => {
  answers.door = () => json({ ok: false, problems: [{ path: 'pin', message: 'is wrong' }] });
  expect(await atTheDoor('hand-over', {})).toMatchObject({ ok: false });
  answers.door = () => Promise.reject(new TypeError('away'));
  expect(await atTheDoor('hand-over', {})).toMatchObject({ ok: false });
  answers.door = () => json({ ok: true, value: null });
  expect(await atTheDoor('pin', {})).toMatchObject({ ok: true });
  expect(lastPerson()).toEqual(PLANNER);
});
