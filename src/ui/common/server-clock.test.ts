import { clockNow, noteServerTime } from './server-clock';

it.each([
  ['an hour behind', 3_600_000, 3_600_000],
  ['a day ahead', -86_400_000, -86_400_000],
  ['half a minute off', 30_000, 30_000],
  ['as late as an answer takes', 29_999, 0],
  ['right', 0, 0],
])('goes by the server where the device is %s', (_, ahead, corrected) => {
  const device = Date.now();
  noteServerTime(device + ahead, device);
  expect(Math.abs(clockNow() - Date.now() - corrected)).toBeLessThan(50);
});
