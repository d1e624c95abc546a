import { judge } from '@/core/gland-selection';
import { worthOf } from '@/core/instrument';
import { asHeld, decide, replay, type BenchAct, type ConfirmCommand, type Decided } from '@/core/record';
import { DEMO, demoSize, fitting, MEASURING } from '@/core/testing';
import { makingOff } from '@/core/testing/making-off';
import { generateSteps, insulationOf, insulationReadings, planTermination, terminationRules } from '.';

const [family, size] = demoSize('MS4-20');
const input = fitting(family, size, 'none', false);
const REQUEST = { tag: 'K-160/A', routeMm: 180, spareMm: 50, unit: 'mm' } as const;
const planOf = (change: Partial<typeof input.cableType> = {}) => {
  const changed = { ...input, cableType: { ...input.cableType, ...change } };
  return planTermination({ ...REQUEST, input: changed }, judge(changed, family, size, DEMO));
};
const plan = planOf();
const steps = generateSteps(plan, family);
const { mineral } = plan;
if (mineral === undefined) throw new Error('a pot was planned');

const START = Date.parse('2026-11-24T08:00:00.000Z');
const at = (minutes: number) => new Date(START + minutes * 60_000).toISOString();

/** What the end says to the step whose turn it is: nothing when it was taken into the record, else why not. */
function held(
  acts: BenchAct[],
  minutes: number,
  more: Partial<ConfirmCommand> = {},
  measuring = MEASURING,
): string {
  const { next } = replay(steps, acts);
  if (next === null) throw new Error('all is done');
  const command = { ...asHeld(next), measured: {}, again: {}, ...more };
  const decided = decide(
    {
      steps,
      acts,
      stale: false,
      provisional: [],
      secondPerson: false,
      measuring,
      rules: terminationRules(plan, 50, measuring),
    },
    command,
    { id: null, name: 'fitter' },
    at(minutes),
  );
  if (!decided.ok) return decided.problems.map((p) => p.message).join('; ');
  acts.push(actOf(decided.value, command, minutes));
  return '';
}

const actOf = ({ kind, stepId }: Decided, command: ConfirmCommand, minutes: number): BenchAct => ({
  stepId,
  kind,
  fingerprint: command.fingerprint,
  decision: command.decision ?? null,
  actor: 'fitter',
  person: null,
  at: at(minutes),
  mix: null,
  tempC: null,
  redo: [],
  ...(command.measured === undefined ? {} : { measured: command.measured }),
});
const [FIRST] = steps;
if (FIRST === undefined) throw new Error('there are steps');
const HELD = asHeld(FIRST);
const other = (kind: 'recut' | 'correct', minutes: number, redo: readonly string[] = []): BenchAct => ({
  ...actOf({ kind: 'note', stepId: redo[0] ?? 'recut', body: { reason: '' } }, HELD, minutes),
  kind,
  fingerprint: null,
  redo,
});

/** Everything that comes before a step, held as it should be, at this minute. */
function until(id: string, minutes = 0, acts: BenchAct[] = []): BenchAct[] {
  for (let guard = 0; guard < 40; guard += 1) {
    const { next } = replay(steps, acts);
    if (next === null || next.id === id) return acts;
    const measured = next.id.startsWith('insulation') ? { insulation: 800 } : asHeld(next).measured;
    expect([next.id, held(acts, minutes, { measured, again: measured })]).toEqual([next.id, '']);
  }
  throw new Error(`never came to ${id}`);
}
const read = (acts: BenchAct[], minutes: number, mohm: number, decision: 'dry' | 'dryOut' = 'dry') =>
  held(acts, minutes, { decision, measured: { insulation: mohm } });

