import fc from 'fast-check';
import { DEMO, interval, demoSize, CABLE } from '@/core/testing';
import {
  choosePacks,
  compoundVerdicts,
  cureTime,
  estimateMinutes,
  planBatches,
  planSeal,
  potLife,
  trackCure,
  type TemperatureReading,
} from '.';

const RESIN = DEMO.compounds?.find((c) => c.kind === 'resin');
const PUTTY = DEMO.compounds?.find((c) => c.kind === 'putty');
if (!RESIN || !PUTTY) throw new Error('the demo catalogue has a resin and a putty');
const value = <T>(r: { ok: true; value: T } | { ok: false; problems: readonly { message: string }[] }): T => {
  if (!r.ok) throw new Error(r.problems[0]?.message);
  return r.value;
};
const refusal = (r: { ok: boolean; problems?: readonly { message: string }[] } | null): string =>
  r === null || r.ok ? '' : (r.problems ?? []).map((p) => p.message).join('; ');

describe('pot life', () => {
  // Printed: 5 °C 45, 10 °C 34, 15 °C 26, 20 °C 20, 25 °C 15, 30 °C 11, 35 °C 8
  it.each([
    [20, 20, 'point'],
    [20.1, 15, 'neighbour'],
    [24.9, 15, 'neighbour'],
    [25, 15, 'point'],
    [5, 45, 'point'],
    [4.9, 45, 'held'],
    [-10, 45, 'held'],
    [35, 8, 'point'],
  ])('at %d °C is %d min by %s', (c, minutes, basis) => {
    expect(value(potLife(RESIN.potLife, c))).toMatchObject({ minutes, basis });
  });

  it('is refused above its table with the number', () => {
    expect(refusal(potLife(RESIN.potLife, 35.5))).toMatch(/35.5 °C.*up to 35 °C: 0.5 °C too hot/);
  });
});

describe('cure', () => {
  // Printed: 5 °C 720 … 20 °C 150, 25 °C 95 … 40 °C 40
  it.each([
    [20, 150, 'point'],
    [24.9, 150, 'neighbour'],
    [5, 720, 'point'],
    [40, 40, 'point'],
    [41, 40, 'held'],
  ])('at %d °C is %d min by %s', (c, minutes, basis) => {
    expect(value(cureTime(RESIN.cure, c))).toMatchObject({ minutes, basis });
  });

  it('is refused below its table with the number', () => {
    expect(refusal(cureTime(RESIN.cure, 3))).toMatch(/3 °C.*from 5 °C up: 2 °C too cold/);
  });
});

describe('the estimate between two points', () => {
  it('is the straight line of ln minutes over 1/T, by hand', () => {
    // 20 °C 20 min, 25 °C 15 min, at 22 °C: x = 1/295.15, x20 = 1/293.15, x25 = 1/298.15
    // share = (0.00338811 − 0.00341122) / (0.00335402 − 0.00341122) = 0.40408; e^(ln 20 + 0.40408 · ln 0.75) = 17.805
    expect(estimateMinutes({ c: 20, minutes: 20 }, { c: 25, minutes: 15 }, 22)).toBeCloseTo(17.805, 2);
  });

  it('lies between the neighbours, says that it is one, and is never on the unsafe side of the next point', () => {
    fc.assert(
      fc.property(fc.double({ min: 5.01, max: 34.99, noNaN: true }), (c) => {
        const safe = value(potLife(RESIN.potLife, c)).minutes;
        const guess = value(potLife(RESIN.potLife, c, 'estimate'));
        expect(guess.minutes).toBeGreaterThanOrEqual(Math.floor(safe));
        if (guess.basis === 'estimate') expect(guess.words).toMatch(/estimate/);
        const slow = value(cureTime(RESIN.cure, c)).minutes;
        expect(value(cureTime(RESIN.cure, c, 'estimate')).minutes).toBeLessThanOrEqual(Math.ceil(slow));
      }),
    );
  });

  it('shorter with heat, never longer: over the whole range', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 35, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (c, more) => {
          const [cold, hot] = [potLife(RESIN.potLife, c), potLife(RESIN.potLife, c + more)];
          if (cold.ok && hot.ok) expect(hot.value.minutes).toBeLessThanOrEqual(cold.value.minutes);
        },
      ),
    );
  });
});

