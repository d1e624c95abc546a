import fc from 'fast-check';
import { GENESIS, type Step } from '@/core/record';
import { withDeviceTimes } from './at-the-signature';
import { meet } from './meet';
import { aheadMs, keptTimes, mayKeep } from './times';

const T0 = Date.parse('2026-11-10T08:00:00.000Z');
const iso = (minutes: number): string => new Date(T0 + minutes * 60_000).toISOString();

describe('times that only a device has seen', () => {
  it('are taken when they follow one another between contact and receipt, whatever the two minutes between the clocks', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 600 }), { minLength: 1, maxLength: 40 }),
        fc.integer({ min: -120, max: 120 }),
        (unsorted, aheadSeconds) => {
          const ahead = aheadSeconds / 60;
          const contact = { server: iso(0), device: iso(ahead) };
          const items = unsorted
            .sort((a, b) => a - b)
            .map((minute) => ({ at: iso(minute + ahead), contact }));
          const judged = keptTimes(items, iso(601 + ahead), iso(601));
          expect(judged).toEqual({
            ok: true,
            value: items.map(() => ({ contact: iso(0), aheadMs: aheadSeconds * 1000 })),
          });
        },
      ),
    );
  });

  it('are refused as soon as one goes back, however little', () => {
    const contact = { server: iso(0), device: iso(0) };
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 100 }), fc.integer({ min: 1, max: 60_000 }), (minute, backMs) => {
        const items = [iso(minute), new Date(Date.parse(iso(minute)) - backMs).toISOString()].map((at) => ({
          at,
          contact,
        }));
        expect(keptTimes(items, iso(200), iso(200)).ok).toBe(false);
      }),
    );
  });

  it.each([
    ['yesterday', iso(1), /is not a time/],
    [iso(1), 'now', /is not a time/],
    // A day off is said in minutes too.
    [iso(1), iso(1 + 1440), /was set by 1440 min/],
    [iso(1), iso(1 - 1440), /was set by 1440 min/],
  ])('%s, sent at %s, is refused in words', (at, sentAt, words) => {
    const judged = keptTimes([{ at, contact: { server: iso(0), device: iso(0) } }], sentAt, iso(1));
    expect(judged.ok ? '' : judged.problems[0]?.message).toMatch(words);
  });

  it('are told at the bench already: a clock that went back, or was wrong, or was never compared', () => {
    const contact = { server: iso(0), device: iso(1) };
    expect(aheadMs(contact)).toBe(60_000);
    expect(mayKeep(iso(5), contact, iso(4)).ok).toBe(true);
    const words = (r: ReturnType<typeof mayKeep>) => (r.ok ? '' : r.problems[0]?.message);
    expect(words(mayKeep(iso(5), contact, iso(17)))).toMatch(/has gone back by 12 min/);
    expect(words(mayKeep(iso(0), contact, null))).toMatch(/has gone back by 1 min/);
    expect(words(mayKeep(iso(9), { server: iso(0), device: iso(3) }, null))).toMatch(/is 3 min ahead/);
    expect(words(mayKeep(iso(9), null, null))).toMatch(/never heard of the server/);
  });
});

describe('two devices at one record', () => {
  const event = (seq: number, kind = 'confirm', hash = `h${seq}`) => ({ id: `e${seq}`, seq, kind, hash });
  const base = { seq: 2, hash: 'h2', planHash: 'p' };
  const NONE: ReadonlySet<string> = new Set();

  it('go on from one another only where nothing else was done', () => {
    const two = [event(1), event(2)];
    expect(meet(base, two, 'p', NONE)).toBeNull();
    expect(meet(base, [...two, event(3, 'note'), event(4, 'test')], 'p', NONE)).toBeNull();
    expect(meet(base, [...two, event(3)], 'p', new Set(['e3']))).toBeNull();
    for (const kind of [
      'confirm',
      'look',
      'mix',
      'waste',
      'temperature',
      'recut',
      'replan',
      'correct',
      'sign',
    ])
      expect(meet(base, [...two, event(3, kind)], 'p', NONE)?.theirs).toHaveLength(1);
  });

  it('differ where the record is not the one that was known, or its plan', () => {
    expect(meet(base, [event(1), event(2, 'confirm', 'other')], 'p', NONE)?.theirs).toHaveLength(2);
    expect(meet(base, [event(1)], 'p', NONE)?.theirs).toHaveLength(1);
    expect(meet(base, [event(1), event(2)], 'q', NONE)).toEqual({ theirs: [], planChanged: true });
    expect(meet({ seq: 0, hash: GENESIS, planHash: 'p' }, [], null, NONE)?.planChanged).toBe(true);
  });
});

it('what an inspector has to look at is asked once, though the server has asked it already', () => {
  const step = (id: string, kind: Step['kind'], timer?: Step['timer']): Step => ({
    id,
    kind,
    station: 'seal',
    title: `do ${id}`,
    detail: '',
    reason: '',
    decisions: [],
    buildsOn: [],
    fingerprint: id,
    formerly: id,
    ...(timer === undefined ? {} : { timer }),
  });
  const steps = [step('cut', 'confirm'), step('fill', 'confirm', 'potLife'), step('sign', 'sign')];
  const act = (stepId: string, byDevice: boolean) => ({
    stepId,
    kind: 'confirm' as const,
    fingerprint: stepId,
    decision: null,
    actor: 'fitter',
    person: null,
    at: iso(1),
    mix: null,
    tempC: null,
    redo: [],
    ...(byDevice ? { byDevice: true as const } : {}),
  });
  expect(withDeviceTimes(steps, [act('cut', true), act('fill', false)])).toBe(steps);
  const once = withDeviceTimes(steps, [act('fill', true)]);
  expect(once.at(-1)?.checks).toEqual(['By the clock of a device only: do fill, 2026-11-10 08:01 UTC']);
  expect(withDeviceTimes(once, [act('fill', true)]).at(-1)?.checks).toHaveLength(1);
  // A reading that counts for minutes stands on a clock as well.
  expect(withDeviceTimes(steps, [{ ...act('fill', true), kind: 'look' }]).at(-1)?.checks).toHaveLength(1);
});
