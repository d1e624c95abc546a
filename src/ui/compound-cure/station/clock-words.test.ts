import { countdown, minutesWords, readTemperature } from './clock-words';

it.each([
  ['20', 20],
  ['20,5', 20.5],
  ['-3.5 °C', -3.5],
  ['−3', -3],
  ['68 F', 20],
  ['70°F', 21.1],
  ['warm', null],
  ['', null],
  ['20 K', null],
  ['1e3', null],
])('reads the temperature %p', (text, value) => expect(readTemperature(text)).toBe(value));

it.each([
  [0, '0:00'],
  [-5000, '0:00'],
  [59_001, '1:00'],
  [754_000, '12:34'],
  [3_600_000, '1 h 0 min'],
  [12_000_000, '3 h 20 min'],
])('counts %d ms down as %s', (ms, words) => expect(countdown(ms)).toBe(words));

it.each([
  [20, '20 min'],
  [89, '89 min'],
  [90, '1 h 30 min'],
  [720, '12 h'],
])('says %d minutes as %s', (minutes, words) => expect(minutesWords(minutes)).toBe(words));
