import { BOX, CABLE, ENTRY, interval, TERMINATION } from '../testing/termination';
import { wantedFor } from '.';

const needs = (input: typeof TERMINATION, outcome: Parameters<typeof wantedFor>[1] = 'none') =>
  new Map(wantedFor(input, outcome).needs);

it('says what a supplier asks: layers as measured, the entry, and what the place demands', () => {
  const said = needs({ ...TERMINATION, outerSheath: interval('outerSheath', 70, 70.4) });
  expect(said.get('outer sheath')).toBe('70–70.4 mm');
  expect(said.get('entry')).toBe('M32 × 1.5, 16 mm of thread');
  expect([said.get('protection'), said.get('place'), said.get('group')]).toEqual(['Ex d', 'zone 1', 'IIB']);
  expect([said.get('temperature class'), said.get('IP')]).toEqual(['T4', '66']);
  expect(said.has('one core')).toBe(false);
});

it('asks for the cores only of a barrier, and for what is not measured by name', () => {
  const said = needs({ ...TERMINATION, laidUpCores: null, innerSheath: null }, 'barrier');
  expect([said.get('kind'), said.get('laid-up cores'), said.get('cores')]).toEqual([
    'barrier gland',
    'not measured',
    '4',
  ]);
  expect(said.get('inner sheath')).toBe('not measured');
});

it('does not call a place safe of which nothing is known, nor leave out what narrows the choice', () => {
  const { zone: _, ...unknown } = BOX;
  const said = needs({
    ...TERMINATION,
    enclosure: { ...unknown, concept: 'none' },
    entry: { ...ENTRY, kind: 'clearance', thread: null, holeMm: 20.5, wallMm: 2 },
    cableType: { ...CABLE, effectivelyFilled: false, coldFlow: true, armour: 'none' },
  });
  expect(said.get('place')).toBe('place not known');
  expect(said.get('entry')).toBe('hole 20.5 mm, plate 2 mm');
  expect([said.get('sheath'), said.get('cable')]).toEqual([
    'creeps under lasting pressure',
    'a gas path between its cores',
  ]);
  expect(said.has('armour wire')).toBe(false);
});
