import { judge, type TerminationInput } from '@/core/gland-selection';
import { replay, type BenchAct, type ConfirmCommand } from '@/core/record';
import { DEMO, DEMO_FILE, demoSize, fitting } from '@/core/testing';
import { makingOff } from '@/core/testing/making-off';
import { generateSteps, phaseMapOf, planTermination, roundsOf } from '.';

const [family, size] = demoSize('CT3-52');
const fits = fitting(family, size, 'none', false);
const input: TerminationInput = { ...fits, entry: { ...fits.entry, coupler: true } };
const REQUEST = { tag: 'K-170/B', routeMm: null, spareMm: 50, unit: 'mm' } as const;
const planOf = (change: Partial<TerminationInput> = {}) => {
  const changed = { ...input, ...change };
  return planTermination({ ...REQUEST, input: changed }, judge(changed, family, size, DEMO));
};
const plan = planOf();
const { steps, held, until } = makingOff(plan, family);
const SWAPPED = { BN: 'L1', BK: 'L3', GY: 'L2' };

it('leads from the jacket over strap, layers and tubes to the strain relief, the strap before the screen is cut', () => {
  const ids = steps.map((s) => s.id);
  expect(ids.slice(ids.indexOf('cut.outerSheath'))).toEqual([
    'cut.outerSheath',
    'dry',
    'cut.earthCores',
    'cut.pilotCores',
    'strap',
    'cut.screen',
    'cut.semiconducting',
    'cut.cores',
    'ease',
    'smooth',
    'stressTube',
    'stem',
    'gap',
    'screws',
    'insulatingTube',
    'tied',
    'gaskets',
    'phaseMap',
    'bonds',
    'screwsAgain',
    'stage.body',
    'stage.entrance',
    'stage.relief',
    'sign',
  ]);
  expect(steps.find((s) => s.id === 'gaskets')?.checks).toHaveLength(5);
  expect(plan.parts.map((p) => p.part)).toEqual(['CT3-52-A', 'CT3-52-EG-52', 'CT3-52-RG-55']);
});

it('solders, wraps and pots by the other sheet: body, fill, entrance at once, cure, strain relief', () => {
  const [other, its] = demoSize('CT4-52');
  const laid = fitting(other, its, 'none', false);
  const potted = planTermination(
    {
      ...REQUEST,
      input: { ...laid, entry: { ...laid.entry, coupler: true } },
      compounds: DEMO_FILE.compounds ?? [],
    },
    judge(laid, other, its, DEMO),
  );
  const ids = generateSteps(potted, other).map((s) => s.id);
  expect(ids.filter((id) => ['solder', 'screws', 'screwsAgain', 'edgeWrap'].includes(id))).toEqual([
    'edgeWrap',
    'solder',
  ]);
  expect(ids.slice(ids.indexOf('stage.body'))).toEqual([
    'stage.body',
    'cores',
    'dam',
    'mix',
    'fill',
    'stage.entrance',
    'cure',
    'stage.relief',
    'sign',
  ]);
  // 812 mL of body, 52 mL of air, three phases as thin as they may be along 150 mm.
  const coreMm = laid.core?.interval.min ?? 0;
  const chamber = its.chamber;
  const inIt = (3 * Math.PI * coreMm ** 2 * (chamber?.lengthMm ?? 0)) / 4000;
  expect(potted.seal?.netMl).toBeCloseTo((chamber?.volumeMl ?? 0) - (chamber?.airMl ?? 0) - inIt, 0);
});

describe('refuses with a number before anything is cut', () => {
  const why = (change: Partial<TerminationInput>) => {
    const refused = planOf(change);
    expect(generateSteps(refused, family)).toEqual([]);
    return refused.cutRefusal.map((p) => p.message).join('; ');
  };
  const jacket = (min: number, max: number) =>
    ({
      ...input.outerSheath,
      interval: { min, max },
      mean: (min + max) / 2,
    }) as TerminationInput['outerSheath'];

  it('a jacket between two gaskets', () =>
    expect(why({ outerSheath: jacket(47.9, 48.3) })).toMatch(
      /gaskets of 48 and 52 mm of the entrance, 0.1 mm over: measure again/,
    ));
  it('phases that the stem does not take', () =>
    expect(why({ cableType: { ...input.cableType, coreSectionMm2: 70 } })).toMatch(
      /takes 25 to 50 mm², the phases have 70/,
    ));
  it('a core that nobody measured', () =>
    expect(why({ core: null })).toMatch(/one core is not measured over its insulation/));
  it('a cable without a layer', () =>
    expect(why({ cableType: { ...input.cableType, semiconducting: false } })).toMatch(/this cable has none/));
});

