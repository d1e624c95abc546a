import 'fake-indexeddb/auto';
import { QueryClient } from '@tanstack/react-query';
import { MOST_KEPT, type KeptBatch, type KeptDeed, type KeptOutcome } from '@/core/kept-work';
import { allDeeds } from './kept-db';
import { drop, keep, readKept } from './kept-store';
import { heldNow, release, sendKept, settleHeld } from './sender';

// A tablet with its store, and a server that answers what a test says.

interface Sent {
  readonly id: string;
  readonly name: string;
  readonly batch: KeptBatch | null;
}
type Answer = Partial<KeptOutcome> | 'away' | 'hung up' | { readonly refused: string; readonly path: string };

let server: ((sent: Sent) => Answer)[] = [];
let heard: Sent[] = [];
const ALL: Answer = {};

beforeAll(() => {
  // What a browser has and a test run has not.
  Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
  jest.spyOn(globalThis, 'fetch').mockImplementation((_, init) => {
    const { id, name, args } = JSON.parse(init?.body as string) as {
      id: string;
      name: string;
      args: [unknown, KeptBatch];
    };
    const sent = { id, name, batch: name === 'workKept' ? args[1] : null };
    heard.push(sent);
    const answer = (server.shift() ?? (() => ALL))(sent);
    if (answer === 'hung up') return Promise.reject(new TypeError('no network'));
    const result =
      answer === 'away'
        ? { ok: false, problems: [{ path: '', message: 'The database does not answer.' }] }
        : 'refused' in answer
          ? { ok: false, problems: [{ path: answer.path, message: answer.refused }] }
          : {
              ok: true,
              value: {
                recorded: sent.batch?.items.length ?? 1,
                waste: null,
                stopped: null,
                conflict: null,
                ...answer,
              },
            };
    const events = [{ id: 'e', seq: 9, hash: 'h9', kind: 'confirm' }];
    return Promise.resolve(
      Response.json({ result, shown: { ok: true, value: { events, plan: { hash: 'p2' } } } }),
    );
  });
});
beforeEach(async () => {
  server = [];
  heard = [];
  await drop((await allDeeds()).map((d) => d.n));
  for (const key of heldNow().keys()) release(key);
});

const ME = 'me';
const client = new QueryClient();
const at = '2026-11-10T08:00:00.000Z';
let count = 0;
const deed = (cable: string, kind: 'work' | 'reading' = 'work', person = ME): KeptDeed => {
  count += 1;
  const id = `id-${count}`;
  return {
    subject: { kind: 'termination', job: 'j', cable, end: 'A' },
    base: { seq: 0, hash: '', planHash: 'p' },
    contact: { server: at, device: at },
    person: { id: person, name: person },
    title: 'a step',
    deed:
      kind === 'work'
        ? { kind, input: { id, at, command: { kind: 'temperature', tempC: 20 } } }
        : { kind, id, at, reading: { quantity: 'core', method: 'caliper', text: '7', unit: 'mm' } },
  };
};
const kept = async (...deeds: KeptDeed[]): Promise<void> => {
  for (const one of deeds) await keep(one, false);
};
const idsOf = (sent: Sent | undefined): string[] => sent?.batch?.items.map((i) => i.input.id) ?? [];
const KEY = 'termination/j/K-1/A';

it('sends subject by subject, in the order in which things were done, readings in their turn, and keeps nothing after', async () => {
  const [a, b, reading, c, other] = [
    deed('K-1'),
    deed('K-1'),
    deed('K-1', 'reading'),
    deed('K-1'),
    deed('K-2'),
  ] as const;
  await kept(a, other, b, reading, c);
  await sendKept(client, ME);
  const ids = [a, b, reading, c, other].map(({ deed: d }) => (d.kind === 'work' ? d.input.id : d.id));
  expect(heard.map((s) => s.name)).toEqual(['workKept', 'addReading', 'workKept', 'workKept']);
  expect([idsOf(heard[0]), [heard[1]?.id], idsOf(heard[2]), idsOf(heard[3])]).toEqual([
    [ids[0], ids[1]],
    [ids[2]],
    [ids[3]],
    [ids[4]],
  ]);
  // What was done before is in the record by then: the rest goes on from there.
  expect(heard[2]?.batch?.base).toEqual({ seq: 9, hash: 'h9', planHash: 'p2' });
  expect(await allDeeds()).toEqual([]);
});

it.each<Answer>(['away', 'hung up'])(
  'loses nothing while the server is %s, and sends all of it later',
  async (answer) => {
    await kept(deed('K-1'), deed('K-1'), deed('K-2'));
    server = [() => answer];
    await sendKept(client, ME);
    expect(heard).toHaveLength(1);
    expect(await allDeeds()).toHaveLength(3);
    await sendKept(client, ME);
    expect(await allDeeds()).toEqual([]);
  },
);

it('stops at what the server does not take, keeps it and all after it, and goes on with other ends', async () => {
  await kept(deed('K-1'), deed('K-1'), deed('K-1'), deed('K-2'));
  server = [() => ({ recorded: 1, stopped: { path: 'stepId', message: 'comes later' } })];
  await sendKept(client, ME);
  expect((await allDeeds()).map((d) => d.key)).toEqual([KEY, KEY]);
  expect(heldNow().get(KEY)).toEqual({ kind: 'stopped', message: 'comes later', seen: 'h9' });
  await sendKept(client, ME);
  expect(heard).toHaveLength(2);
});

it('leaves a conflict to a person, and carries out what that person decides', async () => {
  await kept(deed('K-1'), deed('K-1'));
  server = [() => ({ recorded: 0, conflict: { theirs: [], planChanged: true } })];
  await sendKept(client, ME);
  expect(heldNow().get(KEY)?.kind).toBe('conflict');
  expect(await allDeeds()).toHaveLength(2);
  const settle = { stands: 'record', reason: 'theirs is on it', seen: 'h9' } as const;
  server = [() => ({ refused: 'has gone on', path: 'settle.seen' })];
  expect(await settleHeld(client, KEY, settle)).toMatchObject([{ message: 'has gone on' }]);
  expect(await allDeeds()).toHaveLength(2);
  expect(await settleHeld(client, KEY, settle)).toEqual([]);
  expect(heard.at(-1)?.batch?.settle).toEqual(settle);
  expect([await allDeeds(), heldNow().size]).toEqual([[], 0]);
});

it('sends nobody’s work in another name: it waits for whoever did it', async () => {
  await kept(deed('K-1', 'work', 'somebody'), deed('K-1'));
  await sendKept(client, ME);
  expect(heard).toEqual([]);
  expect(heldNow().get(KEY)).toEqual({ kind: 'other', by: 'somebody' });
  await sendKept(client, 'somebody');
  expect(heard).toHaveLength(1);
  expect(await allDeeds()).toHaveLength(1);
});

it('sends any number, as many at once as the server takes', async () => {
  await kept(...Array.from({ length: MOST_KEPT + 1 }, () => deed('K-1')));
  await sendKept(client, ME);
  expect(heard.map((s) => s.batch?.items.length)).toEqual([MOST_KEPT, 1]);
});

it('does not show what is on its way as kept, and does after no answer came', async () => {
  const n = await keep(deed('K-1'), true);
  expect(await readKept()).toEqual([]);
  expect(await allDeeds()).toHaveLength(1);
  await drop([n]);
  expect(await allDeeds()).toEqual([]);
});
