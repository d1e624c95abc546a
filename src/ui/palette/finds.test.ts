import type { SummaryView } from '@/core/termination-view';
import { placesOf } from '../shell/places';
import { finds, jobOf } from './finds';

const end = (cable: string, next: SummaryView['next']): SummaryView => ({
  cable,
  end: 'A',
  enclosure: null,
  title: null,
  area: 'yard',
  type: 'x',
  arcs: '',
  next,
  blockedBy: null,
  size: null,
});

it('finds the job of an address, whatever it is called', () => {
  expect(jobOf('/job/a%20b%2Fc/board')).toBe('a b/c');
  expect(jobOf('/catalogue')).toBeNull();
});

it('leads to where an end goes on, with tags that have strokes and signs in them', () => {
  const all = finds(
    placesOf('x y').flatMap((g) => g.places),
    'x y',
    [end('K/1 %', { station: 'cut', action: 'armour off' }), end('K-2', null)],
    [],
  );
  expect(all.filter((f) => f.group === 'Ends of cables').map((f) => f.href)).toEqual([
    '/job/x%20y/t/K%2F1%20%25/A/cut',
    '/job/x%20y/t/K-2/A/prove',
  ]);
  expect(new Set(all.map((f) => f.href)).size).toBe(all.length);
  expect(finds([], null, [], [])).toEqual([]);
});
