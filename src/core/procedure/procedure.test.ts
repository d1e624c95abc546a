import { judge, type TerminationInput } from '@/core/gland-selection';
import { MEASURING, DEMO, interval, TERMINATION } from '@/core/testing';
import {
  asHeld,
  decide,
  replay,
  stepsToRedo,
  type BenchAct,
  type Person,
  type LookDecision,
  type Step,
  type WorkState,
} from '@/core/record';
import {
  collarOf,
  compareDecisions,
  generateSteps,
  isStale,
  planInputHash,
  planTermination,
  terminationRules,
  type PlanRequest,
  type TerminationPlan,
} from '.';

const catalogue = DEMO;
/** Sizes for round wire without a chamber; the others are swept on their own. */
const CODES = catalogue.families
  .filter((f) => f.accepts.armour.includes('roundWire') && f.seal === undefined)
  .flatMap((f) => f.sizes.map((s) => s.code));

function made(code = 'RW2-32', input: TerminationInput = TERMINATION, more: Partial<PlanRequest> = {}) {
  const family = catalogue.families.find((f) => f.code === code.slice(0, 3));
  const size = family?.sizes.find((s) => s.code === code);
  if (!family || !size) throw new Error(code);
  const request: PlanRequest = { tag: 'K-104/B', input, routeMm: 240, spareMm: 30, unit: 'mm', ...more };
  const plan = planTermination(request, judge(input, family, size, catalogue));
  return { plan, steps: generateSteps(plan, family), family, request };
}

const AT = '2026-11-10T08:00:00.000Z';
const act = (
  step: Step,
  decision: LookDecision | null = null,
  actor: string | Person = 'fitter',
): BenchAct => ({
  stepId: step.id,
  kind: step.kind === 'look' ? 'look' : step.kind === 'sign' ? 'sign' : 'confirm',
  fingerprint: step.fingerprint,
  decision,
  actor: typeof actor === 'string' ? actor : actor.name,
  person: typeof actor === 'string' ? null : actor.id,
  at: AT,
  mix: null,
  tempC: null,
  redo: [],
});

/** Does the next step until `until` is next, looking with `clamped`. */
function workUntil(steps: readonly Step[], acts: BenchAct[], until: string | null): BenchAct[] {
  const done = [...acts];
  for (let guard = 0; guard < 100; guard += 1) {
    const { next } = replay(steps, done);
    if (next === null || next.id === until) return done;
    done.push(act(next, next.kind === 'look' ? 'clamped' : null));
  }
  throw new Error('never got there');
}

const state = (steps: readonly Step[], acts: readonly BenchAct[]): WorkState => ({
  steps,
  acts,
  stale: false,
  provisional: [],
  secondPerson: false,
  measuring: MEASURING,
  rules: terminationRules({ seal: null }, 0, MEASURING),
});
const step = (steps: readonly Step[], id: string): Step => {
  const found = steps.find((s) => s.id === id);
  if (!found) throw new Error(id);
  return found;
};
/** What is said to the confirmation of a step in a state; empty when it may be. */
function refusal(
  of: WorkState,
  held: Step,
  decision: LookDecision | null = null,
  actor: string | Person = 'fitter',
  more = {},
) {
  const decided = decide(
    of,
    { ...asHeld(held, null, decision), ...more },
    typeof actor === 'string' ? { id: null, name: actor } : actor,
    AT,
  );
  return decided.ok ? '' : decided.problems.map((p) => p.message).join('; ');
}

describe('generateSteps', () => {
  it('goes in working order: slide on before the cut, look after the clamp, close again after the look, sign last', () => {
    expect(made().steps.map((s) => s.id)).toEqual([
      'safe',
      'parts',
      'tools',
      'slideOn',
      'cut.outerSheath',
      'cut.armour',
      'cut.innerSheath',
      'onThread',
      'stage.entry',
      'stage.innerSeal',
      'spread',
      'ring',
      'stage.clamp',
      'look',
      'stage.reclamp',
      'stage.outerSeal',
      'shroud',
      'sign',
    ]);
  });

  it('puts what slides on in the order of the sheet, the groove by the armour', () => {
    expect(step(made('AY3-32').steps, 'slideOn').list).toEqual([
      'shroud · wide mouth towards the cable end · cut at step 3',
      'back nut with outer seal · thread towards the cable end',
      'middle nut · wide bore towards the cable end',
      'clamping ring · coarse groove towards the cone',
    ]);
  });

  it('leads nobody through a family that is plan only, nor through a refused cut', () => {
    const { plan, family } = made();
    expect(generateSteps({ ...plan, planOnly: [{ path: 'stages', message: 'none' }] }, family)).toEqual([]);
    expect(made('RW2-32', TERMINATION, { routeMm: null }).steps).toEqual([]);
  });

  it.each(CODES)('gives %s steps with unique ids and fingerprints', (code) => {
    const { steps } = made(code);
    expect(steps.length).toBeGreaterThan(11);
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
    expect(new Set(steps.map((s) => s.fingerprint)).size).toBe(steps.length);
  });
});

