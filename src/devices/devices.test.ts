import { readShown, wholeLines } from '@/core/instrument';
import { angleShows } from './angle-gauge';
import { caliperShows, widthAt } from './caliper';
import { hasSettled, PROBE_S, thermometerShows } from './thermometer';
import { pulledTorque, REACTION_S, torqueAt } from './torque-wrench';

describe('the caliper', () => {
  it('finds the two axes of an oval, their mean between them, and the same from the other side', () => {
    const cable = { meanMm: 28, ovality: 0.1 };
    expect(widthAt(cable, 0)).toBeCloseTo(29.4, 9);
    expect(widthAt(cable, 90)).toBeCloseTo(26.6, 9);
    // √((29.4² + 26.6²)/2) by hand.
    expect(widthAt(cable, 45)).toBeCloseTo(28.034978, 6);
    for (let a = 0; a < 180; a += 7) expect(widthAt(cable, a + 180)).toBeCloseTo(widthAt(cable, a), 9);
  });

  it('types hundredths that are no farther off than a hand presses, and the same for one seed', () => {
    for (let seed = 0; seed < 200; seed += 1) {
      const shown = Number(caliperShows({ meanMm: 28.2, ovality: 0 }, 0, seed));
      expect(Math.abs(shown - 28.2)).toBeLessThanOrEqual(0.035);
      expect(caliperShows({ meanMm: 28.2, ovality: 0 }, 0, seed)).toBe(shown.toFixed(2));
    }
  });
});

describe('the torque wrench', () => {
  it('holds the peak, which is above where the hand meant to stop by what it went on', () => {
    const pull = { paceNm: 20, seconds: 1.8, noiseNm: 0, seed: 1 };
    expect(torqueAt(pull, 0.9)).toBeCloseTo(18);
    expect(pulledTorque(pull).peakNm).toBeCloseTo(38.4);
    expect(pulledTorque(pull).overshootNm).toBeCloseTo(20 * REACTION_S);
    expect(torqueAt(pull, 1.8 + REACTION_S + 0.25)).toBeCloseTo(19.2);
    expect(torqueAt(pull, 60)).toBe(0);
  });

  it('overshoots more the faster it is pulled, and trembles by no more than its noise', () => {
    const over = (paceNm: number) =>
      pulledTorque({ paceNm, seconds: 36 / paceNm, noiseNm: 0, seed: 1 }).overshootNm;
    expect(over(40)).toBeGreaterThan(over(10));
    for (let seed = 0; seed < 100; seed += 1)
      expect(
        Math.abs(pulledTorque({ paceNm: 20, seconds: 1.8, noiseNm: 0.5, seed }).peakNm - 38.4),
      ).toBeLessThanOrEqual(0.55);
  });
});

it('shows what a probe has come to by its formula, and settles only when it moves no more', () => {
  expect(thermometerShows(20, 12, 0)).toBe(20);
  // 12 + 8·e⁻¹ = 14.94.
  expect(thermometerShows(20, 12, PROBE_S)).toBe(14.9);
  expect(hasSettled(20, 12, PROBE_S)).toBe(false);
  expect(hasSettled(20, 12, 20)).toBe(true);
  expect(thermometerShows(20, 12, 60)).toBe(12);
  expect(hasSettled(12, 12, 0)).toBe(true);
});

it('shows an angle in halves of a degree and goes round', () => {
  expect([44.8, 0.2, 359.9, -30].map(angleShows)).toEqual(['45.0', '0.0', '0.0', '330.0']);
});

describe('a line of an instrument', () => {
  it.each([
    ['+0012.34 mm', '12.34', 'mm'],
    ['28,15', '28.15', null],
    [' 1.2345 in ', '1.2345', 'in'],
    ['-3.5 °C', '-3.5', '°C'],
    ['0', '0', null],
    ['36.2 N.m', '36.2', 'N·m'],
    ['36.2Nm', '36.2', 'N·m'],
    ['45.0 deg', '45.0', '°'],
  ])('%s is %s in %s', (line, text, unit) => {
    expect(readShown(line)).toEqual({ ok: true, value: { text, unit } });
  });

  it.each(['', 'ERR', '12.3 furlong', '12.3 mm 4', '1.2.3', '12 34', 'NaN', '1e3 mm', '--5', '9'.repeat(41)])(
    'refuses %s rather than half understand it',
    (line) => expect(readShown(line).ok).toBe(false),
  );

  it('is whole wherever the line is cut into pieces, and what never ends is not kept', () => {
    const said = '28.10 mm\r\n28.15 mm\n\r28.20 mm\r';
    for (let size = 1; size <= said.length; size += 1) {
      const lines: string[] = [];
      let rest = '';
      for (let at = 0; at < said.length; at += size) {
        const cut = wholeLines(rest, said.slice(at, at + size));
        lines.push(...cut.lines);
        rest = cut.rest;
      }
      expect(lines).toEqual(['28.10 mm', '28.15 mm', '28.20 mm']);
    }
    expect(wholeLines('', '9'.repeat(100_000)).rest.length).toBeLessThan(200);
  });
});
