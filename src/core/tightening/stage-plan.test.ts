import { STAGE_METHODS } from '@/core/catalogue';
import { demoSize } from '@/core/testing';
import { methodWords, planStages, scaleStepFor, travelOf, turnsWords } from '.';

const [rw2] = demoSize('RW2-32');
const [ay3] = demoSize('AY3-32');
const size = (family: typeof rw2, n: number) => {
  const found = family.sizes[n];
  if (!found) throw new Error('size');
  return found;
};

it.each([
  [0.5, '½ turn'],
  [1, '1 turn'],
  [1.5, '1½ turns'],
  [2, '2 turns'],
  [0.4, '0.4 turn'],
  [1 / 3, '0.33 turn'],
])('says %d turns as %s', (turns, words) => expect(turnsWords(turns)).toBe(words));

it('moves by the pitch', () => expect(travelOf(1.5, 1.5)).toBe(2.25));

it('has words for every kind of stage', () => {
  const words = STAGE_METHODS.map((kind) =>
    methodWords({ kind, torqueNm: 45, toleranceNm: 4, turns: 0.75, scale: [{ upToMm: 30, mark: '2' }] }, 28),
  );
  expect(words).toEqual([
    'Torque 45 N·m ± 4',
    'Hand-tight, then ¾ turn',
    'Until metal meets metal',
    'To a strong resistance, then ¾ turn',
    'Until the seal grips, then ¾ turn',
    'Turn to scale mark 2 (cables up to 30 mm)',
  ]);
});

it('takes the first scale mark that reaches the cable, and refuses beyond the last', () => {
  const method = {
    kind: 'scaleMark' as const,
    scale: [
      { upToMm: 26, mark: '4' },
      { upToMm: 24, mark: '5' },
    ],
  };
  expect([23.9, 24, 24.1, 26, 26.1].map((d) => scaleStepFor(method, d)?.mark ?? null)).toEqual([
    '5',
    '5',
    '4',
    '4',
    null,
  ]);
  expect(methodWords(method, 26.1)).toMatch(/ask the sheet/);
});

it('uses the figures of the size where it has its own, and the family’s otherwise', () => {
  const small = planStages(rw2, size(rw2, 0), 12);
  const large = planStages(rw2, size(rw2, 4), 36);
  expect(small.map((s) => s.words)).toEqual([
    'Torque 15 N·m ± 1',
    'To a strong resistance, then ¾ turn',
    'Until metal meets metal',
    'Torque 20 N·m ± 2',
    'Until the seal grips, then 1¼ turns',
  ]);
  expect(large[4]?.words).toBe('Until the seal grips, then 1½ turns');
  expect(large[4]?.travelMm).toBe(2.25);
  expect(large[3]).toMatchObject({ memberSpannerMm: 55, heldSpannerMm: 55, travelMm: null, lubricant: true });
});

it('names the sheet each stage follows', () => {
  expect(new Set(planStages(ay3, size(ay3, 2), 22).map((s) => s.sheet))).toEqual(
    new Set(['AY3 instruction sheet 208, revision 3']),
  );
});
