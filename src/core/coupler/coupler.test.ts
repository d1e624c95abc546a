import fc from 'fast-check';
import type { BoreSeries } from '@/core/catalogue';
import {
  judgeGap,
  boresOf,
  gasketFor,
  leastInStemMm,
  mapFaults,
  mayTrimMm,
  placeTubes,
  pottingFor,
  swapsBetween,
  swapWords,
  tapeFor,
  tapeTable,
} from '.';

const SERIES: BoreSeries = { firstMm: 36, stepMm: 4, lastMm: 52 };

describe('the gasket for a measured jacket, bores 36 to 52 mm in steps of 4', () => {
  it.each([
    [
      { min: 41, max: 43 },
      { verdict: 'fits', boreMm: 44, marginMm: 1 },
    ],
    // On a bore is within it; a hair over is between it and the next.
    [
      { min: 43.5, max: 44 },
      { verdict: 'fits', boreMm: 44, marginMm: 0 },
    ],
    [
      { min: 43.5, max: 44.01 },
      { verdict: 'between', boresMm: [44, 48], marginMm: -0.01 },
    ],
    [
      { min: 44, max: 46 },
      { verdict: 'between', boresMm: [44, 48], marginMm: 0 },
    ],
    [
      { min: 44.01, max: 46 },
      { verdict: 'fits', boreMm: 48, marginMm: 0.01 },
    ],
    // At the ends of the series: partly out is measured again, wholly out has none.
    [
      { min: 31.9, max: 32.3 },
      { verdict: 'between', boresMm: [36], marginMm: -0.1 },
    ],
    [
      { min: 31, max: 32 },
      { verdict: 'none', marginMm: 0 },
    ],
    [
      { min: 51.8, max: 52.2 },
      { verdict: 'between', boresMm: [52], marginMm: -0.2 },
    ],
    [
      { min: 52.5, max: 53 },
      { verdict: 'none', marginMm: -0.5 },
    ],
  ])('%j', (measured, is) => {
    const fit = gasketFor(SERIES, measured);
    expect({ ...fit, marginMm: fit.marginMm + 0 }).toEqual(is);
  });

  it('fits only what every diameter in the interval puts to one bore, by brute force', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3000, max: 5600 }), fc.integer({ min: 0, max: 300 }), (from, wide) => {
        const bore = (um: number) => boresOf(SERIES).find((b) => um <= b * 100 && um > b * 100 - 400) ?? null;
        const all = new Set(Array.from({ length: wide + 1 }, (_, i) => bore(from + i)));
        const fit = gasketFor(SERIES, { min: from / 100, max: (from + wide) / 100 });
        const is = all.size > 1 ? 'between' : all.has(null) ? 'none' : 'fits';
        expect(fit.verdict).toBe(is);
        if (fit.verdict === 'fits') expect(all).toEqual(new Set([fit.boreMm]));
      }),
    );
  });
});

describe('the gap at the stem: 2.5 mm open, 6 mm with tape of 2, 3 or 4 mm, 0.5 mm thick', () => {
  const rule = { openMm: 2.5, tapedMm: 6, tapeThicknessMm: 0.5, tapeWidthsMm: [2, 3, 4] };

  it.each([
    [0, { answer: 'holds' }],
    [2.5, { answer: 'holds' }],
    // 5.4 mm deep by half a millimetre: eleven turns. Two lanes of 2 mm lie over one another to cover 2.51.
    [2.51, { answer: 'tape', widthMm: 2, lanes: 2, turns: 11 }],
    [3, { answer: 'tape', widthMm: 3, lanes: 1, turns: 11 }],
    [4, { answer: 'tape', widthMm: 4, lanes: 1, turns: 11 }],
    [6, { answer: 'tape', widthMm: 4, lanes: 2, turns: 11 }],
  ])('%s mm', (gap, is) => expect(judgeGap(rule, gap, 5.4)).toEqual(is));

  it('is cut again a hair over what tape may fill, with the hair', () => {
    const answer = judgeGap(rule, 6.01, 5.4);
    expect(answer).toMatchObject({ answer: 'cutAgain' });
    expect(answer.answer === 'cutAgain' ? answer.overMm : 0).toBeCloseTo(0.01, 9);
  });

  it('has no tape for a gap narrower than its narrowest, and never one that rides on the stem', () => {
    expect(tapeFor(rule, 1.9, 5)).toBeNull();
    for (const row of tapeTable(rule, 5.4)) {
      expect(row.widthMm * row.lanes).toBeGreaterThanOrEqual(row.upToMm - 1e-9);
      expect(tapeFor(rule, row.upToMm, 5.4)).toMatchObject({ widthMm: row.widthMm, lanes: row.lanes });
    }
    expect(tapeTable(rule, 5.4).at(-1)?.upToMm).toBeCloseTo(6, 9);
  });
});

