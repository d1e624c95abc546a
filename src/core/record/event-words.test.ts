import type { EventView } from './at-the-bench';
import { eventLines, eventTitle } from './event-words';

const event = (kind: string, body: unknown, stepId = 'fill'): EventView => ({
  id: 'e-1',
  kept: null,
  seq: 1,
  stepId,
  kind,
  actor: 'fitter',
  person: null,
  at: '2026-11-02T08:00:00.000Z',
  receivedAt: '2026-11-02T08:00:00.100Z',
  body,
  planHash: '',
  hash: '',
});
const TITLES = new Map([['fill', 'Chamber on, then fill it']]);

test('a refused late pour reads as the waste that it was, with its reason, and not as a filled chamber', () => {
  const waste = event('waste', { title: 'Mix declared waste', reason: 'pot life over by 3 min' });
  expect(eventTitle(waste, TITLES)).toBe('Mix declared waste');
  expect(eventLines(waste).join('; ')).toMatch(/WASTE.*pot life over by 3 min/);
});

test('what the plan asks for and what was measured are told apart, and so is what nobody measured', () => {
  const figure = { value: '567', unit: 'mm' };
  expect(eventLines(event('confirm', { fingerprint: 'f', title: 't', figure }))).toEqual(['planned 567 mm']);
  expect(eventLines(event('confirm', { fingerprint: 'f', title: 't', figure, measuredMm: 566.4 }))).toEqual([
    'planned 567 mm',
    'measured 566.4 mm',
  ]);
  expect(eventLines(event('confirm', { fingerprint: 'f', title: 't', measuredMm: null }))).toEqual([
    'not measured',
  ]);
});

test('batch, expiry and temperature of a mix, and a temperature of the cure, stand there', () => {
  const mix = { batch: 'B-77', expiry: '2027-03-31', tempC: 21.5 };
  expect(eventLines(event('mix', { fingerprint: 'f', title: 'Mix', mix }))).toEqual([
    'batch B-77, expires 2027-03-31, work at 21.5 °C',
  ]);
  expect(eventLines(event('temperature', { title: 'Temperature of the work', tempC: 18 }))).toEqual([
    'measured 18 °C',
  ]);
});

test('an event keeps its own words when the step is called something else today', () => {
  expect(eventTitle(event('confirm', { fingerprint: 'f', title: 'Fill the chamber' }), TITLES)).toBe(
    'Fill the chamber',
  );
  expect(eventTitle(event('confirm', { fingerprint: 'f' }), TITLES)).toBe('Chamber on, then fill it');
  expect(eventTitle(event('replan', { changed: [], restamped: ['a'] }, 'plan'), TITLES)).toBe(
    'Planned again',
  );
  expect(eventLines(event('recut', { title: 'r', cutOffMm: 12, spareMm: 38 }))).toEqual([
    'cut off 12 mm, 38 mm of spare left',
  ]);
});

test('lengths stand with their names and their instrument, a correction with its reason, and nonsense as such', () => {
  const measured = [
    { key: 'gap.W-1', label: 'Gap at W-1', mm: 0.4 },
    { key: 'room', label: 'Room for the press unit', mm: null },
  ];
  const body = { fingerprint: 'f', measured, instrument: 'feeler set 3', checked: ['No dry spot'] };
  expect(eventLines(event('confirm', body))).toEqual([
    'Gap at W-1: measured 0.4 mm',
    'Room for the press unit: not measured',
    'with feeler set 3',
    'seen: No dry spot',
  ]);
  const back = { title: 'Taken back: Ring', reason: 'wrong end', redo: ['ring', 'sign'] };
  expect(eventLines(event('correct', back))).toEqual([
    'held by mistake: wrong end',
    '2 steps to be done again',
  ]);
  for (const [kind, of] of [
    ['confirm', null],
    ['temperature', { tempC: 'warm' }],
    ['dance', {}],
  ] as const)
    expect(eventLines(event(kind, of))).toEqual(['what stands here cannot be read']);
});

test('what a device kept says by whose clock, when it last heard of the server, and when it came in', () => {
  const kept = {
    ...event('temperature', { tempC: 18 }),
    kept: { contact: '2026-11-02T06:10:00.000Z', aheadMs: 0 },
    receivedAt: '2026-11-02T11:30:00.000Z',
  };
  expect(eventLines(kept)).toEqual([
    'measured 18 °C',
    'at 2026-11-02 08:00 UTC by the clock of a device without the server; last contact 2026-11-02 06:10 UTC, received 2026-11-02 11:30 UTC',
  ]);
});

test('what was left out is told step by step, and that it counts for nothing', () => {
  const left = [{ stepId: 'a', title: 'Score the jacket', at: '2026-11-02T08:00:00.000Z' }];
  const body = { title: 'Left out: 1 step that a device kept', reason: 'two of us', left };
  expect(eventLines(event('leftOut', body))).toEqual([
    'counts for nothing: two of us',
    '2026-11-02 08:00 UTC: Score the jacket',
  ]);
});
