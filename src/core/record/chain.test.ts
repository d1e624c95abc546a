import fc from 'fast-check';
import { canonicalJson, hashOf, seededRandom } from '@/core/kernel';
import {
  auditChain,
  eventHash,
  GENESIS,
  nameMark,
  pseudonymOf,
  shownName,
  type ChainedEvent,
  type EventContent,
  type EventVersion,
} from '.';

const SALT = 'a'.repeat(64);
const OTHER_SALT = 'b'.repeat(64);
const by = { mark: nameMark(SALT, 'fitter'), salt: SALT };
const under = { mark: nameMark(OTHER_SALT, 'master'), salt: OTHER_SALT };

function chain(count: number, versionOf: (i: number) => EventVersion = () => 5): ChainedEvent[] {
  const events: ChainedEvent[] = [];
  for (let i = 0; i < count; i += 1) {
    const content: EventContent = {
      version: versionOf(i),
      id: `id-${i}`,
      subjectKind: 'termination',
      subject: 'K-104/B',
      receivedAt: `2026-11-02T08:0${i % 10}:01.000Z`,
      seq: i + 1,
      stepId: `step-${i}`,
      kind: 'confirm',
      actor: 'fitter',
      person: versionOf(i) >= 3 ? 'p-1' : null,
      at: `2026-11-02T08:0${i % 10}:00.000Z`,
      body: {
        fingerprint: 'f',
        title: 't',
        n: i,
        ...(versionOf(i) === 5 && i % 2 === 1 ? { under: { person: 'p-2', name: 'master' } } : {}),
      },
      planHash: 'p',
      prevHash: events[i - 1]?.hash ?? GENESIS,
      kept: null,
      names: versionOf(i) === 5 ? { by, under: i % 2 === 1 ? under : null } : null,
    };
    events.push({ ...content, hash: eventHash(content) });
  }
  return events;
}

it('finds nothing in an untouched record', () => expect(auditChain(chain(12))).toEqual([]));

it('finds any single change, removal or swap', () => {
  const events = chain(8);
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 7 }),
      fc.constantFrom(
        'actor',
        'person',
        'at',
        'stepId',
        'kind',
        'planHash',
        'id',
        'subject',
        'receivedAt',
        'body',
        'hash',
        'kept',
        'names',
        'prevHash',
        'drop',
        'swap',
      ),
      (i, what) => {
        const touched = structuredClone(events) as { -readonly [K in keyof ChainedEvent]: ChainedEvent[K] }[];
        const event = touched[i];
        if (!event) throw new Error('index');
        if (what === 'drop') {
          if (i === 7) return; // the tail may be missing without a trace in the chain alone
          touched.splice(i, 1);
        } else if (what === 'swap') {
          if (i === 7) return;
          touched.splice(i, 2, ...touched.slice(i, i + 2).reverse());
        } else if (what === 'kept') event.kept = { contact: '2026-11-02T07:00:00.000Z', aheadMs: 1 };
        else if (what === 'names')
          event.names = { by: { mark: nameMark(SALT, 'other'), salt: SALT }, under: null };
        else if (what === 'body') event.body = { fingerprint: 'f', n: i + 100 };
        else event[what] = `${event[what]}x`;
        expect(auditChain(touched).length).toBeGreaterThan(0);
      },
    ),
  );
});

it('holds when events of before go on with events of today, and not the other way round', () => {
  expect(auditChain(chain(8, (i) => (i < 2 ? 1 : i < 4 ? 2 : i < 6 ? 4 : 5)))).toEqual([]);
  expect(auditChain(chain(6, (i) => (i < 3 ? 2 : 1)))).toEqual([
    { seq: 4, fault: 'claims to be older than the event before it' },
  ]);
});

it('finds a person put to an event of before, whose hash knows of none', () => {
  const events = chain(3, () => 2).map((e, i) => (i === 1 ? { ...e, person: 'p-9' } : e));
  expect(auditChain(events)).toEqual([
    { seq: 2, fault: 'names a person who was not signed in when it was written' },
  ]);
});

