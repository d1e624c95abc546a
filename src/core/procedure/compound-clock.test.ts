import { judge } from '@/core/gland-selection';
import { MEASURING, DEMO, demoSize, fitting } from '@/core/testing';
import { asHeld, decide, replay, type BenchAct, type ConfirmCommand, type MixRecord } from '@/core/record';
import { compoundClock, generateSteps, mayMix, planTermination, terminationRules } from '.';

const [family, size] = demoSize('WC4-32');
const termination = fitting(family, size, 'roundWire', true);
const plan = planTermination(
  {
    tag: 'K-140/B',
    input: termination,
    routeMm: 320,
    spareMm: 50,
    unit: 'mm',
    compounds: DEMO.compounds ?? [],
  },
  judge(termination, family, size, DEMO),
);
const steps = generateSteps(plan, family);
const seal = (() => {
  if (!plan.seal) throw new Error('not sealed');
  return plan.seal;
})();
const START = Date.parse('2026-11-10T08:00:00.000Z');
// Ten past eight and so on: the clock is an argument, also here.
const at = (minutes: number): string => {
  const whole = Math.floor(minutes);
  const two = (n: number) => String(n).padStart(2, '0');
  return `2026-11-10T${two(8 + Math.floor(whole / 60))}:${two(whole % 60)}:${two(Math.round((minutes - whole) * 60))}.000Z`;
};
const PACK: MixRecord = { batch: 'B-7', expiry: '2027-03-31', tempC: 20 };

/** Confirms the next step at a time, the way the bench does, or gives the refusal. A late filling is refused as waste. */
function confirm(acts: BenchAct[], minutes: number, more: Partial<ConfirmCommand> = {}): string {
  const { next } = replay(steps, acts);
  if (!next) throw new Error('all is done');
  const command = { ...asHeld(next, next.kind === 'mix' ? PACK : null), ...more };
  const state = {
    steps,
    acts,
    stale: false,
    provisional: [],
    secondPerson: false,
    measuring: MEASURING,
    rules: terminationRules({ seal }, 50, MEASURING),
  };
  const decided = decide(state, command, { id: null, name: 'fitter' }, at(minutes));
  if (!decided.ok) return decided.problems.map((p) => p.message).join('; ');
  const { kind, stepId, body } = decided.value;
  if (kind === 'waste') return body.reason;
  const { mix = null, decision = null } = command;
  acts.push({
    ...temperature(minutes, 0),
    stepId,
    kind,
    fingerprint: next.fingerprint,
    decision,
    mix,
    tempC: null,
  });
  return '';
}
const temperature = (minutes: number, tempC: number): BenchAct => ({
  stepId: 'cure',
  kind: 'temperature',
  fingerprint: null,
  decision: null,
  actor: 'fitter',
  person: null,
  at: at(minutes),
  mix: null,
  tempC,
  redo: [],
});
function until(id: string): BenchAct[] {
  const acts: BenchAct[] = [];
  for (let guard = 0; guard < 60 && replay(steps, acts).next?.id !== id; guard += 1)
    expect(confirm(acts, 0)).toBe('');
  return acts;
}

describe('mixing', () => {
  it('wants batch, a pack in date and a temperature that the tables know', () => {
    const acts = until('mix');
    expect(confirm(acts, 0, { mix: null })).toMatch(/part of the record/);
    expect(confirm(acts, 0, { mix: { ...PACK, batch: ' ' } })).toMatch(/stands on the pack/);
    expect(confirm(acts, 0, { mix: { ...PACK, expiry: '31.3.27' } })).toMatch(/not a date/);
    expect(confirm(acts, 0, { mix: { ...PACK, expiry: '2026-11-09' } })).toMatch(/expired on 2026-11-09/);
    expect(confirm(acts, 0, { mix: { ...PACK, expiry: '2026-11-10' } })).toBe('');
    expect(mayMix(seal, { ...PACK, tempC: 36 }, '2026-11-10')).toMatchObject({
      ok: false,
      problems: [{ path: 'mix.tempC' }],
    });
    const cold = mayMix(seal, { ...PACK, tempC: 3 }, '2026-11-10');
    expect(cold.ok ? '' : cold.problems[0]?.message).toMatch(/hardens from 5 °C up: 2 °C too cold/);
  });
});

