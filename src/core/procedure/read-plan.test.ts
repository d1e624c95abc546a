import { judge } from '@/core/gland-selection';
import { DEMO, demoSize, fitting, TERMINATION } from '@/core/testing';
import { stepsToRedo, type BenchAct } from '@/core/record';
import { generateSteps, planTermination, readPlan, type TerminationPlan } from '.';

const [family, size] = demoSize('WC4-32');
const input = fitting(family, size, 'roundWire', true);
const request = {
  tag: 'K-1/A',
  routeMm: 320,
  spareMm: 50,
  unit: 'mm',
  compounds: DEMO.compounds ?? [],
} as const;
const sealed = planTermination({ ...request, input }, judge(input, family, size, DEMO));
const [plainFamily, plainSize] = demoSize('AY3-32');
const plain = planTermination(
  { ...request, input: TERMINATION },
  judge(TERMINATION, plainFamily, plainSize, DEMO),
);
const stored = (plan: TerminationPlan) => JSON.parse(JSON.stringify(plan)) as Record<string, unknown>;

/** The plan as the third version stored it: words only. */
function third(plan: TerminationPlan): Record<string, unknown> {
  const words = {
    stays: 'end stop stays in',
    untilCompound: 'end stop stays until the compound goes in',
    out: 'end stop out for good',
    undecided: 'end stop not decided: measure again',
  };
  const { version: _, ...rest } = stored(plan);
  return {
    ...rest,
    endStop: plan.endStop === null ? null : words[plan.endStop],
    decisions: plan.decisions.map(({ figures: _f, ...d }) => d),
    slideOn: plan.slideOn.map(({ face: _a, towards: _b, shroudStep: _c, ...item }) => item),
  };
}

const value = (read: ReturnType<typeof readPlan>): TerminationPlan => {
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
};

describe('a stored plan', () => {
  it('of today is read as it is', () => {
    expect(value(readPlan(stored(sealed)))).toEqual(stored(sealed));
  });

  it.each([
    ['with a compound', sealed, family],
    ['with rings that face by the armour', plain, plainFamily],
    ['with an end stop that goes', { ...sealed, endStop: 'out' as const }, family],
    ['with an end stop that nobody could decide', { ...sealed, endStop: 'undecided' as const }, family],
  ])('of the third version, %s, settles the same and sends no work back', (_, plan, by) => {
    const read = value(readPlan(third(plan)));
    expect(read.endStop).toBe(plan.endStop);
    expect(read.decisions.map((d) => [d.id, d.figures])).toEqual(
      plan.decisions.map((d) => [d.id, d.id === 'endStop' ? JSON.stringify(plan.endStop) : d.figures]),
    );
    const [was, is] = [generateSteps(read, by), generateSteps({ ...plan, decisions: read.decisions }, by)];
    const acts: BenchAct[] = was.map((s) => ({
      stepId: s.id,
      kind: s.kind === 'look' || s.kind === 'sign' || s.kind === 'mix' ? s.kind : 'confirm',
      fingerprint: s.fingerprint,
      decision: s.branches?.[0]?.decision ?? null,
      actor: 'fitter',
      person: null,
      at: '',
      mix: null,
      tempC: null,
      redo: [],
    }));
    expect(was.length).toBeGreaterThan(10);
    expect(stepsToRedo(was, is, acts)).toEqual([]);
    // What was confirmed by the rule before, which hashed words too, stays done as well.
    const before = acts.map((a, i) => ({ ...a, fingerprint: was[i]?.formerly ?? null }));
    expect(stepsToRedo(was, is, before)).toEqual([]);
  });

  it('of the first two versions is read, without what they did not know', () => {
    const { parts: _p, endStop: _e, seal: _s, sealRefusal: _r, gland: _g, ...first } = third(plain);
    const {
      kind: _k,
      jacketed: _j,
      strip: _t,
      coreTails: _c,
      ...cut
    } = stored(plain).cut as Record<string, unknown>;
    const read = value(readPlan({ ...first, cut }));
    expect(read).toMatchObject({ endStop: null, seal: null, version: 4, cut: { kind: 'stub', strip: null } });
    expect(read.parts).toEqual([{ part: plain.partNumber, kind: 'gland', name: plain.size }]);
    expect(value(readPlan({ ...third(plain), cut })).cut).toMatchObject({ kind: 'stub', coreTails: [] });
    expect(value(readPlan({ ...third(plain), cut: null })).cut).toBeNull();
  });

  it.each<[string, unknown]>([
    ['nothing', null],
    ['a text', 'plan'],
    ['an empty object', {}],
    ['a plan of a version to come', { ...stored(plain), version: 5 }],
    ['a plan whose marks are gone', { ...stored(plain), cut: 7 }],
    ['a plan without steps of tightening', { ...stored(plain), stages: undefined }],
    ['a decision without figures', { ...stored(plain), decisions: [{ id: 'size', label: 'x', value: 'y' }] }],
    ['an end stop in words of nobody', { ...stored(plain), endStop: 'perhaps' }],
  ])('that is %s is refused and never guessed', (_, plan) => {
    expect(readPlan(plan).ok).toBe(false);
  });
});

describe('what work at the bench stands on', () => {
  const steps = generateSteps(sealed, family);
  const reworded: TerminationPlan = {
    ...sealed,
    stages: sealed.stages.map((s) => ({ ...s, words: `${s.words}, as it says` })),
    decisions: sealed.decisions.map((d) => ({ ...d, label: `${d.label}!`, value: `so: ${d.value}` })),
  };
  it('is not the words: saying a thing better leaves every fingerprint', () => {
    expect(generateSteps(reworded, family).map((s) => s.fingerprint)).toEqual(
      steps.map((s) => s.fingerprint),
    );
  });
  it('is the figures: another figure of a decision changes its step and what stands on it', () => {
    const other = sealed.decisions.map((d) => (d.id === 'compound' ? { ...d, figures: 'other' } : d));
    const changed = generateSteps({ ...sealed, decisions: other }, family);
    const moved = steps.filter((s, i) => s.fingerprint !== changed[i]?.fingerprint).map((s) => s.id);
    expect(moved).toContain('mix');
    expect(moved).toContain('sign');
    expect(moved).not.toContain('cut.armour');
  });
});