describe('names that are sealed', () => {
  type Mutable = { -readonly [K in keyof ChainedEvent]: ChainedEvent[K] };
  const changed = (i: number, change: (event: Mutable) => void): ChainedEvent[] => {
    const events = structuredClone(chain(4)) as Mutable[];
    const event = events[i];
    if (!event) throw new Error('index');
    change(event);
    return events;
  };
  const forgottenBy = { by: { mark: by.mark, salt: null } };

  it('may be forgotten, and every hash holds; who did it is still one person', () => {
    const gone = changed(1, (e) => {
      e.names = { by: { mark: by.mark, salt: null }, under: { mark: under.mark, salt: null } };
      e.actor = pseudonymOf('p-1', by.mark);
      e.body = { ...(e.body as object), under: { person: 'p-2', name: pseudonymOf('p-2', under.mark) } };
    });
    expect(auditChain(gone)).toEqual([]);
    expect(JSON.stringify(gone[1])).not.toMatch(/fitter|master/);
  });

  it.each<[string, number, (e: Mutable) => void, string]>([
    [
      'another name with the same mark',
      1,
      (e) => (e.actor = 'other'),
      'names somebody else than whoever made it',
    ],
    [
      'another pseudonym',
      0,
      (e) => {
        e.names = { ...forgottenBy, under: null };
        e.actor = 'person ffffffff';
      },
      'names somebody else than whoever made it',
    ],
    [
      'the name left where its salt is gone',
      0,
      (e) => (e.names = { ...forgottenBy, under: null }),
      'names somebody else than whoever made it',
    ],
    [
      'another master',
      1,
      (e) => (e.body = { ...(e.body as object), under: { person: 'p-2', name: 'x' } }),
      'names somebody else as whom it was done under',
    ],
    [
      'a master that was not sealed',
      1,
      (e) => (e.names = { by, under: null }),
      'has been changed after it was written',
    ],
    ['no seal at all', 0, (e) => (e.names = null), 'does not seal the names in it'],
    [
      'another mark, hashed by nobody',
      0,
      (e) => {
        e.names = { by: { mark: nameMark(SALT, 'x'), salt: SALT }, under: null };
        e.actor = 'x';
      },
      'has been changed after it was written',
    ],
  ])('%s is found', (_, i, change, fault) =>
    expect(auditChain(changed(i, change)).map((f) => f.fault)).toContain(fault),
  );

  it.each([
    ['before names were sealed', { actor: 'fitter', mark: null, person: 'p-1' }, null, 'fitter'],
    ['sealed', { actor: '', mark: 'm', person: 'p-1' }, 'fitter', 'fitter'],
    ['forgotten', { actor: '', mark: 'm'.repeat(64), person: '7f3ac21b-9' }, null, 'person 7f3ac21b'],
    [
      'forgotten, of nobody who was signed in',
      { actor: '', mark: 'ab'.repeat(32), person: null },
      null,
      'person abababab',
    ],
    ['put beside a mark', { actor: 'forger', mark: 'm', person: 'p-1' }, 'fitter', 'forger'],
  ])('a name %s is shown as what it is', (_, by, sealed, shown) => expect(shownName(by, sealed)).toBe(shown));

  it('two people of one name have marks that nobody can tell to be of one name', () =>
    expect(nameMark(SALT, 'fitter')).not.toBe(nameMark(OTHER_SALT, 'fitter')));
});

it('is not healed by hashing the changed event again: its successor still tells', () => {
  const events = chain(3);
  const [first, second, third] = events as [ChainedEvent, ChainedEvent, ChainedEvent];
  const forged = { ...second, stepId: 'another' };
  expect(auditChain([first, { ...forged, hash: eventHash(forged) }, third])).toEqual([
    { seq: 3, fault: 'does not follow the event before it' },
  ]);
});

it('hashes by value: key order and undefined members do not count', () => {
  expect(hashOf({ a: 1, b: [1, { c: 2, d: undefined }] })).toBe(hashOf({ b: [1, { c: 2 }], a: 1 }));
  expect(canonicalJson({ b: 1, a: 'ü' })).toBe('{"a":"ü","b":1}');
  expect(() => canonicalJson(NaN)).toThrow();
  // sha256 of `{}`
  expect(hashOf({})).toBe('44136fa355b3678a1146ad16f7e8649e94fb4fc21fe77e8310c060f61caaff8a');
});

it('draws the same numbers from the same seed', () => {
  const a = seededRandom(7);
  const b = seededRandom(7);
  const drawn = Array.from({ length: 1000 }, () => a());
  expect(drawn).toEqual(Array.from({ length: 1000 }, () => b()));
  expect(Math.min(...drawn)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...drawn)).toBeLessThan(1);
});