describe('the stem, 40 mm deep, its last screw at 33 mm, 4 mm beyond it', () => {
  const stem = { stemDepthMm: 40, screwsAtMm: [12, 33, 24], holdMm: 4 };
  it.each([
    [41, 3],
    [40, 3],
    [38.5, 1.5],
    [37, 0],
  ])('bared %s mm may be trimmed by %s mm', (bare, trim) => {
    const may = mayTrimMm(stem, bare);
    expect(may.ok && may.value).toBeCloseTo(trim, 9);
  });
  it('refuses a conductor that its last screw does not hold, with what is missing', () => {
    const may = mayTrimMm(stem, 36.5);
    expect(may.ok ? '' : may.problems[0]?.message).toMatch(/asks for 37 mm: 0.5 mm short/);
  });
  it('needs what solder holds where it has no screws', () =>
    expect(leastInStemMm({ stemDepthMm: 40, screwsAtMm: [], holdMm: 30 })).toBe(30));
});

describe('strap and tubes, worked by hand', () => {
  const sheet = {
    strap: { widthMm: 15, behindEdgeMm: 10 },
    stressTube: { lengthMm: 106, behindStrapMm: 20, onInsulationMm: 40 },
    insulatingTube: { lengthMm: 165, onStemMm: 15, behindStrapMm: 40 },
  };
  const rungs = {
    bare: { mm: 41, min: 40, max: 42 },
    insulation: { mm: 61, min: 60, max: 62 },
    semiconducting: { mm: 21, min: 20, max: 21 },
    screened: { mm: 66, min: 65, max: 68 },
  };

  it('reach at exactly what they need: 20 + 25 + 21 + 40, and 15 + 2 + 62 + 21 + 25 + 40', () => {
    const placed = placeTubes(sheet, rungs, 40);
    // Laid from the screen's edge as it is marked, 41 + 61 + 21: ten behind it, and fifteen wide.
    expect(placed.ok && placed.value.strap).toEqual({ min: 133, max: 148 });
    expect(placed.ok && placed.value.stress).toEqual({ fromMm: 62, toMm: 168, cutToMm: 106, trimMm: 0 });
    // As far as the jacket may stand, 65 behind the edge: 40 beyond the strap, and not a millimetre more.
    expect(placed.ok && placed.value.insulating).toEqual({ fromMm: 25, toMm: 188, cutToMm: 163, trimMm: 2 });
  });

  it.each([
    ['stressTube', { lengthMm: 105 }, /stress tube is 105 mm long, .* takes 106 mm: 1 mm short/],
    ['insulatingTube', { lengthMm: 164 }, /insulating tube is 164 mm long, .* takes 165 mm: 1 mm short/],
    ['stressTube', { onInsulationMm: 61, lengthMm: 200 }, /covers 61 mm of insulation, and 60 mm may be all/],
    ['strap', { widthMm: 16 }, /ask for 66 mm of screened core, and 65 mm may be all there is: 1 mm short/],
  ] as const)('refuses %s %j with the millimetres', (part, change, words) => {
    const placed = placeTubes({ ...sheet, [part]: { ...sheet[part], ...change } }, rungs, 40);
    expect(placed.ok ? '' : placed.problems.map((p) => p.message).join('; ')).toMatch(words);
  });

  it('cover what they must wherever the blade went within its span, by every corner of it', () => {
    const placed = placeTubes(sheet, rungs, 40);
    if (!placed.ok) throw new Error('they reach');
    const { strap, stress, insulating } = placed.value;
    // The edge is where the fitter sees it: what varies is how much lies on either side of it.
    const edge = rungs.bare.mm + rungs.insulation.mm + rungs.semiconducting.mm;
    for (const semi of [rungs.semiconducting.min, rungs.semiconducting.max])
      for (const insulation of [rungs.insulation.min, rungs.insulation.max])
        for (const screened of [rungs.screened.min, rungs.screened.max]) {
          const on = edge - semi - stress.fromMm;
          expect(on).toBeGreaterThanOrEqual(sheet.stressTube.onInsulationMm - 1e-9);
          expect(on).toBeLessThanOrEqual(insulation + 1e-9);
          expect(stress.toMm).toBeGreaterThanOrEqual(strap.max + sheet.stressTube.behindStrapMm - 1e-9);
          expect(insulating.toMm).toBeGreaterThanOrEqual(
            strap.max + sheet.insulatingTube.behindStrapMm - 1e-9,
          );
          expect(insulating.toMm).toBeLessThanOrEqual(edge + screened + 1e-9);
        }
  });

  it('cuts a stress tube off where the insulation may end', () => {
    const long = placeTubes({ ...sheet, stressTube: { ...sheet.stressTube, lengthMm: 200 } }, rungs, 40);
    // 20 + 25 + 20 + 60: the shortest that everything may be.
    expect(long.ok && long.value.stress).toEqual({ fromMm: 43, toMm: 168, cutToMm: 125, trimMm: 75 });
  });
});

