import { countdown, hoursBelow, minutesWords, readTemperature, timeOfDay } from './clock-words';

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

describe('over midnight', () => {
  const at = (day: number, hour: number, minute = 0) => new Date(2026, 10, day, hour, minute).getTime();

  it('says the day of a time that is not today, before and after', () => {
    expect(timeOfDay(at(30, 23, 59), at(30, 0))).toBe('23:59');
    expect(timeOfDay(at(31, 0), at(30, 23, 59))).toMatch(/^00:00 on .*1/);
    expect(timeOfDay(at(29, 17, 5), at(30, 8))).toMatch(/^17:05 on .*29/);
  });

  it('says the day below a chart once for each day that begins in it', () => {
    const times = [at(30, 18), at(30, 23), at(31, 4), at(31, 9), at(32, 0)];
    const hours = hoursBelow(times, at(30, 8));
    expect(hours.map((words) => /\d\d:\d\d$/.test(words))).toEqual([true, true, true, true, true]);
    expect(hours.map((words) => words.length > 5)).toEqual([false, false, true, false, true]);
    expect(hoursBelow(times, at(33, 8)).map((words) => words.length > 5)).toEqual([
      true,
      false,
      true,
      false,
      true,
    ]);
    expect(hoursBelow([])).toEqual([]);
  });
});