describe('deciding', () => {
  const { steps } = made();
  const [first, second] = steps as [Step, Step];
  const fresh = state(steps, []);

  it('allows the next step and no other', () => {
    expect(refusal(fresh, first)).toBe('');
    expect(refusal(fresh, second)).toMatch(/first: Isolated/);
    expect(refusal(state(steps, [act(first)]), first)).toMatch(/comes later/);
    expect(refusal(fresh, { ...first, id: 'dance' })).toMatch(/not a step/);
  });

  it('wants a name, a fresh plan, a firm plan, and the step as it stands today', () => {
    expect(refusal(fresh, first, null, ' ')).toMatch(/name is needed/);
    expect(refusal({ ...fresh, stale: true }, first)).toMatch(/has changed since/);
    const provisional = ['outer sheath is a datasheet value'];
    expect(refusal({ ...fresh, provisional }, first)).toMatch(/provisional: outer sheath/);
    expect(refusal(fresh, { ...first, fingerprint: 'x' })).toMatch(/changed since it was shown/);
  });

  it('wants a decision at the look, and only there', () => {
    const looking = state(steps, workUntil(steps, [], 'look'));
    const look = step(steps, 'look');
    expect(refusal(looking, look)).toMatch(/what you saw/);
    expect(refusal(looking, look, 'trim')).toBe('');
    expect(refusal(fresh, first, 'clamped')).toMatch(/only a look/);
  });

  it('wants another person to sign where the job says so, however the name is spaced and written', () => {
    const two = { ...state(steps, workUntil(steps, [], 'sign')), secondPerson: true };
    const sign = step(steps, 'sign');
    for (const name of ['fitter', ' Fitter ', 'FITTER'])
      expect(refusal(two, sign, null, name)).toMatch(/another person/);
    expect(refusal(two, sign, null, 'inspector')).toBe('');
    // An inspector who has sent a step back may sign what the fitter did again; one who has done it again himself may not.
    const back = {
      ...act(step(steps, 'safe'), null, 'inspector'),
      kind: 'correct' as const,
      fingerprint: null,
    };
    const again = (actor: string) => ({
      ...two,
      acts: [...two.acts, back, act(step(steps, 'safe'), null, actor)],
    });
    expect(refusal(again('fitter'), sign, null, 'inspector')).toBe('');
    const signed = { ...two, acts: [...again('fitter').acts, act(sign, null, 'inspector'), back] };
    signed.acts.push(act(step(steps, 'safe'), null, 'fitter'), { ...back, stepId: 'sign' });
    expect(refusal(signed, sign, null, 'inspector')).toBe('');
    expect(refusal(again('inspector'), sign, null, 'inspector')).toMatch(/another person/);
  });

  it('tells who is signed in apart by the person, not by the name', () => {
    const [one, other] = [
      { id: 'p-1', name: 'A. Fitter' },
      { id: 'p-2', name: 'A. Fitter' },
    ];
    const made = (by: string | Person) => ({
      ...state(steps, []),
      acts: workUntil(steps, [], 'sign').map((a) => ({
        ...a,
        actor: one.name,
        person: typeof by === 'string' ? null : by.id,
      })),
      secondPerson: true,
    });
    const sign = step(steps, 'sign');
    expect(refusal(made(one), sign, null, { ...one, name: 'Renamed' })).toMatch(/another person/);
    expect(refusal(made(one), sign, null, other)).toBe('');
    // A typed name may have been anybody's: it counts as theirs who are called so.
    expect(refusal(made('typed'), sign, null, other)).toMatch(/another person/);
  });

  it('wants every check of a hold point ticked, and knows no others', () => {
    expect(refusal(fresh, first, null, 'fitter', { checked: [2, 0] })).toBe(
      'not ticked yet: Proved dead at the box',
    );
    expect(refusal(fresh, first, null, 'fitter', { checked: [] }).split('; ')).toHaveLength(3);
    expect(refusal(fresh, first, null, 'fitter', { checked: [0, 1, 2, 7] })).toMatch(/not a check/);
  });
});

