import fc from 'fast-check';
import type { SubjectRef } from '@/core/record';
import { benchPath, subjectAt } from './subject-words';
import { unsentWords } from './unsent-words';

const name = fc.string({ minLength: 1, maxLength: 20 });

it('a bench is found by its address, whatever its names hold', () => {
  const subject = fc.oneof<fc.Arbitrary<SubjectRef>[]>(
    fc.record({ kind: fc.constant('termination'), job: name, cable: name, end: fc.constantFrom('A', 'B') }),
    fc.record({ kind: fc.constant('crossing'), job: name, crossing: name }),
  );
  fc.assert(
    fc.property(subject, (s) => {
      expect(subjectAt(benchPath(s))).toEqual(s);
    }),
  );
});

it.each([
  '/',
  '/job/x/board',
  '/job/x/bench/K-1',
  '/job/x/bench/K-1/A/more',
  '/job/x/crossings/X-1',
  '/job/x/bench/%/A',
])('%s is no bench', (path) => {
  expect(subjectAt(path)).toBeNull();
});

it('says since when something is not sent, with the day where it is not today’s', () => {
  const since = new Date(2026, 10, 10, 9, 5).getTime();
  expect(unsentWords([], since)).toBe('');
  expect(unsentWords([{ since }, { since: since + 1 }], since + 60_000)).toBe('2 not sent, since 09:05');
  expect(unsentWords([{ since }], since + 25 * 3600_000)).toBe('1 not sent, since 10/11/2026 09:05');
});
