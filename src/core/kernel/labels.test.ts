import fc from 'fast-check';
import { placeLabels, type WantedLabel } from './labels';
import { textWidth } from './text-width';

const SIZE = 11;
const BASE = 100;
const WORDS = [
  'cone',
  'middle nut',
  'clamping ring',
  'outer seal',
  'diaphragm',
  'entry component',
  'end stop',
];

const boxesOf = (wanted: readonly WantedLabel[], width: number) => {
  const items = placeLabels(wanted, { width, size: SIZE, base: BASE });
  const names = items.flatMap((i) => (i.kind === 'text' ? [i] : []));
  const leaders = items.flatMap((i) => (i.kind === 'polyline' ? [i.points] : []));
  const boxes = names.map(({ at, text }) => {
    const half = textWidth(text, SIZE, 400) / 2;
    return { left: at.x - half, right: at.x + half, base: at.y };
  });
  return { boxes, leaders };
};

it('keeps seven names of a gland inside the width, off one another, and off the leaders of others', () => {
  const labels = fc
    .array(fc.integer({ min: 20, max: 280 }), { minLength: 1, maxLength: 7 })
    .map((xs) => [...xs].sort((a, b) => a - b).map((x, i) => ({ text: WORDS[i] ?? '', x, y: 130 })));
  let crossed = 0;
  let all = 0;
  fc.assert(
    fc.property(labels, (wanted) => {
      const { boxes, leaders } = boxesOf(wanted, 300);
      boxes.forEach((a, i) => {
        expect(a.left).toBeGreaterThanOrEqual(-1e-6);
        expect(a.right).toBeLessThanOrEqual(300 + 1e-6);
        boxes.forEach((b, j) => {
          if (i < j && a.base === b.base) expect(a.right <= b.left || b.right <= a.left).toBe(true);
          const down = leaders[j]?.[0];
          all += 1;
          if (down && i !== j && down.y < a.base && down.x > a.left && down.x < a.right) crossed += 1;
        });
      });
    }),
    { numRuns: 200 },
  );
  // Crowds for which there is no way at all are rare.
  expect(crossed / all).toBeLessThan(0.002);
});

it('finds room for names whose parts lie one over another', () => {
  const wanted = ['cone', 'middle nut', 'clamping ring'].map((text) => ({ text, x: 150, y: 130 }));
  const { boxes, leaders } = boxesOf(wanted, 300);
  expect(new Set(leaders.map((l) => l[0]?.x)).size).toBe(3);
  expect(new Set(boxes.map((b) => `${b.left} ${b.base}`)).size).toBe(3);
});

it('has nothing to say of nothing', () =>
  expect(placeLabels([], { width: 300, size: 11, base: 100 })).toEqual([]));
