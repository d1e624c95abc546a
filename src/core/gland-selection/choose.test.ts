import fc from 'fast-check';
import { BOX, CABLE, DEMO, demoSize, ENTRY, interval, TERMINATION } from '@/core/testing';
import { CODE_PROFILES } from '@/core/schedule';
import {
  answerWords,
  choose,
  CRITERIA,
  CRITERION_IDS,
  findingOf,
  findingView,
  judge,
  judgeAll,
  judgeRange,
  packCandidate,
  unpackMarginUm,
  unpackVerdict,
  type CriterionId,
  type TerminationInput,
} from '.';

const catalogue = DEMO;
const size = demoSize;
const finding = (input: TerminationInput, code: string, criterion: CriterionId) => {
  const found = findingOf(judge(input, ...size(code), catalogue), criterion);
  if (!found) throw new Error(criterion);
  return findingView(found);
};
const outer = (min: number, max: number): TerminationInput => ({
  ...TERMINATION,
  outerSheath: interval('outerSheath', min, max),
});

describe('judgeRange', () => {
  const um = (min: number, max: number, u: number) => ({
    min: min - u,
    max: max + u,
    certainMin: min + u,
    certainMax: max - u,
  });
  it.each([
    ['inside', um(19_000, 23_000, 100), 'fits', 400],
    ['on both bounds', { min: 18_500, max: 24_000, certainMin: 18_700, certainMax: 23_800 }, 'fits', 0],
    ['one µm over, perhaps', um(20_000, 23_901, 100), 'marginal', -1],
    ['certainly over by one µm', um(20_000, 24_101, 100), 'misfit', -201],
    ['just not certainly over', um(20_000, 24_100, 100), 'marginal', -200],
    ['certainly under', um(18_399, 20_000, 100), 'misfit', -201],
    ['straddling both ends', um(18_450, 24_050, 100), 'marginal', -150],
  ] as const)('%s', (_, interval, verdict, marginUm) => {
    expect(judgeRange(18_500, 24_000, interval)).toEqual({ verdict, marginUm });
  });
});

