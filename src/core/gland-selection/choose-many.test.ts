import fc from 'fast-check';
import { DEMO, interval, TERMINATION } from '@/core/testing';
import {
  answerWords,
  choose,
  chooseEach,
  findingView,
  nearestView,
  questionsOf,
  questionView,
  trailView,
  type Candidate,
  type TerminationInput,
} from '.';

/** Cables of all thicknesses, also such that nothing takes, half measured and at places where facts are missing. */
const termination = fc
  .record({
    outer: fc.double({ min: 5, max: 70, noNaN: true }),
    spread: fc.double({ min: 0, max: 2, noNaN: true }),
    wire: fc.double({ min: 0.2, max: 3, noNaN: true }),
    inner: fc.boolean(),
    unknownGroup: fc.boolean(),
    tag: fc.constantFrom('BX-1', 'BX-2'),
  })
  .map(({ outer, spread, wire, inner, unknownGroup, tag }): TerminationInput => {
    const { wet: _, ...dry } = TERMINATION.enclosure;
    const { gasGroup: __, ...box } = dry;
    return {
      ...TERMINATION,
      // A brass gland in a wall of aluminium: whether it stands in the wet is asked, and the question names the box.
      enclosure: { ...(unknownGroup ? box : dry), tag, material: 'aluminium' },
      outerSheath: interval('outerSheath', outer, outer + spread),
      innerSheath: inner
        ? interval('innerSheath', outer * 0.74, outer * 0.74 + spread)
        : TERMINATION.innerSheath,
      armourWire: interval('armourWire', wire, wire + 0.05),
    };
  });

const told = (c: Candidate) => [c.size.code, c.verdict, c.findings];

test('many at once say the same of each as one at a time, with its figures and in order, but leave out what does not fit', () => {
  fc.assert(
    fc.property(fc.array(termination, { minLength: 1, maxLength: 12 }), (inputs) => {
      const many = [...chooseEach(inputs, DEMO)];
      inputs.forEach((input, i) => {
        const one = choose(input, DEMO);
        const short = one.candidates.filter((c) => c.verdict !== 'misfit');
        const expected = short.length > 0 ? short : one.candidates;
        expect(many[i]?.answer).toEqual(one.answer);
        expect(many[i]?.nearest).toEqual(one.nearest);
        expect(many[i]?.barrier).toEqual(one.barrier);
        // As text: comparing thousands of findings value by value would take the test's time.
        expect(JSON.stringify(many[i]?.candidates.map(told))).toBe(JSON.stringify(expected.map(told)));
      });
    }),
    { numRuns: 25 },
  );
});

test('of nobody is asked nothing', () => expect([...chooseEach([], DEMO)]).toEqual([]));

/** All texts of an answer but those that stand in the sheets and in the profile. */
function textsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) =>
    ['family', 'size', 'certificate', 'enclosure', 'source', 'rule', 'caution'].includes(key)
      ? []
      : textsIn(inner),
  );
}

test('a choice holds codes and figures, and the words that are made of them say every one', () => {
  fc.assert(
    fc.property(termination, (input) => {
      const choice = choose(input, DEMO);
      const { candidates, answer, barrier, nearest, provisional } = choice;
      const plain = [candidates.map((c) => c.findings), answer, barrier, nearest, provisional];
      expect(textsIn(plain).filter((text) => text.split(' ').length > 3)).toEqual([]);
      const words = [
        answerWords(answer),
        ...candidates.flatMap((c) => textsIn(c.findings.map(findingView))),
        ...textsIn([trailView(barrier), nearest === null ? [] : nearestView(nearest)]),
        ...questionsOf(input, DEMO, choice).flatMap((q) => textsIn(questionView(q))),
      ];
      expect(words.filter((text) => text === '' || /undefined|NaN|\bnull\b|\[object/.test(text))).toEqual([]);
    }),
    { numRuns: 15 },
  );
});