describe('a step that was held by mistake', () => {
  const { steps } = made();
  const all = workUntil(steps, [], null);
  const back = (acts: readonly BenchAct[], stepId: string, reason = 'held too early') =>
    decide(state(steps, acts), { kind: 'correct', stepId, reason }, { id: null, name: 'fitter' }, AT);

  it.each(steps.map((s) => s.id))('is taken back with just what stands on it: %s', (id) => {
    const decided = back(all, id);
    if (!decided.ok || decided.value.kind !== 'correct') throw new Error(JSON.stringify(decided));
    const { redo } = decided.value.body;
    const after = [...all, { ...act(step(steps, id)), kind: 'correct' as const, fingerprint: null, redo }];
    const { done } = replay(steps, after);
    // Worked out anew from what each step builds on.
    const stands = (s: Step): boolean => s.id === id || s.buildsOn.some((b) => stands(step(steps, b)));
    expect(steps.filter((s) => !done.has(s.id)).map((s) => s.id)).toEqual(
      steps.filter(stands).map((s) => s.id),
    );
    expect(redo).toEqual(steps.filter(stands).map((s) => s.id));
    expect(replay(steps, workUntil(steps, after, null))).toMatchObject({ next: null, signedBy: 'fitter' });
  });

  it('needs a reason, a step, and that it is done', () => {
    for (const [result, words] of [
      [back(all, 'ring', ' no'), /say why/],
      [back(all, 'dance'), /not a step/],
      [back([], 'safe'), /is not done/],
    ] as const)
      expect(result.ok ? '' : result.problems[0]?.message).toMatch(words);
  });
});

describe('replay', () => {
  const { steps } = made();

  it('finishes after every step was done once', () => {
    const acts = workUntil(steps, [], null);
    expect(acts).toHaveLength(steps.length);
    expect(replay(steps, acts)).toMatchObject({ next: null, loops: 0, signedBy: 'fitter' });
  });

  it.each([
    ['trim', 'stage.clamp'],
    ['spreadAgain', 'spread'],
  ] as const)(
    'goes back from the look with “%s” to %s, records the loop, and cannot pass the closing',
    (decision, back) => {
      const before = workUntil(steps, [], 'look');
      const acts = [...before, act(step(steps, 'look'), decision)];
      expect(replay(steps, acts)).toMatchObject({ loops: 1, next: { id: back } });
      const again = workUntil(steps, acts, 'stage.reclamp');
      expect(replay(steps, again).next?.id).toBe('stage.reclamp');
      expect(refusal(state(steps, again), step(steps, 'stage.outerSeal'))).toMatch(
        /first: Close the armour clamp again/,
      );
      expect(replay(steps, workUntil(steps, again, null)).loops).toBe(1);
    },
  );
});

describe('a plan', () => {
  it('is provisional at a flameproof box until calipers and a tape have both been there', () => {
    const noTape = { ...interval('outerSheath', 28, 28.4), hasTape: false };
    expect(made('RW2-32', { ...TERMINATION, outerSheath: noTape }).plan.provisional).toEqual([
      'a flameproof entry asks for a tape reading of the outer sheath as well',
    ]);
    expect(made('RW2-32').plan.provisional).toEqual([]);
  });

  it('is stale when the rules it was made by are no longer those in force', () => {
    const { plan, request, family } = made();
    expect(isStale(plan, request, family)).toBe(false);
    expect(
      isStale({ ...plan, rules: { ...plan.rules, cutBack: plan.rules.cutBack - 1 } }, request, family),
    ).toBe(true);
    expect(isStale(plan, { ...request, routeMm: 241 }, family)).toBe(true);
    expect(isStale(plan, { ...request, unit: 'in' }, family)).toBe(true);
  });
});

