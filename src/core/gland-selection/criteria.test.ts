import { CODE_PROFILES, type CableType, type Enclosure } from '@/core/schedule';
import { BOX, CABLE, DEMO, demoSize, ENTRY, interval, TERMINATION } from '@/core/testing';
import {
  answerWords,
  choose,
  findingOf,
  findingView,
  judge,
  nearestView,
  type CriterionId,
  type TerminationInput,
} from '.';

const answer = (input: TerminationInput) => answerWords(choose(input, DEMO).answer);

/** Barrier place: an unfilled round-wire cable into a flameproof box, cores measured. */
const BARRIER: TerminationInput = {
  ...TERMINATION,
  cableType: { ...CABLE, effectivelyFilled: false },
  laidUpCores: interval('laidUpCores', 18, 18.2),
  core: interval('core', 7, 7.1),
};
const CLAD: CableType = { ...CABLE, armour: 'interlocked', innerSheath: false, effectivelyFilled: true };

const of = (input: TerminationInput, code: string, criterion: CriterionId) => {
  const found = findingOf(judge(input, ...demoSize(code), DEMO), criterion);
  if (!found) throw new Error(criterion);
  return findingView(found);
};
const boxed = (box: Partial<Enclosure>, input = TERMINATION): TerminationInput => ({
  ...input,
  enclosure: { ...input.enclosure, ...box },
});
const typed = (type: Partial<CableType>, input = TERMINATION): TerminationInput => ({
  ...input,
  cableType: { ...input.cableType, ...type },
});

describe('chamber', () => {
  // WC4-32: bore 25, over cores up to 24.2, 28 cores, putty up to 12, a fifth of the bore free
  it.each([
    [28, 'fits'],
    [29, 'misfit'],
  ])('takes %d cores: %s', (cores, verdict) => {
    expect(of(typed({ cores }, BARRIER), 'WC4-32', 'coreCount')).toMatchObject({ verdict });
    expect(of(typed({ cores }, BARRIER), 'WC4-32', 'compound').verdict).toBe(verdict);
  });

  it('says how many cores are too many', () =>
    expect(of(typed({ cores: 31 }, BARRIER), 'WC4-32', 'coreCount').reason).toBe(
      'chamber takes up to 28 cores, your cable has 31: 3 too many',
    ));

  it.each([
    ['at the bound', 24, 24.2, 'fits', 0],
    ['just inside', 24, 24.1, 'fits', 0.1],
    ['just outside', 24, 24.3, 'misfit', -0.1],
  ])('measures over the cores, %s', (_, min, max, verdict, margin) =>
    expect(
      of({ ...BARRIER, laidUpCores: interval('laidUpCores', min, max) }, 'WC4-32', 'overCores'),
    ).toMatchObject({
      verdict,
      margin,
    }),
  );

  it('is marginal when only the uncertainty reaches over the bound', () => {
    const m = interval('laidUpCores', 24, 24.1);
    const blurred = { ...m, interval: { min: 23.8, max: 24.3 } };
    expect(of({ ...BARRIER, laidUpCores: blurred }, 'WC4-32', 'overCores').verdict).toBe('marginal');
  });

  it('leaves room for compound: 4 cores of d in a 25 mm bore leave 20 % up to d = 11.180', () => {
    // 25² · 0.8 = 500 = 4 · d²
    const core = (min: number, max = min) => ({ ...BARRIER, core: interval('core', min, max) });
    expect(of(core(11.18), 'WC4-32', 'freeArea').verdict).toBe('fits');
    expect(of(core(11.19), 'WC4-32', 'freeArea').verdict).toBe('misfit');
    const wide = { ...interval('core', 11.1, 11.1), interval: { min: 11, max: 11.3 } };
    expect(of({ ...BARRIER, core: wide }, 'WC4-32', 'freeArea').verdict).toBe('marginal');
    expect(of({ ...BARRIER, core: null }, 'WC4-32', 'freeArea')).toMatchObject({
      verdict: 'unknown',
      has: 'not measured',
    });
  });

  it('is not asked of a family without one', () =>
    expect(of(BARRIER, 'RW2-32', 'overCores')).toMatchObject({
      verdict: 'fits',
      reason: 'no compound chamber in this family',
    }));
});