describe('the gap at the stem', () => {
  const gaps = (bn: number, bk: number, gy: number) => ({ 'gap.BN': bn, 'gap.BK': bk, 'gap.GY': gy });
  const said = (measured: Record<string, number>, decision: ConfirmCommand['decision']) =>
    held(until('gap'), { measured, again: measured, decision });

  it('stays open as far as the widest that the rule may mean', () => {
    expect(said(gaps(1, 2, 2.3), 'gapHolds')).toBe('');
    expect(said(gaps(1, 2, 2.45), 'gapHolds')).toMatch(
      /GY 2.45 mm, .* at the widest .* more than may stay open/,
    );
  });
  it('is filled with tape up to its limit, and trimmed or cut beyond it', () => {
    expect(said(gaps(1, 3.4, 2), 'gapTaped')).toBe('');
    expect(said(gaps(1, 5.99, 2), 'gapTaped')).toMatch(
      /BK .* more than tape may fill. Trim the conductor by 3 mm at most/,
    );
    expect(said(gaps(1, 6.2, 2), 'gapTaped')).toMatch(/0.2 mm wider than tape may fill/);
  });
  it('is not taped where it may stay open, and passes nothing unread', () => {
    expect(said(gaps(1, 1, 1), 'gapTaped')).toMatch(/nothing to fill or to trim/);
    expect(said({ 'gap.BN': 1 }, 'gapHolds')).toMatch(/BK: gap has to be measured/);
  });
  it('leads a trimmed conductor back into its stem', () => {
    const acts = until('gap');
    expect(held(acts, { measured: gaps(1, 4, 1), again: gaps(1, 4, 1), decision: 'trimmed' })).toBe('');
    expect(replay(steps, acts).next?.id).toBe('stem');
    const short = { 'stem.BN': 40, 'stem.BK': 36.2, 'stem.GY': 40 };
    expect(held(acts, { measured: short, again: short })).toMatch(
      /BK: conductor in the stem 36.2 mm; 37–41 mm asked for: 0.8 mm short/,
    );
  });
});

it('counts the rounds of easing until every phase is smooth', () => {
  const acts = until('smooth');
  expect(roundsOf(acts)).toBe(1);
  held(acts, { decision: 'rubAgain' });
  expect(replay(steps, acts).next?.id).toBe('ease');
  held(acts);
  expect(roundsOf(acts)).toBe(2);
  held(acts, { decision: 'smooth' });
  expect(replay(steps, acts).next?.id).toBe('stressTube');
});

describe('phases and the other end', () => {
  const there = until('bonds');

  it('refuses a swap, here and again at the signature, and names both ends', () => {
    const acts = until('phaseMap');
    const swap = /BK on L3 at K-170\/B, on L2 at K-170\/A; GY on L2 at K-170\/B, on L3 at K-170\/A/;
    expect(held(acts, { chosen: SWAPPED }, there)).toMatch(swap);
    // Recorded by a device that could not ask the other end: it does not get signed.
    expect(held(acts, { chosen: SWAPPED })).toBe('');
    while (replay(steps, acts).next?.id !== 'sign') expect(held(acts)).toBe('');
    expect(held(acts, {}, there)).toMatch(swap);
    expect(held(acts, {}, [])).toBe('');
  });
  it('refuses two phases on one contact, a contact that is none, and a phase left out', () => {
    const acts = until('phaseMap');
    expect(held(acts, { chosen: { BN: 'L1', BK: 'L1', GY: 'L3' } })).toMatch(/cannot both be L1/);
    expect(held(acts, { chosen: { BN: 'L1', BK: 'E', GY: 'L3' } })).toMatch(/none of L1, L2, L3/);
    expect(held(acts, { chosen: { BN: 'L1', BK: 'L2' } })).toMatch(/GY: not said yet/);
    expect(held(acts, { chosen: {} })).toMatch(/BN: not said yet/);
  });
  it('says nothing any more once it is taken back, or the end is cut back', () => {
    const [last] = there.slice(-1);
    if (last === undefined) throw new Error('something was recorded');
    const after = (act: Partial<BenchAct>) => phaseMapOf([...there, { ...last, fingerprint: null, ...act }]);
    expect(phaseMapOf(there)).toEqual({ BN: 'L1', BK: 'L2', GY: 'L3' });
    expect(after({ kind: 'correct', stepId: 'phaseMap' })).toBeNull();
    expect(after({ kind: 'recut', stepId: 'recut' })).toBeNull();
  });
});