describe('what is worked out', () => {
  it('sets the sheath into the pot by the middle of its span, and every mark by that', () => {
    const { cut } = plan;
    // Wall to terminal 180, spare 50, slack of the profile; behind the wall 22 + 3 of gland and wall; 3 mm of it stand in the pot.
    expect(cut?.stub).toEqual({ mm: 3, minMm: 2, maxMm: 4 });
    const strip = cut?.marks[0]?.atMm ?? 0;
    expect(cut?.marks.map((m) => m.id)).toEqual(['outerSheath']);
    expect(mineral).toMatchObject({
      stripAtMm: strip,
      potAtMm: strip + 3,
      straightToMm: strip + 63,
      tools: [
        { id: 'hand stripper', gripAtMm: strip + 6 },
        { id: 'bench stripper', gripAtMm: strip + 11 },
      ],
      test: { testV: 500, leastMohm: 100, holdsMs: 12 * 60_000 },
      packs: { part: 'MC-15', count: 1 },
    });
  });

  it.each([
    ['nobody says what it is rated for', { ratedV: undefined }, /nobody said what the cable is rated for/],
    ['no test is named for it', { ratedV: 1500 }, /names no test for a cable of 1500 V/],
  ])('is refused where %s, and then nothing leads to the bench', (_, change, words) => {
    const refused = planOf(change);
    expect(refused.sealRefusal.map((p) => p.message).join()).toMatch(words);
    expect(generateSteps(refused, family)).toEqual([]);
  });

  it('takes no other cable, and no other gland takes it', () => {
    const verdictOf = (code: string, change: Partial<typeof input.cableType>) => {
      const [f, s] = demoSize(code);
      return judge({ ...input, cableType: { ...input.cableType, ...change } }, f, s, DEMO).verdict;
    };
    expect(verdictOf('MS4-20', {})).not.toBe('misfit');
    expect(verdictOf('MS4-20', { construction: undefined })).toBe('misfit');
    expect(verdictOf('UN1-20', {})).toBe('misfit');
    expect(verdictOf('MS4-20', { cores: 7 })).toBe('misfit');
  });
});