describe('compound by number of cores', () => {
  // SF7-100: putty up to 8 cores, resin up to 24
  const fitting = (cores: number) => of(typed({ ...CLAD, cores }, BARRIER), 'SF7-100', 'compound');
  it.each([
    [7, 'resin QR-7 or putty CP-5'],
    [8, 'resin QR-7 or putty CP-5'],
    [9, 'resin QR-7; putty only up to 8 cores'],
  ])('at %d cores allows: %s', (cores, reason) =>
    expect(fitting(cores)).toMatchObject({ verdict: 'fits', reason }),
  );
  it('refuses what no approved compound takes', () => expect(fitting(25).verdict).toBe('misfit'));
});

describe('end stop', () => {
  const clad = (change: Partial<TerminationInput>) => ({ ...TERMINATION, cableType: CLAD, ...change });
  const outer = (min: number, max: number) => clad({ outerSheath: interval('outerSheath', min, max) });
  // YB2-100: outer seal 23–30.6, the stop stays for 23–27
  it.each([
    [26.8, 27, 'fits', true],
    [27.1, 27.4, 'fits', false],
    [26.9, 27.1, 'marginal', null],
  ])('by the cable’s range %d–%d: %s', (min, max, verdict, stays) => {
    expect(judge(outer(min, max), ...demoSize('YB2-100'), DEMO).endStop).toMatchObject({ verdict, stays });
    expect(of(outer(min, max), 'YB2-100', 'endStop').verdict).toBe(verdict);
  });

  it('by whether the conductors pass: it leaves before the compound', () => {
    // SF7-100: bore 19.6
    const fit = (mm: number) =>
      judge(clad({ laidUpCores: interval('laidUpCores', mm, mm) }), ...demoSize('SF7-100'), DEMO).endStop;
    expect(fit(19.6)).toMatchObject({ stays: true, rule: 'untilCompound' });
    expect(fit(19.7)).toMatchObject({ stays: false, rule: 'out' });
  });

  it('by whether the gland slides past the armour', () => {
    // YB6-100: bore 23.8
    const fit = (mm: number | null) =>
      judge(
        clad({ overArmour: mm === null ? null : interval('overArmour', mm, mm) }),
        ...demoSize('YB6-100'),
        DEMO,
      ).endStop;
    expect(fit(23.8)?.stays).toBe(true);
    expect(fit(23.81)?.stays).toBe(false);
    expect(fit(null)).toMatchObject({ verdict: 'unknown', stays: null, measuredBy: 'overArmour' });
  });

  it('is part of the answer', () => {
    const input: TerminationInput = {
      ...outer(24, 24.3),
      overArmour: interval('overArmour', 21, 21.3),
      enclosure: { ...BOX, concept: 'none', zone: null, gasGroup: null, material: 'steel' },
      entry: { ...ENTRY, taperedTurns: 6, thread: { form: 'npt', size: '1', pitchMm: 2.209 } },
    };
    expect(answer(input)).toBe(
      'Take YB2-100, armour edge in the earthing ring, end stop stays in; 1 mm inside the outer seal range.',
    );
  });
});

describe('metal-clad armour', () => {
  // YB2-100 grips 19.8–27.8 over the armour
  it.each([
    [19.8, 27.8, 'fits', 0],
    [19.9, 27.7, 'fits', 0.1],
    [19.7, 27, 'misfit', -0.1],
  ])('is gripped on its outside: %d–%d %s', (min, max, verdict, margin) => {
    const input = {
      ...TERMINATION,
      cableType: CLAD,
      overArmour: interval('overArmour', min, max),
      armourWire: null,
    };
    expect(of(input, 'YB2-100', 'armourRing')).toMatchObject({ verdict, margin });
  });
});