describe('criteria', () => {
  it('has one rule for each id', () =>
    expect(CRITERIA.map((c) => c.id).sort()).toEqual([...CRITERION_IDS].sort()));

  it('says by how much an outer seal is missed', () => {
    // RW2-25 takes 17.6–24.2; the cable reaches 24.9: 0.7 over
    const f = finding(outer(24.4, 24.9), 'RW2-25', 'outerSeal');
    expect(f).toMatchObject({ verdict: 'misfit', margin: -0.7 });
    expect(f.reason).toBe('outer seal takes 17.6–24.2 mm, your outer sheath is 24.4–24.9 mm: 0.7 mm over');
  });

  it('judges the outer seal at, inside and outside its bounds', () => {
    expect(finding(outer(23.4, 31.2), 'RW2-32', 'outerSeal')).toMatchObject({ verdict: 'fits', margin: 0 });
    expect(finding(outer(23.5, 31.1), 'RW2-32', 'outerSeal')).toMatchObject({ verdict: 'fits', margin: 0.1 });
    expect(finding(outer(23.39, 31), 'RW2-32', 'outerSeal').verdict).toBe('misfit');
  });

  it('chooses the groove by the armour, and the alternative ring for tape', () => {
    const ring = (armour: 'roundWire' | 'braid' | 'tape', wire: number) =>
      judge(
        { ...TERMINATION, cableType: { ...CABLE, armour }, armourWire: interval('armourWire', wire, wire) },
        ...size('AY3-32'),
        catalogue,
      ).ring;
    expect(ring('roundWire', 1.6)).toMatchObject({ verdict: 'fits', option: { face: 'coarse' } });
    expect(ring('braid', 0.3)).toMatchObject({ verdict: 'fits', option: { face: 'fine' } });
    expect(ring('tape', 0.5)).toMatchObject({ verdict: 'fits', option: { face: 'flat', ring: 'AY3-32-RF' } });
    expect(ring('roundWire', 2.5)).toMatchObject({ verdict: 'misfit', marginUm: -750 });
  });

  it('refuses armour that the family does not clamp', () => {
    const input = { ...TERMINATION, cableType: { ...CABLE, armour: 'braid' as const } };
    expect(finding(input, 'RW2-32', 'construction').verdict).toBe('misfit');
    expect(finding(input, 'RW2-32', 'armourRing').verdict).toBe('misfit');
    expect(finding(input, 'AY3-32', 'construction').verdict).toBe('fits');
  });

  it('keeps a creeping sheath out of a compression seal, and lets a diaphragm have it', () => {
    const input = { ...TERMINATION, cableType: { ...CABLE, coldFlow: true } };
    expect(finding(input, 'RW2-32', 'coldFlow')).toMatchObject({
      verdict: 'misfit',
      reason: expect.stringContaining('diaphragm') as string,
    });
    expect(finding(input, 'AY3-32', 'coldFlow').verdict).toBe('fits');
  });

  it('cannot judge what was not measured', () => {
    const input = { ...TERMINATION, innerSheath: null };
    expect(finding(input, 'RW2-32', 'innerSeal').verdict).toBe('unknown');
    expect(judge(input, ...size('RW2-32'), catalogue).verdict).toBe('unknown');
    expect(answerWords(choose(input, catalogue).answer)).toBe('Measure first: inner sheath.');
  });

  describe('threads', () => {
    // gland 15 − undercut 1.5 − washer 1.5 = 12 mm; wall 16 − chamfer 1 = 15 → 12 mm = 8 threads; 8 mm asked above 100 cm³
    it('counts what is engaged after washer, undercut and chamfer', () => {
      expect(finding(TERMINATION, 'RW2-32', 'engagement')).toMatchObject({
        verdict: 'fits',
        margin: 4,
        has: '8 threads, 12.0 mm',
      });
    });

    it.each([
      ['exactly 8 mm', 9, 2500, 'fits'],
      ['0.1 mm less', 8.9, 2500, 'misfit'],
      ['five threads suffice for a small volume', 8.5, 100, 'fits'],
      ['but not four and a bit', 8.4, 100, 'misfit'],
    ])('flameproof: %s', (_, wallMm, freeVolumeCm3, verdict) => {
      const input = { ...TERMINATION, entry: { ...ENTRY, wallMm }, enclosure: { ...BOX, freeVolumeCm3 } };
      expect(finding(input, 'RW2-32', 'engagement').verdict).toBe(verdict);
    });

    it('takes the earth tag off as well when the wall is not earthed', () => {
      const input = { ...TERMINATION, enclosure: { ...BOX, wallEarthed: false } };
      expect(finding(input, 'RW2-32', 'engagement')).toMatchObject({
        margin: 2.5,
        has: '7 threads, 10.5 mm',
      });
    });

    it('goes through one adaptor, and judges both joints', () => {
      const m25 = { ...ENTRY, thread: { form: 'metric' as const, size: 'M25', pitchMm: 1.5 } };
      const candidate = judge({ ...TERMINATION, entry: m25 }, ...size('RW2-32'), catalogue);
      expect(candidate.entry.adaptor?.partNumber).toBe('TA-2532');
      expect(candidate.entry.joints).toHaveLength(2);
      const thin = judge({ ...TERMINATION, entry: { ...m25, wallMm: 6 } }, ...size('RW2-32'), catalogue);
      expect(thin.entry.engagement).toBe('misfit');
    });

    it('never stacks two adaptors and never crosses thread forms', () => {
      const m63 = { ...ENTRY, thread: { form: 'metric' as const, size: 'M63', pitchMm: 1.5 } };
      expect(finding({ ...TERMINATION, entry: m63 }, 'RW2-20', 'entryThread').verdict).toBe('misfit');
      const npt = { ...ENTRY, thread: { form: 'npt' as const, size: '1', pitchMm: 2.209 } };
      expect(finding({ ...TERMINATION, entry: npt }, 'RW2-32', 'entryThread')).toMatchObject({
        verdict: 'misfit',
        reason: expect.stringContaining('1 NPT') as string,
      });
    });

    it('never lets a clearance hole be flameproof; elsewhere the locknut must have room', () => {
      const hole = {
        label: 'E1',
        kind: 'clearance' as const,
        thread: null,
        wallMm: 3,
        chamferMm: 0,
        holeMm: 32.5,
      };
      expect(finding({ ...TERMINATION, entry: hole }, 'RW2-32', 'entryThread').verdict).toBe('misfit');
      const plain = { ...BOX, concept: 'none' as const, zone: null, gasGroup: null };
      const input = (wallMm: number, holeMm = 32.5) => ({
        ...TERMINATION,
        enclosure: plain,
        entry: { ...hole, wallMm, holeMm },
      });
      // 13.5 mm of thread for washer 1.5 + plate + serrated washer 1.2 + locknut 5
      expect(finding(input(5.8), 'RW2-32', 'engagement')).toMatchObject({ verdict: 'fits', margin: 0 });
      expect(finding(input(5.9), 'RW2-32', 'engagement').verdict).toBe('misfit');
      expect(finding(input(3, 32.7), 'RW2-32', 'entryThread').verdict).toBe('fits');
      expect(finding(input(3, 32.8), 'RW2-32', 'entryThread').verdict).toBe('misfit');
      expect(finding(input(3, 31.9), 'RW2-32', 'entryThread').verdict).toBe('misfit');
    });
  });

  it('takes zone, group, IP and temperature from the certificate', () => {
    const at = (change: Partial<typeof BOX>) => ({ ...TERMINATION, enclosure: { ...BOX, ...change } });
    expect(finding(at({ zone: 0 }), 'RW2-32', 'concept').verdict).toBe('misfit');
    expect(finding(at({ gasGroup: 'IIC' }), 'RW2-32', 'group').verdict).toBe('fits');
    expect(finding(at({ ip: '67' }), 'RW2-32', 'ip').verdict).toBe('fits');
    expect(finding(at({ ip: '69' }), 'RW2-32', 'ip').verdict).toBe('misfit');
    expect(finding(at({ entryMaxC: 95 }), 'RW2-32', 'temperature')).toMatchObject({
      verdict: 'fits',
      margin: 0,
    });
    expect(finding(at({ entryMaxC: 96 }), 'RW2-32', 'temperature')).toMatchObject({
      verdict: 'misfit',
      margin: -1,
    });
    expect(finding(at({ ambientMinC: -41 }), 'RW2-32', 'temperature').verdict).toBe('misfit');
  });

  it('fails an oval cable for a flameproof seal only', () => {
    // RW2 seals the inner sheath: 1.3 / 21.65 = 6 % there against 5 %; the outer one may be as oval as it likes.
    const oval = { ...TERMINATION, innerSheath: interval('innerSheath', 21, 22.3) };
    expect(finding(outer(27.2, 28.8), 'RW2-32', 'ovality').verdict).toBe('fits');
    expect(finding(oval, 'RW2-32', 'ovality').verdict).toBe('misfit');
    expect(finding({ ...oval, enclosure: { ...BOX, concept: 'Ex e' } }, 'RW2-32', 'ovality').verdict).toBe(
      'fits',
    );
  });
});

