import { renderToStaticMarkup } from 'react-dom/server';
import { trackCure } from '@/core/compound-cure';
import { CureChart } from './CureChart';

const CURE = [
  { c: 5, minutes: 720 },
  { c: 20, minutes: 150 },
];
/** 14:00 where the reader is, in minutes since 1970. */
const FILLED = new Date(2026, 10, 20, 14).getTime() / 60_000;

it.each([
  ['when the clock has not come to its first reading yet', -1, 14],
  ['at the very moment', 0, 14],
  ['twenty minutes later', 20, 14],
])('a cure is drawn on the day on which it was filled in, %s', (_, after, hour) => {
  const readings = [{ at: FILLED, c: 20 }];
  const track = trackCure(CURE, readings, FILLED + after);
  if (!track.ok) throw new Error('it is tracked');
  const svg = renderToStaticMarkup(<CureChart track={track.value} readings={readings} />);
  const hours = [...svg.matchAll(/>(?:[A-Za-z]+ \d+ )?(\d\d):\d\d</g)].map(([, h]) => Number(h));
  expect(hours[0]).toBe(hour);
  expect(svg).not.toMatch(/NaN|Jan/);
  const [x] = [...svg.matchAll(/cx="([\d.]+)" cy="[\d.]+" r="3"/g)].map(([, cx]) => Number(cx));
  // The first reading lies where the cure begins.
  expect(x).toBe(46);
});