describe('the insulation at the bench', () => {
  it('passes no reading that nobody took, none too low, and none whose tester may have meant too little', () => {
    const acts = until('insulation');
    expect(held(acts, 0, { decision: 'dry' })).toMatch(/has to be measured/);
    expect(read(acts, 0, 99)).toMatch(/less than needed\. Dry it out/);
    // 5 % that nobody vouches for: 105 may be 99.75, 105.3 is 100.035.
    expect(read(acts, 0, 105)).toMatch(/99.8 MΩ at the lowest .* 0.3 MΩ less than needed/);
    expect(read(acts, 0, 105.3, 'dryOut')).toMatch(/there is nothing to dry out/);
    // Neither its voltage nor the far end is known where nobody ticked them.
    for (const checked of [[], [0], [1]])
      expect(held(acts, 0, { decision: 'dry', measured: { insulation: 900 }, checked })).toMatch(
        /not ticked yet/,
      );
    expect(held(acts, 0, { decision: 'dryOut', measured: { insulation: 9 }, checked: [0] })).toMatch(
      /not ticked yet: The far end is sealed/,
    );
    expect(read(acts, 0, 105.3)).toBe('');
  });

  it('counts for twelve minutes to the second: then nothing is filled until it is read again', () => {
    expect(held(until('fillPot'), 12)).toBe('');
    const late = until('fillPot');
    expect(held(late, 12.02)).toMatch(/13 min old and counts for 12: test it again/);
    late.push(other('correct', 13, ['insulation', 'pot']));
    expect(replay(steps, late).next?.id).toBe('insulation');
    expect(read(late, 13, 700)).toBe('');
    expect(held(until('fillPot', 14, late), 20)).toBe('');
  });

  it('dries in a loop that is plotted, and cuts the end when three readings do not rise', () => {
    const acts = until('insulation');
    for (const [minute, mohm] of [
      [0, 4],
      [30, 3],
      [60, 2],
    ] as const) {
      expect(read(acts, minute, mohm, 'dryOut')).toBe('');
      expect(replay(steps, acts).next?.id).toBe('clean');
      if (minute < 60) expect(held(acts, minute + 10)).toBe('');
    }
    expect(insulationReadings(acts).map((r) => r.mohm)).toEqual([4, 3, 2]);
    expect(held(acts, 70)).toMatch(/three readings after heat did not rise\. Cut the end back/);
    acts.push(other('recut', 80));
    expect(insulationReadings(acts)).toEqual([]);
    until('fillPot', 90, acts);
    expect(held(acts, 95)).toBe('');
  });

  it('is proved through the seal against the reading before it', () => {
    const acts = until('insulationAgain');
    // Sealed on 800 less 5 %, of which half may go: 380, at the lowest that the second may mean.
    const proof = (minute: number, mohm: number) => held(acts, minute, { measured: { insulation: mohm } });
    expect(proof(20, 399)).toMatch(/MΩ after sealing, 380 MΩ at least by the test before/);
    expect(proof(20, 401)).toBe('');
    expect(insulationOf(mineral, acts, MEASURING).phase).toBe('proved');
    acts.push(other('correct', 21, ['insulationAgain']));
    expect(proof(22, 401)).toBe('');
    // A pot that was not filled after all stands on no reading.
    acts.push(other('correct', 23, ['fillPot', 'stage.entry', 'stage.outerSeal', 'insulationAgain']));
    expect(held(acts, 24)).toMatch(/no good reading: test it first/);
  });

  it('proves nothing on a seal whose reading counts no more once the register says what its tester is worth', () => {
    const acts = until('insulationAgain');
    // ± 90 %: the 800 MΩ that it was filled on may have been 80.
    const worse = { ...MEASURING, worth: worthOf([{ code: 'IT-3', uncertainty: '± 90 %' }]) };
    const named = acts.map((a) => (a.stepId === 'insulation' ? { ...a, instrument: 'IT-3' } : a));
    for (const mohm of [5, 9000])
      expect(held(named, 20, { measured: { insulation: mohm }, instrument: 'IT-3' }, worse)).toMatch(
        /the pot was not filled on a reading that counts/,
      );
    expect(held(acts, 20, { measured: { insulation: 9000 } })).toBe('');
    expect(
      held(
        acts.map((a) => (a.stepId === 'insulation' ? { ...a, instrument: 'IT-3' } : a)),
        21,
        {},
        worse,
      ),
    ).toMatch(/the pot was not filled on a reading that counts/);
    expect(held(acts, 21)).toBe('');
  });

  it('begins anew on a sealed end that was sent back by whatever, and counts nothing of before', () => {
    const acts = until('insulationAgain');
    // Not a correction: another plan whose steps come again from the cut on.
    const again = acts.map((a) => ({
      ...a,
      fingerprint: a.stepId === 'safe' ? a.fingerprint : `old ${a.stepId}`,
    }));
    expect(replay(steps, again).next?.id).toBe('parts');
    until('insulation', 30, again);
    expect(insulationOf(mineral, again, MEASURING)).toMatchObject({ good: null });
    expect(read(again, 31, 700)).toBe('');
    until('fillPot', 32, again);
    expect(held(again, 40)).toBe('');
    until('sign', 41, again);
    expect(insulationOf(mineral, again, MEASURING).phase).toBe('proved');
  });
});

describe('cores that are rung out', () => {
  const named = planOf({
    coreNames: [
      { name: 'BN', use: 'power' },
      { name: 'BU', use: 'power' },
      { name: 'BK', use: 'power' },
      { name: 'GNYE', use: 'earth' },
    ],
  });
  const own = { BN: 'BN', BU: 'BU', BK: 'BK', GNYE: 'GNYE' };
  const bench = makingOff(named, family, ({ id }) => (id === 'rungOut' ? { chosen: own } : {}));

  it('stops at a colour that rings on another one, naming both ends, before anything is sealed', () => {
    const acts = bench.until('rungOut');
    expect(bench.held(acts, { chosen: { ...own, BN: 'BU', BU: 'BN' } })).toMatch(
      /BN of K-160\/B rings on BU of K-160\/A; BU of K-160\/B rings on BN of K-160\/A/,
    );
    expect(bench.held(acts, { chosen: { BN: 'BN' } })).not.toBe('');
    expect(bench.held(acts)).toBe('');
    const ids = bench.steps.map((s) => s.id);
    expect(ids.indexOf('rungOut')).toBeLessThan(ids.indexOf('insulation'));
  });

  it('is not asked of a cable whose cores nobody has named', () =>
    expect(steps.some((s) => s.id === 'rungOut')).toBe(false));
});
