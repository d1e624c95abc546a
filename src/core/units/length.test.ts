import fc from 'fast-check';
import { formatInchFraction, formatMm, parseLength, trimNumber } from '.';

const mm = (text: string, unit?: 'mm' | 'in') => {
  const read = parseLength(text, unit);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.value.mm;
};
const refusal = (text: string, unit?: 'mm' | 'in') => {
  const read = parseLength(text, unit);
  return read.ok ? `accepted as ${read.value.mm}` : (read.problems[0]?.message ?? '');
};

describe('parseLength', () => {
  // 1 3/16 in = 19/16 × 25.4 = 30.1625 mm
  it.each([
    ['30.2', 30.2],
    ['30,2 mm', 30.2],
    [' 30.2mm ', 30.2],
    ['1 3/16"', 30.1625],
    ['1-3/16 in', 30.1625],
    ['1 3⁄16 inches', 30.1625],
    ['½ in', 12.7],
    ['2½"', 63.5],
    ['3/8"', 9.525],
    ['2.5 m', 2500],
    ['1.2 cm', 12],
    ["1.5'", 457.2],
    ['.5 in', 12.7],
  ])('reads %s', (text, expected) => expect(mm(text, 'mm')).toBeCloseTo(expected, 9));

  it('takes the unit of the field when none is written', () => {
    expect(mm('1.25', 'in')).toBeCloseTo(31.75, 9);
    expect(mm('1 1/4', 'in')).toBeCloseTo(31.75, 9);
  });

  it('never guesses a unit', () => expect(refusal('30.2')).toMatch(/no unit/));
  it('does not read a bare fraction as millimetres', () => expect(refusal('1 3/16', 'mm')).toMatch(/inches/));
  it('names an unknown unit', () => expect(refusal('3 furlongs', 'mm')).toMatch(/furlongs/));

  it.each(['', 'abc', '1/0 in', '-3 mm', '1..2', '3 1 1/2 in', '1e3 mm', 'NaN', '1/3 mm'])(
    'refuses %p',
    (text) => {
      expect(parseLength(text, 'mm').ok).toBe(false);
    },
  );

  it('keeps the text as typed', () => {
    const read = parseLength(' 1 3/16" ', 'mm');
    expect(read).toMatchObject({ ok: true, value: { text: ' 1 3/16" ', unit: 'in' } });
  });

  it('reads back what it writes in millimetres', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2_000_000 }), (um) => {
        expect(mm(`${formatMm(um / 1000, 3)} mm`)).toBeCloseTo(um / 1000, 6);
      }),
    );
  });

  it('reads back what it writes in inches, to half a division', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400_000 }), fc.constantFrom(16, 32, 64), (um, denominator) => {
        const text = formatInchFraction(um / 1000, denominator);
        expect(Math.abs(mm(`${text} in`) - um / 1000)).toBeLessThanOrEqual(25.4 / denominator / 2 + 1e-9);
      }),
    );
  });
});

describe('formatInchFraction', () => {
  it('reduces', () => {
    expect(formatInchFraction(320, 32)).toBe('12 19/32');
    expect(formatInchFraction(25.4)).toBe('1');
    expect(formatInchFraction(12.7)).toBe('1/2');
    expect(formatInchFraction(0)).toBe('0');
  });

  it('rounds maxima down and minima up, and leaves whole divisions alone', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400_000 }), (um) => {
        const value = um / 1000;
        expect(mm(`${formatInchFraction(value, 32, 'down')} in`)).toBeLessThanOrEqual(value + 1e-6);
        expect(mm(`${formatInchFraction(value, 32, 'up')} in`)).toBeGreaterThanOrEqual(value - 1e-6);
      }),
    );
    for (let n = 1; n < 2000; n += 1) {
      const exact = (n * 25.4) / 32;
      expect(formatInchFraction(exact, 32, 'down')).toBe(formatInchFraction(exact, 32, 'up'));
    }
  });
});

it('trims needless zeros only', () => {
  expect([trimNumber(34), trimNumber(30.1), trimNumber(100), trimNumber(-0.001)]).toEqual([
    '34',
    '30.1',
    '100',
    '0',
  ]);
});
