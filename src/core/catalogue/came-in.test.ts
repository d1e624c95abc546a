import { compareCameIn, revisionFaultWords, type CameIn } from '.';

const sheet = (name: string, hash: string, kind = 'family'): CameIn => ({ kind, name, hash });
const FIRST = [sheet('RW2 revision 5', 'a'), sheet('TA-2520', 'b', 'adaptor')];

test.each<[string, readonly CameIn[], readonly CameIn[], string[], string[]]>([
  ['nothing is remembered yet: all is fresh', [], FIRST, [], ['a', 'b']],
  ['all is there', FIRST, FIRST, [], []],
  ['a later revision came in', FIRST, [...FIRST, sheet('RW2 revision 6', 'c')], [], ['c']],
  ['later figures of a part came in', FIRST, [...FIRST, sheet('TA-2520', 'c', 'adaptor')], [], ['c']],
  ['a sheet is gone', FIRST, FIRST.slice(1), ['missing RW2 revision 5'], []],
  [
    'a sheet has other figures, and another hash',
    FIRST,
    [sheet('RW2 revision 5', 'x'), sheet('TA-2520', 'b', 'adaptor')],
    ['changed RW2 revision 5'],
    [],
  ],
  [
    'figures of a part are gone, and others are there that never came in',
    FIRST,
    [sheet('RW2 revision 5', 'a'), sheet('TA-2520', 'x', 'adaptor')],
    ['changed TA-2520'],
    [],
  ],
  [
    'of two figures of a part that came in one is gone',
    [...FIRST, sheet('TA-2520', 'c', 'adaptor')],
    FIRST,
    ['missing TA-2520'],
    [],
  ],
  [
    'a sheet got another name',
    FIRST,
    [sheet('RW2 revision 9', 'a'), sheet('TA-2520', 'b', 'adaptor')],
    ['missing RW2 revision 5'],
    ['a'],
  ],
  [
    'an accessory stands under the number of an adaptor that is gone',
    FIRST,
    [sheet('RW2 revision 5', 'a'), sheet('TA-2520', 'x', 'accessory')],
    ['missing TA-2520'],
    ['x'],
  ],
  ['nothing is there any more', FIRST, [], ['missing RW2 revision 5', 'missing TA-2520'], []],
])('%s', (_, remembered, there, faults, fresh) => {
  const compared = compareCameIn(remembered, there);
  expect(compared.faults.map((f) => `${f.fault} ${f.name}`)).toEqual(faults);
  expect(compared.fresh.map((f) => f.hash)).toEqual(fresh);
});

it('says of a fault what it is about, also of a kind that a later release knows', () => {
  const of = (kind: string, fault: 'changed' | 'missing') =>
    revisionFaultWords({ kind, name: 'RW2 revision 5', fault });
  expect(of('family', 'changed')).toBe('the sheet RW2 revision 5 has other figures than it came in with');
  expect(of('frameSheet', 'missing')).toMatch(/^the sheet of frames RW2 revision 5 came in here/);
  expect(of('anchor', 'missing')).toMatch(/^anchor RW2 revision 5/);
});
