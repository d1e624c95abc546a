import type { FindingView } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { ladderColumns } from './ladder-scale';

const seal = (
  criterion: FindingView['criterion'],
  min: number,
  max: number,
  interval = { min: 28, max: 28.4 },
): FindingView => ({
  criterion,
  verdict: 'fits',
  takes: '',
  has: '',
  range: { min, max },
  interval,
  margin: 0,
  reason: '',
  code: 'inRange',
  source: '',
});
const candidate = (code: string, findings: FindingView[]): CandidateView => ({
  code,
  family: code.slice(0, 3),
  familyTitle: '',
  sheet: '',
  verdict: 'fits',
  marginMm: 0,
  ringWords: '',
  adaptor: null,
  findings,
  notCalledFor: null,
  goesWith: [],
  refusal: null,
  planOnly: false,
  printedInches: null,
});

it('puts the cable in the middle and shows the whole of the range that holds it', () => {
  const [column] = ladderColumns([
    candidate('A-1', [seal('outerSeal', 9, 13)]),
    candidate('A-2', [seal('outerSeal', 23.4, 31.2)]),
    candidate('A-3', [seal('outerSeal', 47, 61)]),
  ]);
  expect(column?.scale(28.2)).toBeCloseTo(50, 9);
  expect(column?.scale(23.4)).toBeGreaterThan(0);
  expect(column?.scale(31.2)).toBeLessThan(100);
  // Far sizes lie off the scale and are told by an arrow.
  expect(column?.scale(13)).toBeLessThan(0);
});

it('reaches to the nearest range when the cable lies in none', () => {
  const [column] = ladderColumns([
    candidate('A-1', [seal('outerSeal', 9, 13)]),
    candidate('A-2', [seal('outerSeal', 14, 18)]),
  ]);
  expect(column?.scale(18)).toBeGreaterThan(0);
  expect(column?.scale(28.2)).toBeCloseTo(50, 9);
});

it('leaves out a column that no candidate has, and shows all ranges when nothing is measured', () => {
  const { interval: _, ...unmeasured } = seal('innerSeal', 10, 20);
  const columns = ladderColumns([candidate('A-1', [unmeasured])]);
  expect(columns.map((c) => c.id)).toEqual(['innerSeal']);
  expect([columns[0]?.scale(10), columns[0]?.scale(20)]).toEqual([0, 100]);
  expect(columns[0]?.interval).toBeNull();
});