describe('barrier', () => {
  it('keeps glands without a barrier out where one is called for, and says why', () => {
    expect(of(BARRIER, 'RW2-32', 'filling')).toMatchObject({
      verdict: 'misfit',
      takes: 'gland without a barrier',
    });
    expect(of(BARRIER, 'WC4-32', 'filling').verdict).toBe('fits');
    expect(answer(BARRIER)).toMatch(/^Take WC4-32, ring either way round; /);
  });

  it('lets a barrier gland fit but not compete where none is called for', () => {
    const input = { ...BARRIER, cableType: CABLE };
    const choice = choose(input, DEMO);
    const wc4 = choice.candidates.find((c) => c.size.code === 'WC4-32');
    expect(wc4).toMatchObject({ verdict: 'fits', notCalledFor: 'barrier' });
    expect(choice.candidates[0]?.family.code).toBe('AY3');
    expect(choice.candidates.findIndex((c) => c.size.code === 'WC4-32')).toBe(
      choice.candidates.filter((c) => c.notCalledFor === null && c.verdict !== 'misfit').length,
    );
  });

  it('asks for the cores before it takes a barrier gland', () =>
    expect(answer({ ...BARRIER, core: null })).toBe('Measure first: one core.'));

  it('takes nothing while a question is open', () => {
    const choice = choose(typed({ compact: undefined }), DEMO);
    expect(choice.barrier.outcome).toBe('ask');
    expect(choice.candidates.every((c) => c.verdict === 'unknown' || c.verdict === 'misfit')).toBe(true);
    expect(choice.answer).toEqual({ code: 'barrier', conclusion: choice.barrier.conclusion });
  });

  it('lets only plug-in bodies compete at an entry made for one, and nowhere else', () => {
    const input = {
      ...typed(
        { armour: 'none', innerSheath: false },
        boxed({ concept: 'none', zone: null, gasGroup: null }),
      ),
      entry: { ...ENTRY, plugIn: true },
    };
    expect(choose(input, DEMO).candidates[0]?.size.code).toBe('VB8-40');
    expect(choose({ ...input, entry: ENTRY }, DEMO).candidates[0]?.size.code).toBe('UN1-40');
  });
});

describe('cable listing', () => {
  const division = CODE_PROFILES.find((p) => p.key === 'division') ?? TERMINATION.profile;
  const input = (listings: CableType['listings']) => ({
    ...typed(
      { listings },
      boxed({ zone: null, hazardClass: 'I', division: 1, classGroup: 'D', concept: 'explosionproof' }),
    ),
    profile: division,
  });
  it.each([
    [['I/1'], 'fits'],
    [['I/2'], 'misfit'],
    [undefined, 'unknown'],
  ] as const)('%j: %s', (listings, verdict) =>
    expect(
      of(input(listings === undefined ? undefined : [...listings]), 'YB6-100', 'cableListing').verdict,
    ).toBe(verdict),
  );

  it('judges class, division and group by the certificate’s own list', () => {
    const listed = input(['I/1']);
    expect(of(listed, 'YB6-100', 'concept').verdict).toBe('fits');
    expect(of(listed, 'YB2-100', 'concept').verdict).toBe('misfit');
    expect(of(boxed({ classGroup: 'A' }, listed), 'YB6-100', 'group').verdict).toBe('misfit');
    expect(of(boxed({ classGroup: 'B' }, listed), 'YB6-100', 'group').verdict).toBe('fits');
    expect(of(boxed({ hazardClass: undefined, zone: 1 }, listed), 'YB6-100', 'concept').reason).toContain(
      'only given as',
    );
  });
});