describe('packs', () => {
  it.each([
    [20, { 'QR-7-25': 1 }, 5],
    [25, { 'QR-7-25': 1 }, 0],
    // 2 × 25 = 50 leaves nothing; one of 60 would leave 10
    [50, { 'QR-7-25': 2 }, 0],
    [52, { 'QR-7-60': 1 }, 8],
    // 2 × 60 + 25 = 145 leaves 1
    [144, { 'QR-7-25': 1, 'QR-7-60': 2 }, 1],
  ])('for %d mL', (ml, packs, leftover) => {
    const plan = choosePacks(RESIN, ml);
    expect(Object.fromEntries(plan.packs.map((p) => [p.part, p.count]))).toEqual(packs);
    expect(plan.leftoverMl).toBeCloseTo(leftover, 6);
  });

  it('equals brute force: least left over, then fewest packs', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 3, max: 40 }), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 120 }),
        (sizes, need) => {
          const packs = sizes.map((ml) => ({ part: `P${ml}`, ml }));
          let best: [number, number] | null = null;
          const most = Math.ceil(need / Math.min(...sizes));
          const walk = (i: number, total: number, count: number) => {
            if (total >= need) {
              if (!best || total - need < best[0] || (total - need === best[0] && count < best[1]))
                best = [total - need, count];
              return;
            }
            if (i >= sizes.length || count > most) return;
            walk(i, total + (sizes[i] ?? 0), count + 1);
            walk(i + 1, total, count);
          };
          walk(0, 0, 0);
          const plan = choosePacks({ packs }, need);
          expect([plan.leftoverMl, plan.packs.reduce((n, p) => n + p.count, 0)]).toEqual(best);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('planSeal', () => {
  const [family, size] = demoSize('WC4-32');
  const core = interval('core', 6.9, 7.1);
  const input = { family, size, cableType: CABLE, core, compounds: [RESIN, PUTTY], wanted: null };
  const made = (change: Partial<Parameters<typeof planSeal>[0]> = {}) => {
    const plan = planSeal({ ...input, ...change });
    if (plan === null) throw new Error('no chamber');
    return value(plan);
  };
  const chamber = (() => {
    if (!size.chamber) throw new Error('no chamber');
    return size.chamber;
  })();

  it('counts the room between the cores as by hand', () => {
    const plan = made();
    // Four cores of 6.9 mm at their thinnest: 4 · π/4 · 6.9² · length / 1000
    const cores = (Math.PI * 6.9 * 6.9 * chamber.lengthMm) / 1000;
    expect(plan.netMl).toBeCloseTo(Math.ceil((chamber.volumeMl - cores) * 10) / 10, 6);
    expect(plan.needMl).toBeCloseTo(Math.ceil((chamber.volumeMl - cores) * 1.12 * 10) / 10, 6);
    expect(plan).toMatchObject({ product: 'resin QR-7', kind: 'resin', stickMm: null });
    expect(plan.packs.totalMl).toBeGreaterThanOrEqual(plan.needMl);
  });

  it('gives putty as a length of stick, never too short', () => {
    const plan = made({ wanted: 'putty CP-5' });
    const ml = ((plan.stickMm ?? 0) * Math.PI * 22 * 22) / 4000;
    expect(ml).toBeGreaterThanOrEqual(plan.needMl - 1e-9);
    expect(((plan.stickMm ?? 0) - 1) * Math.PI * 22 * 22).toBeLessThan(plan.needMl * 4000);
  });

  it('refuses what is not approved, too many cores, an unknown sheet, no room and an unmeasured core', () => {
    const limit = size.chamber?.compounds.find((c) => c.kind === 'putty')?.maxCores ?? 0;
    const cores = (n: number) => ({ ...CABLE, cores: n });
    expect(refusal(planSeal({ ...input, wanted: 'wax' }))).toMatch(/not on the approval list/);
    expect(
      planSeal({ ...input, cableType: cores(limit), core: interval('core', 2, 2.1), wanted: 'putty CP-5' })
        ?.ok,
    ).toBe(true);
    expect(refusal(planSeal({ ...input, cableType: cores(limit + 1), wanted: 'putty CP-5' }))).toMatch(
      /1 too many/,
    );
    expect(refusal(planSeal({ ...input, compounds: [] }))).toMatch(/Import its sheet/);
    expect(refusal(planSeal({ ...input, core: null }))).toMatch(/not measured/);
    expect(refusal(planSeal({ ...input, core: interval('core', 30, 31) }))).toMatch(/no room/);
    expect(planSeal({ ...input, size: { ...size, chamber: undefined } })).toBeNull();
  });

  it('falls back on what the core count allows, and says why the other is refused', () => {
    const many = { ...size, chamber: { ...chamber, compounds: [...chamber.compounds].reverse() } };
    const cores = (many.chamber.compounds[0]?.maxCores ?? 0) + 1;
    const plan = made({ size: many, cableType: { ...CABLE, cores }, core: interval('core', 2, 2.1) });
    expect(plan.product).toBe('resin QR-7');
    expect(compoundVerdicts(many, cores)[0]).toMatchObject({ product: 'putty CP-5', allowed: false });
  });
});

describe('planBatches', () => {
  const pours = (n: number, ml = 12) => Array.from({ length: n }, (_, i) => ({ tag: `K-${i}/A`, ml }));

  it('fills mixes as by hand', () => {
    // 20 min less 2 of mixing leave 18; 5 min a pour: 3 pours a mix. 7 terminations: 3 + 3 + 1
    const plan = value(
      planBatches({ pours: pours(7), compound: RESIN, potLifeMinutes: 20, minutesPerPour: 5, people: 1 }),
    );
    expect(plan.perMix).toBe(3);
    expect(plan.mixes.map((m) => m.pours.length)).toEqual([3, 3, 1]);
    expect(plan.mixes[0]).toMatchObject({ ml: 36, marginMinutes: 3 });
    expect(plan.mixes[0]?.packs.packs).toEqual([{ part: 'QR-7-25', ml: 25, count: 2 }]);
    expect(plan.totalMl).toBe(84);
    expect(plan.minutes).toBe(17 + 17 + 7);
  });

  it('refuses when not even one pour fits', () => {
    expect(
      refusal(
        planBatches({ pours: pours(1), compound: RESIN, potLifeMinutes: 8, minutesPerPour: 6.5, people: 3 }),
      ),
    ).toMatch(/leave 6 min; one pour takes 6.5/);
    expect(
      planBatches({ pours: pours(1), compound: RESIN, potLifeMinutes: 8, minutesPerPour: 6, people: 1 }).ok,
    ).toBe(true);
  });

  it('never ends a pour after its pot life, loses nobody, and needs no more mixes than it must', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 5, max: 60 }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.integer({ min: 1, max: 5 }),
        (n, potLifeMinutes, minutesPerPour, people) => {
          const plan = planBatches({
            pours: pours(n),
            compound: RESIN,
            potLifeMinutes,
            minutesPerPour,
            people,
          });
          if (!plan.ok) {
            expect(potLifeMinutes - 2).toBeLessThan(minutesPerPour);
            return;
          }
          const all = plan.value.mixes.flatMap((m) => m.pours);
          expect(all.map((p) => p.tag)).toEqual(pours(n).map((p) => p.tag));
          for (const p of all) expect(p.toMinute).toBeLessThanOrEqual(potLifeMinutes + 1e-6);
          for (const m of plan.value.mixes) {
            // Nobody pours two at once.
            for (const a of m.pours)
              for (const b of m.pours)
                if (a !== b && a.person === b.person)
                  expect(a.toMinute <= b.fromMinute + 1e-9 || b.toMinute <= a.fromMinute + 1e-9).toBe(true);
          }
          const most = Math.floor((potLifeMinutes - 2) / minutesPerPour + 1e-9) * people;
          expect(plan.value.mixes.length).toBe(Math.ceil(n / most));
        },
      ),
    );
  });
});

