import fc from 'fast-check';
import { rounded } from './hint';
import { readFrameRequest } from '../../model/frame-request';
import { frameSetting } from '../../model/frame-setting';
import { multisetsByCost } from '../../model/frame-multisets';
import { weakerThan } from '../weaker-frames';
import { rowBuilder } from './search';

const opening = (height: number) => ({
  width: 48,
  height,
  plate: 1,
  plateAgainstPress: true,
  press: { min: 28, max: 34, at: ['top' as const] },
  fillers: [{ thickness: 6, max: 4 }],
});
const read = readFrameRequest({
  cables: Array.from({ length: 6 }, (_, i) => ({ tag: `K${i}`, diameter: { min: 10.3, max: 10.6 } })),
  modules: [
    { id: 'M24', size: 24, bore: { min: 8, max: 17.5 }, layer: 1, gap: { min: 0.2, max: 0.9 } },
    { id: 'M48', size: 48, bore: { min: 20, max: 37.5 }, layer: 1, gap: { min: 0.2, max: 0.9 } },
  ],
  frames: [
    { id: 'low', cost: 10, openings: [opening(80)] },
    { id: 'high', cost: 15, openings: [opening(130)] },
    { id: 'pair', cost: 18, openings: [opening(80), opening(80)] },
  ],
  apart: [],
  spare: { share: 0.5 },
});
if (!read.ok) throw new Error(read.problems[0]?.message);
const setting = frameSetting(read.value);
const frames = (...counts: number[]) => ({ counts, cost: 0 });

describe('rounded', () => {
  it('keeps the sum and stays within one of every share', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 9, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (raw) => {
          const total = Math.round(raw.reduce((a, b) => a + b, 0));
          const counts = rounded(Float64Array.from(raw), total);
          expect(counts.reduce((a, b) => a + b, 0)).toBe(total);
          counts.forEach((n, i) => expect(Math.abs(n - (raw[i] ?? 0))).toBeLessThanOrEqual(1 + 1e-9));
        },
      ),
    );
  });
});

describe('multisetsByCost', () => {
  it('comes in order of cost and skips dearer ways to the same openings', () => {
    const costs: number[] = [];
    for (const m of multisetsByCost(setting, 1)) {
      if (m.cost > 36) break;
      costs.push(m.cost);
    }
    // 20 is two low ones, which a pair has for 18; 28, 30 … with two low ones likewise.
    expect(costs).toEqual([10, 15, 18, 25, 28, 30, 33, 36]);
  });

  it('starts at the cost that is asked for', () => {
    expect(multisetsByCost(setting, 26).next().value).toMatchObject({ cost: 28 });
  });
});

describe('weakerThan', () => {
  const weaker = weakerThan(setting);
  it('lets a low opening stand for nothing higher, and a high one for a low one', () => {
    expect(weaker(frames(1, 0, 0), frames(0, 1, 0))).toBe(true);
    expect(weaker(frames(0, 1, 0), frames(1, 0, 0))).toBe(false);
    expect(weaker(frames(1, 1, 0), frames(0, 1, 1))).toBe(true);
    expect(weaker(frames(0, 2, 0), frames(3, 1, 0))).toBe(false);
  });
});

describe('rowBuilder', () => {
  const build = rowBuilder(setting);
  it('finds a plan where the places are exactly enough', () => {
    // Six cables and three spares are nine places of 24: a high opening has rows for 48 + 24 + 24, eight places, a low one four more.
    expect(build(frames(0, 1, 0), 200)).toMatchObject({ over: expect.any(Number) as number });
    expect(build(frames(1, 1, 0), 200)).toMatchObject({ remeasure: 0, fewest: 0 });
  });

  it('says by how much it did not fit', () => {
    const least = build(frames(1, 0, 0), 200);
    if ('counts' in least) throw new Error('nine places do not fit where four are');
    // Nine places are five rows of 24; two fit.
    expect(least.over).toBeGreaterThan(0);
    expect(least.over).toBeLessThanOrEqual(3 * 24_000);
  });
});