describe('filling within the pot life', () => {
  // At 20 °C the resin may be worked for 20 minutes.
  it('is allowed to the last minute and refused after it', () => {
    const acts = until('mix');
    expect(confirm(acts, 0)).toBe('');
    expect(confirm([...acts], 20)).toBe('');
    expect(confirm([...acts], 20.5)).toMatch(/ended 1 min ago: this mix is waste/);
  });

  it('after waste goes back to the mixing, with a new clock', () => {
    const acts = until('mix');
    confirm(acts, 0);
    acts.push({ ...temperature(25, 20), kind: 'waste', stepId: 'fill', tempC: null });
    expect(replay(steps, acts).next?.id).toBe('mix');
    expect(compoundClock(seal, acts, START + 26 * 60_000).mix).toBeNull();
    expect(confirm(acts, 30)).toBe('');
    expect(confirm(acts, 49)).toBe('');
  });
});

describe('the cure', () => {
  const filled = () => {
    const acts = until('mix');
    confirm(acts, 0);
    confirm(acts, 10);
    // The chamber is seated; nothing moves after that.
    expect(replay(steps, acts).next?.id).toBe('stage.seat');
    confirm(acts, 12);
    return acts;
  };

  it('may not be opened before it is hard, and says how far it is', () => {
    const acts = filled();
    expect(confirm(acts, 40)).toMatch(/20 % cured: hard in about 120 min/);
    for (let m = 35; m <= 135; m += 25) acts.push(temperature(m, 20));
    expect(confirm(acts, 159)).toMatch(/99 % cured/);
    expect(confirm(acts, 160)).toBe('');
    expect(replay(steps, acts).next?.id).toBe('voids');
  });

  it('stands still when nobody reads the temperature', () => {
    const acts = filled();
    expect(confirm(acts, 300)).toMatch(/0 % cured, and it stands still: no reading for 290 min/);
  });

  it('with voids goes back to a fresh mix and a fresh cure', () => {
    const acts = filled();
    for (let m = 35; m <= 160; m += 25) acts.push(temperature(m, 20));
    confirm(acts, 160);
    expect(confirm(acts, 165, { decision: 'clamped' })).toMatch(/say what you saw: sound, repair/);
    expect(confirm(acts, 165, { decision: 'repair' })).toBe('');
    expect(replay(steps, acts)).toMatchObject({ next: { id: 'mix' }, loops: 1 });
    confirm(acts, 170);
    confirm(acts, 175);
    confirm(acts, 176);
    expect(compoundClock(seal, acts, START + 176 * 60_000).cure?.progress).toBeCloseTo(1 / 150, 4);
  });
});

describe('recut', () => {
  it('begins again at the first mark and forgets the compound', () => {
    const acts = until('mix');
    confirm(acts, 0);
    acts.push({ ...temperature(5, 20), kind: 'recut', stepId: 'recut', tempC: null });
    expect(replay(steps, acts).next?.id).toBe('cut.outerSheath');
    expect(replay(steps, acts).done.has('slideOn')).toBe(true);
    expect(compoundClock(seal, acts, START).mix).toBeNull();
  });
});

describe('a length that is measured', () => {
  const armour = plan.cut?.armour;
  it('is taken within its span and refused outside it, with the numbers', () => {
    const acts = until('cut.armour');
    const { minMm = 0, maxMm = 0 } = armour ?? {};
    const held = (mm: number, again?: number) =>
      confirm([...acts], 0, {
        measured: { armour: mm },
        ...(again === undefined ? {} : { again: { armour: again } }),
      });
    expect(held((minMm + maxMm) / 2)).toBe('');
    expect(confirm([...acts], 0, { measured: {} })).toBe('');
    expect(held(maxMm + 1.5)).toMatch(/1.5 mm too long, trim it/);
    expect(held(minMm - 1)).toMatch(/1 mm too short, cut back/);
  });

  it('is read a second time where the instrument cannot tell whether it is within, and both must be', () => {
    const acts = until('cut.armour');
    const { minMm = 0, maxMm = 0 } = armour ?? {};
    const held = (mm: number, again?: number, instrument?: string) =>
      confirm([...acts], 0, {
        measured: { armour: mm },
        ...(again === undefined ? {} : { again: { armour: again } }),
        ...(instrument === undefined ? {} : { instrument }),
      });
    expect(held(maxMm - 0.1)).toBe('');
    expect(held(maxMm - 0.09)).toMatch(/within ± 0.1 mm of its limit .* read it a second time/);
    expect(held(maxMm)).toMatch(/a second time/);
    expect(held(maxMm, maxMm - 0.2)).toBe('');
    expect(held(maxMm, maxMm - 0.21)).toMatch(/0.21 mm apart, more than ± 0.1 mm explains/);
    expect(held(minMm, minMm - 0.05)).toMatch(/0.05 mm too short/);
  });
});
