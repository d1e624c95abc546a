import { CODE_PROFILES, type Enclosure } from '@/core/schedule';
import { DEMO, TERMINATION } from '@/core/testing';
import { choose, questionsOf, questionView, type TerminationInput } from '.';

const division = CODE_PROFILES.find((p) => p.key === 'division');
if (!division) throw new Error('the profile for divisions is shipped');

/** An explosionproof box by divisions whose place nobody has stated, except for what is given. */
function inBox(facts: Partial<Enclosure>): TerminationInput {
  const { zone: _zone, gasGroup: _gasGroup, ...box } = TERMINATION.enclosure;
  return {
    ...TERMINATION,
    profile: division as NonNullable<typeof division>,
    cableType: { ...TERMINATION.cableType, listings: ['I/1', 'I/2', 'II/1', 'II/2'] },
    enclosure: { ...box, concept: 'explosionproof', ...facts },
  };
}
const asked = (input: TerminationInput, fact: string) => {
  const found = questionsOf(input, DEMO, choose(input, DEMO)).find((q) => q.fact === fact);
  if (!found) throw new Error(`${fact} is not asked`);
  return questionView(found).options;
};

describe('the place by classes', () => {
  it('is asked without writing a group that nobody has said; the group is asked next', () => {
    const options = asked(inBox({}), 'place');
    expect(options.map((o) => o.words)).toEqual([
      'Class I, division 1',
      'Class I, division 2',
      'Class II, division 1',
      'Class II, division 2',
      'Class III, division 1',
      'Class III, division 2',
    ]);
    for (const { value } of options) expect(value).not.toHaveProperty('classGroup');
  });

  it.each<[Partial<Enclosure>, string[]]>([
    [{ classGroup: 'B' }, ['Class I, division 1', 'Class I, division 2']],
    [{ classGroup: 'F' }, ['Class II, division 1', 'Class II, division 2']],
    [{ hazardClass: 'I' }, ['Class I, division 1', 'Class I, division 2']],
  ])('offers only what agrees with %j, which is known already', (known, words) => {
    expect(asked(inBox(known), 'place').map((o) => o.words)).toEqual(words);
  });

  it('asks for the group with every group of the class, also those that the gland is refused for', () => {
    const { entry, ...rest } = inBox({ hazardClass: 'I', division: 1 });
    const clad: TerminationInput = {
      ...rest,
      cableType: { ...rest.cableType, armour: 'corrugated', innerSheath: false },
      entry: { ...entry, thread: { form: 'npt', size: '1', pitchMm: 2.209 }, taperedTurns: 6 },
      outerSheath: null,
      innerSheath: null,
      armourWire: null,
    };
    const options = asked(clad, 'classGroup');
    expect(options.map((o) => o.value)).toEqual(['A', 'B', 'C', 'D']);
    // SF7 is certified for B, C and D.
    expect(options[0]?.refused).toContain('SF7-100');
    expect(options[1]?.refused).not.toContain('SF7-100');
  });
});
