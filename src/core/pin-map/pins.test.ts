import fc from 'fast-check';
import {
  FACES,
  faceOf,
  facesDrawing,
  pinsApart,
  planPins,
  readPins,
  templateOf,
  writePins,
  type PinsRequest,
} from '.';

const POSITIONS: PinsRequest['positions'] = [
  { id: '1', xMm: 0, yMm: 6, use: 'power' },
  { id: '2', xMm: 6, yMm: 0, use: 'power' },
  { id: '3', xMm: -6, yMm: 0, use: 'power' },
  { id: 'P1', xMm: 3, yMm: -5, use: 'pilot' },
  { id: 'E', xMm: -3, yMm: -5, use: 'earth', firstToMake: true },
];
const CORES: PinsRequest['cores'] = [
  { name: 'GNYE', use: 'earth' },
  { name: 'BN', use: 'power' },
  { name: 'BK', use: 'power' },
];
const REQUEST: PinsRequest = {
  tag: 'K-151/B',
  sheet: 'a sheet',
  positions: POSITIONS,
  cores: CORES,
  pins: [],
};
const why = (change: Partial<PinsRequest>) => {
  const planned = planPins({ ...REQUEST, ...change });
  return planned.ok ? '' : planned.problems.map((p) => p.message).join('; ');
};

describe('the pin map of an end', () => {
  it('is the insert’s own order where nobody typed one: each core to the next position of its kind', () => {
    const planned = planPins(REQUEST);
    expect(planned.ok && planned.value.map).toEqual([
      { core: 'GNYE', position: 'E' },
      { core: 'BN', position: '1' },
      { core: 'BK', position: '2' },
    ]);
    expect(planned.ok && planned.value.template).toBe(true);
  });
  it.each([
    [{ cores: undefined }, /nobody said what its cores are called/],
    [{ pins: [{ core: 'BN', position: '1' }] }, /say where core GNYE goes; .*say where core BK goes/],
    [
      {
        pins: [
          { core: 'BN', position: 'E' },
          { core: 'BK', position: '1' },
          { core: 'GNYE', position: '2' },
        ],
      },
      /core BN is for power, position E is for earth/,
    ],
    [
      {
        pins: [
          { core: 'BN', position: '9' },
          { core: 'BK', position: '1' },
          { core: 'GNYE', position: 'E' },
        ],
      },
      /no position 9/,
    ],
    [
      {
        pins: [
          { core: 'BN', position: '1' },
          { core: 'BK', position: '1' },
          { core: 'GNYE', position: 'E' },
        ],
      },
      /position 1 has cores BN and BK/,
    ],
    [
      { positions: POSITIONS.map((p) => (p.id === 'E' ? { ...p, firstToMake: false } : p)) },
      /does not make first/,
    ],
    [{ positions: POSITIONS.map(({ firstToMake: _, ...p }) => p) }, /does earth position E make first\?/],
    [
      { positions: POSITIONS.filter((p) => p.id !== '2' && p.id !== '3') },
      /2 power cores and 1 power position: 1 too few/,
    ],
  ] as const)('is refused for %j', (change, words) => expect(why(change)).toMatch(words));

  it('puts no two cores on one position and each on its kind, whatever the cable', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('power' as const, 'earth' as const, 'pilot' as const), { maxLength: 9 }),
        (uses) => {
          const cores = uses.map((use, i) => ({ name: `c${i}`, use }));
          const map = templateOf(POSITIONS, cores);
          expect(new Set(map.map((m) => m.position)).size).toBe(map.length);
          for (const m of map)
            expect(POSITIONS.find((p) => p.id === m.position)?.use).toBe(
              cores.find((c) => c.name === m.core)?.use,
            );
        },
      ),
    );
  });
});

describe('a typed map', () => {
  const PINS = [
    { core: 'BN', position: '1' },
    { core: 'GNYE', position: 'E' },
  ];
  it.each([
    'BN 1, GNYE E',
    'BN 1; GNYE E',
    'BN 1\nGNYE E',
    'core,position\nBN,1\nGNYE,E\n',
    'Colour;Pin\r\nBN;1\r\nGNYE;E\r\n',
    '"BN","1"\n"GNYE","E"',
    'BN=1, GNYE=E',
    'BN\t1\nGNYE\tE',
  ])('is read from %j', (text) => expect(readPins(text)).toEqual({ ok: true, value: PINS }));
  it('comes back as it was written, and says what it cannot read', () => {
    expect(readPins(writePins(PINS))).toEqual({ ok: true, value: PINS });
    expect(readPins('')).toEqual({ ok: true, value: [] });
    const bad = readPins('BN 1, what is this, BK');
    expect(bad.ok ? [] : bad.problems.map((p) => p.value)).toEqual(['what is this', 'BK']);
  });
  it('names every core that lies elsewhere', () => {
    expect(pinsApart(PINS, { BN: '1', GNYE: 'E' })).toBeNull();
    expect(pinsApart(PINS, { BN: 'E', GNYE: '1' })).toBe(
      'BN lies on E, and the pin map says 1; GNYE lies on 1, and the pin map says E',
    );
  });
});

it('draws every core where its face has it: mirrored between front and back, key on top', () => {
  const planned = planPins(REQUEST);
  if (!planned.ok) throw new Error('a map');
  const drawing = facesDrawing(planned.value, 500);
  const dots = drawing.items.filter((i) => i.kind === 'polygon' && i.dimensionId === 'pin.2');
  const middle = (i: number) => {
    const item = dots[i];
    if (item?.kind !== 'polygon') throw new Error('four faces');
    const xs = item.points.map((p) => p.x);
    return (Math.min(...xs) + Math.max(...xs)) / 2 - (i % 2 === 0 ? 121.5 : 378.5);
  };
  expect(dots).toHaveLength(4);
  FACES.forEach((face, i) => {
    const at = faceOf({ positions: POSITIONS }, face).find((p) => p.id === '2')?.xMm ?? 0;
    expect(Math.sign(middle(i))).toBe(Math.sign(at));
  });
  expect(middle(0)).toBeCloseTo(-middle(1), 6);
});