describe('trackCure', () => {
  const every = (minutes: number, c: number, of: number): TemperatureReading[] =>
    Array.from({ length: Math.floor(minutes / of) + 1 }, (_, i) => ({ at: i * of, c }));

  it('is 1 exactly when t_cure has passed at constant temperature', () => {
    for (const { c, minutes } of RESIN.cure) {
      const track = value(trackCure(RESIN.cure, every(minutes, c, 5), minutes));
      expect(track.progress).toBeCloseTo(1, 6);
      expect(track.hardAt).toBeCloseTo(minutes, 6);
      const before = value(trackCure(RESIN.cure, every(minutes - 5, c, 5), minutes - 5));
      expect(before.progress).toBeLessThan(1);
      expect(before.ready?.at).toBeCloseTo(minutes, 6);
    }
  });

  it('goes by the colder reading of each interval, by hand', () => {
    // 25 min between 20 °C and 25 °C count at 20 °C (150 min); 25 min at 25 °C (95 min): 25/150 + 25/95 = 0.42982
    const track = value(
      trackCure(
        RESIN.cure,
        [
          { at: 0, c: 20 },
          { at: 25, c: 25 },
          { at: 50, c: 25 },
        ],
        50,
      ),
    );
    expect(track.progress).toBeCloseTo(0.42982, 4);
    // 0.57018 to go at 25 °C: 54.2 min on; at 20 °C 85.5 min
    expect(track.ready?.at).toBeCloseTo(50 + 54.17, 1);
    expect(track.ready?.latest).toBeCloseTo(50 + 85.53, 1);
  });

  it('stops in the cold and in a gap of over 30 minutes, and raises a hold', () => {
    const cold = value(
      trackCure(
        RESIN.cure,
        [
          { at: 0, c: 20 },
          { at: 20, c: 3 },
          { at: 40, c: 3 },
        ],
        40,
      ),
    );
    expect(cold.progress).toBe(0);
    expect(cold.holds).toEqual([
      { from: 0, to: 40, why: 'cold', words: expect.stringContaining('Warm the work') as string },
    ]);
    expect(cold.ready).toBeNull();
    expect(cold.standing?.why).toBe('cold');
    const gap = value(
      trackCure(
        RESIN.cure,
        [
          { at: 0, c: 20 },
          { at: 31, c: 20 },
          { at: 46, c: 20 },
        ],
        46,
      ),
    );
    expect(gap.holds).toMatchObject([{ from: 0, to: 31, why: 'gap' }]);
    expect(gap.progress).toBeCloseTo(0.1, 6);
    expect(gap.standing).toBeNull();
    expect(
      value(
        trackCure(
          RESIN.cure,
          [
            { at: 0, c: 20 },
            { at: 30, c: 20 },
          ],
          30,
        ),
      ).progress,
    ).toBeCloseTo(0.2, 6);
    expect(value(trackCure(RESIN.cure, [{ at: 0, c: 20 }], 31)).standing?.why).toBe('gap');
  });

  it('never falls, and more heat never makes it slower', () => {
    const log = fc.array(
      fc.record({ step: fc.integer({ min: 1, max: 45 }), c: fc.integer({ min: 0, max: 45 }) }),
      {
        minLength: 2,
        maxLength: 40,
      },
    );
    fc.assert(
      fc.property(log, fc.integer({ min: 0, max: 10 }), (steps, warmer) => {
        let at = 0;
        const readings = steps.map(({ step, c }) => ({ at: (at += step), c }));
        const track = value(trackCure(RESIN.cure, readings, at));
        track.curve.forEach((p, i) => {
          expect(p.progress).toBeGreaterThanOrEqual((track.curve[i - 1]?.progress ?? 0) - 1e-12);
          expect(p.progress).toBeLessThanOrEqual(1);
        });
        const hot = value(
          trackCure(
            RESIN.cure,
            readings.map((r) => ({ ...r, c: r.c + warmer })),
            at,
          ),
        );
        expect(hot.progress).toBeGreaterThanOrEqual(track.progress - 1e-9);
      }),
    );
  });

  it.each([
    ['no reading', [], /no temperature/],
    [
      'two at one time',
      [
        { at: 1, c: 20 },
        { at: 1, c: 20 },
      ],
      /not later/,
    ],
    ['nonsense', [{ at: 1, c: 400 }], /not a temperature/],
  ])('refuses %s', (_, readings, message) => {
    expect(refusal(trackCure(RESIN.cure, readings, 5))).toMatch(message);
  });
});
