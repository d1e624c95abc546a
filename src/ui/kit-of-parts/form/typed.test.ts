import { numberText, typedNumber, typedText } from './typed';

it.each([
  ['24,2', 24.2],
  [' 7 ', 7],
  ['-40', -40],
  ['', undefined],
  ['  ', undefined],
  ['3/4 x', '3/4 x'],
  ['1,2,3', '1,2,3'],
])('keeps “%s” as what it is', (typed, kept) => expect(typedNumber(typed)).toBe(kept));

it('reads a share in per cent there and back, and lets what is no text by', () => {
  expect(typedNumber('7', null, 100)).toBe(0.07);
  expect(numberText(typedNumber('28,3', null, 100), 100)).toBe('28.3');
  expect(typedNumber('', null, 100)).toBeNull();
  expect(typedNumber(12)).toBe(12);
  expect(typedNumber(undefined)).toBeUndefined();
});

it('shows text that is no number as it was typed, and nothing for nothing', () => {
  expect(numberText('wide')).toBe('wide');
  expect([numberText(null), numberText(undefined)]).toEqual(['', '']);
  expect([typedText(' '), typedText('power')]).toEqual([undefined, 'power']);
});