describe('phases on their contacts', () => {
  const here = { BN: 'L1', BK: 'L2', GY: 'L3' };
  it('finds a swap and names both ends', () => {
    const swaps = swapsBetween(here, { BN: 'L1', BK: 'L3', GY: 'L2' });
    expect(swapWords(swaps, 'K-170/A', 'K-170/B')).toBe(
      'phases are swapped between the ends: BK on L2 at K-170/A, on L3 at K-170/B; GY on L3 at K-170/A, on L2 at K-170/B',
    );
  });
  it('agrees either way round, and with an end that has said nothing', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(['L1', 'L2', 'L3'], { minLength: 3 }), ([a, b, c]) => {
        const there = { BN: a ?? '', BK: b ?? '', GY: c ?? '' };
        const [one, other] = [swapsBetween(here, there), swapsBetween(there, here)];
        expect(one.map((s) => [s.phase, s.there, s.here])).toEqual(
          other.map((s) => [s.phase, s.here, s.there]),
        );
        expect(one.length === 0).toBe(a === 'L1' && b === 'L2');
      }),
    );
    expect(swapsBetween(here, {})).toEqual([]);
  });
  it('says what is wrong with a map by itself', () => {
    expect(mapFaults({ BN: 'L1', BK: 'L1', RD: 'L2' }, ['BN', 'BK', 'GY'], ['L1', 'L2', 'L3'])).toEqual([
      'GY has no contact',
      'RD is no phase of this cable',
      'BN and BK both lie on L1',
    ]);
    expect(mapFaults(here, ['BN', 'BK', 'GY', 'constructor'], ['L1', 'L2', 'L3'])).toEqual([
      'constructor has no contact',
    ]);
    expect(swapsBetween({ ...here, constructor: 'L1' }, here)).toEqual([]);
  });
});

it('pots what is left of the body: 640 − 150 − 50 mL in three packs of 150, and none where nothing is left', () => {
  expect(pottingFor({ bodyMl: 640, contentMl: 150, airMl: 50, packMl: 150 })).toEqual({
    ok: true,
    value: { needMl: 440, packs: 3, leftMl: 10 },
  });
  expect(pottingFor({ bodyMl: 500, contentMl: 150, airMl: 50, packMl: 150 })).toMatchObject({
    value: { packs: 2, leftMl: 0 },
  });
  const full = pottingFor({ bodyMl: 200, contentMl: 150, airMl: 50, packMl: 150 });
  expect(full.ok ? '' : full.problems[0]?.message).toMatch(/stay air: 0 mL too much/);
});