describe('metals', () => {
  it('refuses a pair that corrodes in the wet, and only there', () => {
    expect(of(boxed({ wet: true }), 'RW2-32', 'corrosion')).toMatchObject({
      verdict: 'misfit',
      reason: 'brass against a wall of aluminium in the wet: the pair corrodes',
    });
    expect(of(boxed({ wet: false }), 'RW2-32', 'corrosion').verdict).toBe('fits');
    expect(of(boxed({ wet: true }), 'AY3-32', 'corrosion').verdict).toBe('fits');
  });

  it('waits for what it is not told: whether it is wet, and what the armour is made of', () => {
    const { wet: _w, ...box } = TERMINATION.enclosure;
    const { armourMaterial: _m, ...type } = TERMINATION.cableType;
    const dry = { ...TERMINATION, enclosure: box };
    expect(of(dry, 'RW2-32', 'corrosion')).toMatchObject({ verdict: 'unknown', asks: ['wet'] });
    expect(of({ ...dry, cableType: type }, 'RW2-32', 'corrosion')).toMatchObject({ verdict: 'unknown' });
    const bare = { ...TERMINATION, cableType: type };
    // Brass against aluminium armour corrodes in the wet only, and it is dry.
    expect(of(bare, 'RW2-32', 'corrosion').verdict).toBe('fits');
    expect(of(boxed({ wet: true, material: 'steel' }, bare), 'RW2-32', 'corrosion')).toMatchObject({
      verdict: 'unknown',
      asks: ['armourMaterial'],
    });
  });

  it('judges an adaptor at its own two joints', () => {
    const entry = { ...ENTRY, thread: { form: 'metric' as const, size: 'M40', pitchMm: 1.5 } };
    const wet = { ...boxed({ wet: true, material: 'aluminium' }), entry };
    // AY3 is nickel-plated, which goes with aluminium; its brass adaptor does not.
    expect(of(wet, 'AY3-32', 'corrosion')).toMatchObject({
      verdict: 'misfit',
      reason: 'brass against a wall of aluminium in the wet: the pair corrodes',
    });
    const candidate = judge(wet, ...demoSize('AY3-32'), DEMO);
    expect(candidate.entry.between.map((a) => a.kind)).toEqual(['sealingWasher']);
  });

  it('asks for an earth tag under an insulating washer, and takes one that conducts first', () => {
    const at = (a: (typeof DEMO.accessories)[number], insulating: boolean) =>
      a.kind === 'sealingWasher' ? { ...a, insulating } : a;
    const insulating = { ...DEMO, accessories: DEMO.accessories.map((a) => at(a, true)) };
    const [family, size] = demoSize('RW2-32');
    const kinds = (parts: typeof DEMO) =>
      judge(TERMINATION, family, size, parts).entry.outside.map((a) => a.kind);
    expect(kinds(insulating)).toEqual(['sealingWasher', 'earthTag']);
    expect(kinds({ ...DEMO, accessories: [...insulating.accessories, ...DEMO.accessories] })).toEqual([
      'sealingWasher',
    ]);
    const noTag = { ...insulating, accessories: insulating.accessories.filter((a) => a.kind !== 'earthTag') };
    expect(judge(TERMINATION, family, size, noTag).entry.engagement).toBe('unknown');
  });

  it('looks at the armour as well', () => {
    const input = typed({ armourMaterial: 'aluminium' }, boxed({ wet: true, material: 'steel' }));
    expect(of(input, 'RW2-32', 'corrosion').reason).toContain('armour of aluminium');
  });
});

describe('single core of an AC circuit', () => {
  it.each([
    ['steel armour', { armourMaterial: 'galvanisedSteel' }, {}, 'misfit'],
    ['armour nobody has named', { armourMaterial: undefined }, {}, 'unknown'],
    ['a circuit nobody has named, through steel', { singleCoreAc: undefined }, {}, 'unknown'],
    ['a circuit that is not AC', { singleCoreAc: false }, {}, 'fits'],
    ['aluminium armour into an aluminium box', { armourMaterial: 'aluminium' }, {}, 'fits'],
    ['aluminium armour into a steel wall', { armourMaterial: 'aluminium' }, { material: 'steel' }, 'misfit'],
    [
      'the same through a non-magnetic plate',
      { armourMaterial: 'aluminium' },
      { material: 'steel', nonMagneticPlate: true },
      'fits',
    ],
  ] as const)('%s: %s', (_, type, box, verdict) =>
    expect(
      of(typed({ cores: 1, singleCoreAc: true, ...type }, boxed(box)), 'RW2-32', 'singleCore').verdict,
    ).toBe(verdict),
  );
});