describe('choose', () => {
  it('ranks what fits first and says so in a sentence', () => {
    const choice = choose(TERMINATION, catalogue);
    // Nearest to the edge of its tightest range: RW2-32 wire 1.61 in 1.5–2.1 → 0.37; AY3-32 wire 1.61 in 1.2–1.75 → 0.51
    expect(
      choice.candidates.slice(0, 2).map((c) => [c.size.code, c.verdict, c.centrality.toFixed(2)]),
    ).toEqual([
      ['AY3-32', 'fits', '0.51'],
      ['RW2-32', 'fits', '0.37'],
    ]);
    // outer 30.4 − 28.4 = 2.0, inner 24.6 − 21.8 = 2.8
    expect(answerWords(choice.answer)).toBe(
      'Take AY3-32, coarse groove to the cone; 2 mm inside the outer seal range.',
    );
    expect(choice.candidates).toHaveLength(114);
  });

  it('names the nearest size and the reason when nothing fits', () => {
    const choice = choose(outer(80, 80.4), catalogue);
    expect(answerWords(choice.answer)).toMatch(/^No size fits\. Nearest is RW1-63: /);
  });

  it('puts the sizes that miss the cable by the least before the far ones, whatever adaptor they would need', () => {
    const misses = choose(TERMINATION, catalogue).candidates.filter(
      (c) =>
        c.cableRefusals > 0 &&
        c.findings.every((f) => f.criterion !== 'construction' || f.verdict !== 'misfit'),
    );
    const ofFamily = (family: string) => misses.filter((c) => c.family.code === family);
    // AY3-25 closes to 23.4 and AY3-40 from 30.3: the neighbours of 28.4, though only with an adaptor in the M32 entry.
    expect(
      ofFamily('AY3')
        .slice(0, 2)
        .map((c) => c.size.code),
    ).toEqual(['AY3-40', 'AY3-25']);
    const margins = ofFamily('AY3').map((c) => c.marginMm ?? NaN);
    expect(margins).toEqual([...margins].sort((a, b) => b - a));
  });

  it('asks for a tape and a second caliper at a flameproof box', () => {
    const input = { ...TERMINATION, outerSheath: { ...interval('outerSheath', 28, 28.4), hasTape: false } };
    expect(choose(input, catalogue).provisional).toEqual([{ code: 'tape' }]);
  });

  it('never lets a bigger cable into a bore that refused a smaller one for being too big', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 7000 }).map((n) => n * 10),
        fc.integer({ min: 1, max: 2000 }).map((n) => n * 10),
        (um, more) => {
          for (const { family: f, size: s } of judgeAll([TERMINATION], catalogue).sizes) {
            const small = findingOf(judge(outer(um / 1000, um / 1000), f, s, catalogue), 'outerSeal');
            if (small?.verdict !== 'misfit' || um / 1000 < (small.range?.min ?? 0)) continue;
            const big = findingOf(
              judge(outer((um + more) / 1000, (um + more) / 1000), f, s, catalogue),
              'outerSeal',
            );
            expect(big?.verdict).toBe('misfit');
            expect(big?.margin ?? 0).toBeLessThan(small.margin ?? 0);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('judgeAll', () => {
  const armours = fc.constantFrom(
    'roundWire',
    'braid',
    'tape',
    'interlocked',
    'corrugated',
    'none',
  ) as fc.Arbitrary<typeof CABLE.armour>;
  const spans = (low: number, high: number) =>
    fc
      .tuple(fc.integer({ min: low, max: high }), fc.integer({ min: 0, max: 900 }))
      .map(([a, d]) => [a / 1000, (a + d) / 1000] as const);
  const termination: fc.Arbitrary<TerminationInput> = fc
    .record({
      armour: armours,
      innerSheath: fc.boolean(),
      coldFlow: fc.boolean(),
      o: fc.option(spans(8000, 62_000)),
      i: fc.option(spans(5000, 52_000)),
      w: fc.option(spans(150, 2600)),
      concept: fc.constantFrom('Ex d', 'Ex e', 'none', 'explosionproof'),
      wallEarthed: fc.boolean(),
      thread: fc.constantFrom('M16', 'M20', 'M25', 'M32', 'M40', 'M50', 'M63'),
      wallMm: fc.integer({ min: 3, max: 20 }),
      entryMaxC: fc.constantFrom(60, 95, 96),
      blur: fc.integer({ min: 0, max: 300 }),
      over: fc.option(spans(9000, 56_000)),
      bundle: fc.option(spans(6000, 46_000)),
      core: fc.option(spans(900, 12_000)),
      cores: fc.integer({ min: 1, max: 60 }),
      filled: fc.boolean(),
      compact: fc.option(fc.boolean(), { nil: undefined }),
      lengthM: fc.option(fc.integer({ min: 1, max: 6 })),
      profile: fc.constantFrom(...CODE_PROFILES),
      division: fc.constantFrom(undefined, 1, 2),
      listings: fc.constantFrom<(typeof CABLE)['listings'][]>(undefined, [], ['I/2'], ['I/1']),
      source: fc.constantFrom(undefined, true, false),
      metal: fc.constantFrom(undefined, 'steel' as const, 'aluminium' as const),
      singleCoreAc: fc.boolean(),
      wet: fc.boolean(),
      npt: fc.boolean(),
    })
    .map((r) => {
      const blurred = (m: ReturnType<typeof interval>) => ({
        ...m,
        interval: { min: Math.max(0, m.interval.min - r.blur / 1000), max: m.interval.max + r.blur / 1000 },
      });
      return {
        ...TERMINATION,
        profile: r.profile,
        cableLengthMm: r.lengthM === null ? null : r.lengthM * 1000,
        cableType: {
          ...CABLE,
          armour: r.armour,
          innerSheath: r.innerSheath,
          coldFlow: r.coldFlow,
          cores: r.cores,
          effectivelyFilled: r.filled,
          compact: r.compact,
          listings: r.listings,
          armourMaterial: r.metal,
          singleCoreAc: r.singleCoreAc,
        },
        overArmour: r.over ? blurred(interval('overArmour', ...r.over)) : null,
        laidUpCores: r.bundle ? blurred(interval('laidUpCores', ...r.bundle)) : null,
        core: r.core ? blurred(interval('core', ...r.core)) : null,
        outerSheath: r.o ? blurred(interval('outerSheath', ...r.o)) : null,
        innerSheath: r.i ? blurred(interval('innerSheath', ...r.i)) : null,
        armourWire: r.w ? interval('armourWire', ...r.w) : null,
        enclosure: {
          ...BOX,
          concept: r.concept,
          wallEarthed: r.wallEarthed,
          entryMaxC: r.entryMaxC,
          hazardClass: r.division === undefined ? undefined : ('I' as const),
          division: r.division,
          ignitionSource: r.source,
          wet: r.wet,
        },
        entry: r.npt
          ? { ...ENTRY, taperedTurns: 6, thread: { form: 'npt', size: '1', pitchMm: 2.209 } }
          : { ...ENTRY, wallMm: r.wallMm, thread: { form: 'metric', size: r.thread, pitchMm: 1.5 } },
      };
    });

  it('says what the explaining path says, pair by pair', () => {
    fc.assert(
      fc.property(fc.array(termination, { minLength: 1, maxLength: 12 }), (inputs) => {
        const judged = judgeAll(inputs, catalogue);
        inputs.forEach((input, t) =>
          judged.sizes.forEach(({ family: f, size: s }, j) => {
            const packed = judged.packed[t * judged.sizes.length + j] ?? NaN;
            const candidate = judge(input, f, s, catalogue);
            expect([unpackVerdict(packed), packed]).toEqual([candidate.verdict, packCandidate(candidate)]);
            expect(unpackMarginUm(packed)).toBe(
              candidate.marginMm === null ? null : Math.round(candidate.marginMm * 1000),
            );
          }),
        );
      }),
      { numRuns: 50 },
    );
  });
});
