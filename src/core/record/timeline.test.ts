import { layTimeline, type TimelineMark } from './timeline';

const HOUR = 3_600_000;
const mark = (at: number): TimelineMark => ({ at, lane: 'worked', title: '', who: 'fitter', seq: null });

it('is empty for a record that has not begun', () => {
  expect(layTimeline([])).toEqual({ marks: [], pieces: [], rests: [] });
});

it('stands in the middle for one moment alone', () => {
  expect(layTimeline([mark(5)]).marks).toMatchObject([{ x: 0.5 }]);
});

it('gives width to time within a stretch, and draws a week of rest short with its length', () => {
  // An hour of work, a week of nothing, half an hour: by hand 0.95 · 60/90 = 0.6333 and 0.95 · 30/90 = 0.3167 beside a rest of 0.05.
  const week = 168 * HOUR;
  const made = layTimeline([0, HOUR / 2, HOUR, HOUR + week, HOUR + week + HOUR / 2].map(mark));
  expect(made.pieces).toHaveLength(2);
  expect(made.rests).toEqual([
    { x0: expect.closeTo(0.6333, 4) as number, x1: expect.closeTo(0.6833, 4) as number, ms: week },
  ]);
  expect(made.marks.map((m) => m.x)).toEqual(
    [0, 0.3167, 0.6333, 0.6833, 1].map((x) => expect.closeTo(x, 4) as number),
  );
});

it('takes two hours as one stretch and a moment more as a rest', () => {
  expect(layTimeline([mark(0), mark(2 * HOUR)]).rests).toEqual([]);
  expect(layTimeline([mark(0), mark(2 * HOUR + 1)]).rests).toHaveLength(1);
});

it('keeps the order and the edges with a rest between any two of sixty', () => {
  const made = layTimeline(Array.from({ length: 60 }, (_, i) => mark(((i * 37) % 60) * 5 * HOUR)));
  const xs = made.marks.map((m) => m.x);
  expect(xs).toEqual([...xs].sort((a, b) => a - b));
  expect(new Set(xs).size).toBe(60);
  expect(Math.min(...xs)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...xs)).toBeLessThanOrEqual(1);
  expect(made.rests).toHaveLength(59);
});

it('leaves out what has no time', () => {
  expect(layTimeline([mark(NaN), mark(0)]).marks).toHaveLength(1);
});