describe('where nothing fits', () => {
  const nearest = (input: TerminationInput) => choose(input, DEMO).nearest;
  const at = (entry: Partial<typeof ENTRY>, input = TERMINATION) => ({
    ...input,
    entry: { ...ENTRY, ...entry },
  });
  const hole = (holeMm: number): TerminationInput => ({
    ...boxed({ concept: 'Ex e' }),
    entry: { ...ENTRY, kind: 'clearance', thread: null, wallMm: 3, chamferMm: 0, holeMm },
  });
  it.each<[string, TerminationInput, string, RegExp]>([
    ['a hole that is too small', hole(26), 'biggerHole', /A bigger hole: 32–32\.7 mm for M32/],
    ['a hole that is too wide', hole(45), 'reducer', /A reducer from the 45 mm hole to M32/],
    [
      'another thread',
      at({ thread: { form: 'npt', size: '2', pitchMm: 2.209 } }),
      'otherEntry',
      /An entry M32 × 1\.5/,
    ],
    ['a thin wall', at({ wallMm: 7 }), 'thickerWall', /A wall at least 2 mm thicker/],
    [
      'one phase through steel',
      typed({ cores: 1, singleCoreAc: true, armourMaterial: 'aluminium' }, boxed({ material: 'steel' })),
      'otherPlate',
      /non-magnetic plate/,
    ],
  ])('names the size that takes the cable, and the remedy: %s', (_, input, kind, words) => {
    const found = nearest(input);
    expect(found?.takesCable).toBe(true);
    expect(found?.size).toMatch(/^(AY3|RW2|RW1)-32$/);
    expect(found && nearestView(found).remedies[0]).toMatchObject({
      kind,
      words: expect.stringMatching(words) as string,
    });
  });

  it('is the same kind of armour’s, the one that lacks least, where no size takes the cable', () => {
    const thick = {
      ...TERMINATION,
      outerSheath: interval('outerSheath', 70, 70.4),
      innerSheath: interval('innerSheath', 60, 60.2),
    };
    // One seal lacks 8.4 mm; sizes with two seals lack both, and those for other armour do not take this cable at all.
    expect(nearest(thick)).toMatchObject({ size: 'RW1-63', takesCable: false });
    expect(
      nearest(thick)
        ?.remedies.slice(0, 2)
        .map((r) => r.kind),
    ).toEqual(['otherSeal', 'measureAgain']);
  });

  it('is nobody’s while something fits or is still to be asked', () => {
    expect(nearest(TERMINATION)).toBeNull();
    expect(nearest({ ...TERMINATION, cableLengthMm: null })).toBeNull();
  });
});

describe('tapered threads', () => {
  const npt = (taperedTurns?: number) => ({
    ...TERMINATION,
    cableType: CLAD,
    entry: {
      ...ENTRY,
      thread: { form: 'npt' as const, size: '1', pitchMm: 2.209 },
      ...(taperedTurns === undefined ? {} : { taperedTurns }),
    },
  });
  it.each([
    ['five on the box, five and a half on the gland', 5, 'fits', 0],
    ['less than five', 4.9, 'misfit', -0.221],
    ['more than the gland has', 9, 'fits', 1.105],
  ])('counts the smaller of both sheets: %s', (_, turns, verdict, margin) => {
    const found = of(npt(turns), 'YB2-100', 'engagement');
    expect(found.verdict).toBe(verdict);
    expect(found.margin).toBeCloseTo(margin, 3);
  });

  it('refuses when a sheet does not say', () =>
    expect(of(npt(), 'YB2-100', 'engagement')).toMatchObject({
      verdict: 'misfit',
      reason: expect.stringContaining('that of the female part does not give it') as string,
    }));

  it('goes from metric to tapered through one adaptor, judging both joints', () => {
    const candidate = judge({ ...TERMINATION, cableType: CLAD }, ...demoSize('YB2-100'), DEMO);
    expect(candidate.entry.adaptor?.partNumber).toBe('TN-32100');
    expect(candidate.entry.joints.map((j) => j.fullThreads)).toEqual([8, 5]);
  });
});
