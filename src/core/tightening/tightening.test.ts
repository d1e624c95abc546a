import fc from 'fast-check';
import { DEMO_FILE } from '@/core/testing';
import {
  coverBolts,
  coverPasses,
  crissCross,
  lookAlikes,
  planStages,
  pressUnitOrder,
  pressUnitVerdict,
  threadsAfter,
  travelOf,
  turnsForTravel,
  wrenchSetting,
  type CoverShape,
} from '.';

const value = <T>(r: { ok: true; value: T } | { ok: false; problems: readonly { message: string }[] }): T => {
  if (!r.ok) throw new Error(r.problems[0]?.message);
  return r.value;
};

describe('wrenchSetting', () => {
  it.each([
    // 60 · 400 / (400 + 50) = 53.33; square on: 60; pointing back: 60 · 400 / 350 = 68.57; 45°: 60 · 400 / 435.355 = 55.13
    [0, 53.33],
    [90, 60],
    [180, 68.57],
    [45, 55.13],
  ])('with the head at %d° sets %d N·m for 60', (angleDeg, setting) => {
    expect(value(wrenchSetting(60, { leverMm: 400, headMm: 50, angleDeg }))).toBeCloseTo(setting, 2);
  });

  it('refuses nonsense and a head that leaves no lever', () => {
    expect(wrenchSetting(0, { leverMm: 400, headMm: 50, angleDeg: 0 }).ok).toBe(false);
    expect(wrenchSetting(60, { leverMm: 0, headMm: 50, angleDeg: 0 }).ok).toBe(false);
    expect(wrenchSetting(60, { leverMm: 100, headMm: 90, angleDeg: 180 }).ok).toBe(false);
  });
});

describe('turns, travel and threads', () => {
  it('convert into each other by the pitch', () => {
    expect(travelOf(1.5, 1.5)).toBeCloseTo(2.25, 9);
    expect(turnsForTravel(2.25, 1.5)).toBeCloseTo(1.5, 9);
    expect(threadsAfter(2, 4, 15, 1.5)).toBe(6);
    // 15 mm of thread have ten threads, however far it is turned
    expect(threadsAfter(20, 4, 15, 1.5)).toBe(10);
  });
});

describe('criss-cross', () => {
  it('is the order everybody knows for four and eight on a circle', () => {
    expect(crissCross(value(coverBolts(4, 'circle')), 'circle')).toEqual([1, 3, 2, 4]);
    expect(crissCross(value(coverBolts(8, 'circle')), 'circle')).toEqual([1, 5, 3, 7, 2, 6, 4, 8]);
  });

  it('begins in the middle of a rectangle', () => {
    const bolts = value(coverBolts(10, 'rectangle'));
    const first = bolts.find((b) => b.number === crissCross(bolts, 'rectangle')[0]);
    const nearest = Math.min(...bolts.map((b) => Math.hypot(b.x, b.y)));
    expect(Math.hypot(first?.x ?? 9, first?.y ?? 9)).toBeCloseTo(nearest, 9);
  });

  it('visits every bolt once in every pass, opposite ones one after the other', () => {
    for (const shape of ['circle', 'rectangle'] as CoverShape[]) {
      for (let count = 4; count <= 16; count += shape === 'circle' ? 1 : 2) {
        const bolts = value(coverBolts(count, shape));
        for (const pass of value(coverPasses(count, shape, 40)))
          expect([...pass.order].sort((a, b) => a - b)).toEqual(bolts.map((b) => b.number));
        const order = crissCross(bolts, shape);
        if (count % 2 === 1) continue;
        for (let i = 0; i < count; i += 2) {
          const [a, b] = [bolts[(order[i] ?? 0) - 1], bolts[(order[i + 1] ?? 0) - 1]];
          expect(
            [shape, count, (a?.x ?? 0) + (b?.x ?? 0), (a?.y ?? 0) + (b?.y ?? 0)].map((v) =>
              typeof v === 'number' ? Math.round(v * 1e6) / 1e6 + 0 : v,
            ),
          ).toEqual([shape, count, 0, 0]);
        }
      }
    }
  });

  it('never exceeds the full torque, rounds passes down, and refuses what is no cover', () => {
    expect(value(coverPasses(6, 'circle', 25)).map((p) => p.torqueNm)).toEqual([7.5, 15, 25, 25]);
    expect(value(coverPasses(6, 'circle', 0.35)).map((p) => p.torqueNm)).toEqual([0.1, 0.2, 0.3, 0.3]);
    for (const [n, shape] of [
      [3, 'circle'],
      [17, 'circle'],
      [5, 'rectangle'],
      [4.5, 'circle'],
    ] as const)
      expect(coverBolts(n, shape).ok).toBe(false);
    expect(coverPasses(6, 'circle', 0).ok).toBe(false);
  });
});

describe('press unit', () => {
  it('drives no bolt more than one increment ahead, and all to the stop', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 8 }),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        (bolts, travelMm, incrementMm) => {
          const at = new Map(Array.from({ length: bolts }, (_, i) => [i + 1, 0]));
          for (const { bolt, toMm } of value(pressUnitOrder({ bolts, travelMm, incrementMm }))) {
            at.set(bolt, toMm);
            expect(Math.max(...at.values()) - Math.min(...at.values())).toBeLessThanOrEqual(
              incrementMm + 1e-9,
            );
          }
          for (const mm of at.values()) expect(mm).toBeCloseTo(travelMm, 9);
        },
      ),
    );
  });

  it('is closed at the stop only: the maximum torque before it is not', () => {
    const state = { travelledMm: 18, travelMm: 20, torqueNm: 12, maxTorqueNm: 15 };
    expect(pressUnitVerdict(state)).toMatchObject({
      closed: false,
      words: expect.stringContaining('2 mm before') as string,
    });
    expect(pressUnitVerdict({ ...state, torqueNm: 15 })).toMatchObject({
      closed: false,
      words: expect.stringMatching(/maximum torque of 15 N·m came 2 mm before the stop/) as string,
    });
    expect(pressUnitVerdict({ ...state, travelledMm: 20, torqueNm: 15 }).closed).toBe(true);
  });
});

describe('lookAlikes', () => {
  const revisions = DEMO_FILE.families.filter((f) => f.code === 'YB2');
  it('names the other revision of the same sheet with its other last turn', () => {
    const now = revisions.find((f) => f.sheet.revision === '4');
    const size = now?.sizes[0];
    if (!now || !size) throw new Error('YB2');
    const last = planStages(now, size, 30).find((s) => s.id === 'backNut');
    if (!last) throw new Error('no last stage');
    const own = lookAlikes(last, now, DEMO_FILE.families, 30).filter((l) => l.family === 'YB2');
    expect(own).toEqual([{ family: 'YB2', revision: '3', words: 'To a strong resistance, then ¾ turn' }]);
  });

  it('says nothing of torques, which go by size', () => {
    for (const family of DEMO_FILE.families) {
      const [size] = family.sizes;
      if (!size) continue;
      for (const stage of planStages(family, size, 30))
        if (stage.method.kind === 'torque')
          expect(lookAlikes(stage, family, DEMO_FILE.families, 30)).toEqual([]);
    }
  });
});