describe('a changed measurement', () => {
  const was = made();
  const doneUntilLook = workUntil(was.steps, [], 'look');

  it('makes the plan stale', () => {
    const now = { ...was.request, input: { ...TERMINATION, outerSheath: interval('outerSheath', 28, 28.5) } };
    expect(planInputHash(now, was.family)).not.toBe(was.plan.inputHash);
    expect(planInputHash({ ...was.request }, was.family)).toBe(was.plan.inputHash);
  });

  it('leaves all work standing when no decision hangs on it', () => {
    const now = made('RW2-32', { ...TERMINATION, outerSheath: interval('outerSheath', 28, 28.5) });
    expect(compareDecisions(was.plan.decisions, now.plan.decisions).changed).toEqual([]);
    expect(stepsToRedo(was.steps, now.steps, doneUntilLook)).toEqual([]);
  });

  it('names the changed decision and every step that stands on it', () => {
    // 30 mm more route: the marks move, the glands do not
    const now = made('RW2-32', TERMINATION, { routeMm: 270 });
    expect(
      compareDecisions(was.plan.decisions, now.plan.decisions).changed.map((c) => [c.id, c.before, c.after]),
    ).toEqual([
      ['mark.outerSheath', '387 mm', '417 mm'],
      ['mark.armour', '364 mm', '394 mm'],
      ['mark.innerSheath', '302 mm', '332 mm'],
    ]);
    expect(stepsToRedo(was.steps, now.steps, doneUntilLook).map((s) => s.id)).toEqual([
      'cut.outerSheath',
      'cut.armour',
      'cut.innerSheath',
      'onThread',
      'stage.entry',
      'stage.innerSeal',
      'spread',
      'ring',
      'stage.clamp',
    ]);
    expect(replay(now.steps, doneUntilLook).next?.id).toBe('cut.outerSheath');
  });

  it('does not count old work again when the plan comes back to where it was', () => {
    const now = made('RW2-32', TERMINATION, { routeMm: 270 });
    const recut = [...doneUntilLook, act(step(now.steps, 'cut.outerSheath'))];
    // Back to the old plan: the cable was cut anew in between, so neither the cut nor what stood on it is done.
    const { done } = replay(was.steps, recut);
    expect([...done]).toEqual(['safe', 'parts', 'tools', 'slideOn']);
  });

  it('undoes everything from the parts on when another size is taken', () => {
    const now = made('AY3-32');
    expect(stepsToRedo(was.steps, now.steps, doneUntilLook).map((s) => s.id)).toContain('parts');
    expect(replay(now.steps, doneUntilLook).next?.id).toBe('parts');
  });
});

describe('collarOf', () => {
  const { plan, steps } = made();
  const base = {
    missing: [],
    measureProblem: null,
    measureProvisional: false,
    measureResult: '28–28.4',
    noFit: null,
    plan,
    stale: false,
    steps,
    progress: replay(steps, []),
  };
  const states = (input: Partial<typeof base> | { plan: TerminationPlan | null }) =>
    collarOf({ ...base, ...input }).arcs.map((a) => a.state);

  it('starts empty and asks to measure', () => {
    const collar = collarOf({ ...base, missing: ['outer sheath'], plan: null, steps: [], progress: null });
    expect(collar.arcs.every((a) => a.state === 'todo')).toBe(true);
    expect(collar.next).toEqual({ station: 'measure', action: 'outer sheath' });
  });

  it('shows provisional, stale, blocked and not needed', () => {
    expect(states({ measureProvisional: true })[0]).toBe('provisional');
    expect(states({ stale: true })[1]).toBe('stale');
    expect(states({})[4]).toBe('notNeeded');
    const none = collarOf({ ...base, plan: null, steps: [], progress: null, noFit: 'outer seal: 3 mm over' });
    expect(none.arcs[1]?.state).toBe('blocked');
    expect(none.blockedBy).toMatch(/3 mm over/);
  });

  it('fills as the work goes on, and ends with nothing to do', () => {
    const half = workUntil(steps, [], 'cut.armour');
    expect(collarOf({ ...base, progress: replay(steps, half) }).arcs[2]).toMatchObject({
      state: 'todo',
      share: 1 / 3,
    });
    expect(collarOf({ ...base, progress: replay(steps, workUntil(steps, [], 'look')) }).arcs[3]?.state).toBe(
      'hold',
    );
    const all = collarOf({ ...base, progress: replay(steps, workUntil(steps, [], null)) });
    expect(all.arcs.map((a) => a.state)).toEqual([
      'done',
      'done',
      'done',
      'done',
      'notNeeded',
      'done',
      'done',
    ]);
    expect(all.next).toBeNull();
  });
});
