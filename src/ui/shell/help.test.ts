import { STATION_WORDS } from '@/core/record';
import { helpFor, PLACE_HELP } from './help';
import { placesOf, productPlaces } from './places';

it('has something to say at every place that can be gone to', () => {
  const groups = [...placesOf('a job'), productPlaces('a job', true)];
  for (const { href, name } of groups.flatMap((g) => g.places)) {
    const help = helpFor(new URL(href, 'http://here').pathname);
    expect([name, help === null ? 0 : help.rules.length]).toEqual([name, expect.any(Number)]);
    expect(help?.rules.length).toBeGreaterThan(0);
  }
});

it.each(Object.entries(STATION_WORDS))('speaks of the station at %s', (station, title) => {
  expect(helpFor(`/job/x/t/K-1/A/${station}`)?.title).toBe(title);
});

it('speaks of the place above where it lies deeper, and of nothing where there is nothing', () => {
  expect(helpFor('/job/x/boxes/MCC-1')).toBe(PLACE_HELP.boxes);
  expect(helpFor('/job/x/bench/K-1/A')).toBe(PLACE_HELP.bench);
  for (const path of ['/job/x/constructor', '/job/x', '/sign-in', '/peoples', '/job/x/__proto__/y'])
    expect(helpFor(path)).toBeNull();
  expect(helpFor('/job/x/t/K-1/A/constructor')?.title).toBe(STATION_WORDS.measure);
});
