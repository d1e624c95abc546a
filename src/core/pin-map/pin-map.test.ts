import { seededRandom } from '@/core/kernel';
import {
  CAP_ACTS,
  CAP_UNKNOWN,
  capStep,
  differences,
  faceOf,
  FACES,
  insertSchema,
  mirror,
  pinMapWords,
  planLiveCap,
  planPinMap,
  type CapState,
  type PinMapEnd,
} from './index';

const POSITIONS = [
  { id: '1', xMm: -9, yMm: 6, use: 'power' as const },
  { id: '2', xMm: 9, yMm: 6, use: 'power' as const },
  { id: '3', xMm: 0, yMm: -8, use: 'power' as const },
  { id: 'E', xMm: 0, yMm: 9, use: 'earth' as const, firstToMake: true },
  { id: 'P', xMm: 0, yMm: 0, use: 'pilot' as const },
];
const INSERT = { code: 'T-4', sheet: 'sheet 1', positions: POSITIONS };
const CORES = [
  { name: 'brown', use: 'power' as const },
  { name: 'black', use: 'power' as const },
  { name: 'grey', use: 'power' as const },
  { name: 'green-yellow', use: 'earth' as const },
];
const end = (tag: string, map: Readonly<Record<string, string>>): PinMapEnd => ({
  tag,
  insert: INSERT,
  cores: CORES,
  map: Object.entries(map).map(([core, position]) => ({ core, position })),
});
const RIGHT = { brown: '1', black: '2', grey: '3', 'green-yellow': 'E' };
const said = (one: PinMapEnd, other?: PinMapEnd) => {
  const plan = planPinMap({ end: one, other });
  return { answer: plan.answer, words: plan.findings.map(pinMapWords) };
};

describe('faces', () => {
  it('lie as they are held: left and right change from behind, and again on the half that mates', () => {
    const xOf = (face: (typeof FACES)[number]) => faceOf(INSERT, face).map((p) => p.xMm);
    expect(xOf('pinsFront')).toEqual([-9, 9, 0, 0, 0]);
    expect(xOf('pinsBack')).toEqual([9, -9, 0, 0, 0]);
    // Pin 1 meets socket 1: seen from its own mating face the socket lies on the other side.
    expect(xOf('socketsFront')).toEqual([9, -9, 0, 0, 0]);
    expect(xOf('socketsBack')).toEqual([-9, 9, 0, 0, 0]);
    for (const face of FACES) expect(faceOf(INSERT, face).map((p) => p.yMm)).toEqual([6, 6, -8, 9, 0]);
  });

  it('mirrored twice are what they were', () => {
    expect(mirror(mirror(POSITIONS))).toEqual(POSITIONS);
  });
});

describe('a pin map', () => {
  it('holds when every core has its position and the other end agrees; alone it asks for the other', () => {
    expect(said(end('A', RIGHT), end('B', RIGHT))).toEqual({
      answer: 'holds',
      words: [
        'A: all 4 cores have their position, 1 is spare',
        'B: all 4 cores have their position, 1 is spare',
        'A and B agree in all 4 cores',
      ],
    });
    expect(said(end('A', RIGHT)).answer).toBe('ask');
  });

  it('refuses a swap of phases and names both ends', () => {
    const { answer, words } = said(end('A', RIGHT), end('B', { ...RIGHT, black: '3', grey: '2' }));
    expect(answer).toBe('fails');
    expect(words).toContain('core black is at 2 of A and at 3 of B');
    expect(words).toContain('core grey is at 3 of A and at 2 of B');
  });

  it.each<[string, Partial<PinMapEnd>, RegExp, string]>([
    ['nothing yet', { map: [] }, /say where core brown goes/, 'ask'],
    ['a core that is not there', { map: [{ core: 'blue', position: '1' }] }, /no core blue/, 'fails'],
    ['a position that is not there', { map: [{ core: 'brown', position: '9' }] }, /no position 9/, 'fails'],
    [
      'a core at two',
      { map: [...end('', RIGHT).map, { core: 'brown', position: 'P' }] },
      /core brown stands at 1 and P/,
      'fails',
    ],
    [
      'two at one',
      {
        map: [
          { core: 'brown', position: '1' },
          { core: 'black', position: '1' },
        ],
      },
      /position 1 has cores brown and black/,
      'fails',
    ],
    [
      'the earth on a phase',
      { map: [{ core: 'green-yellow', position: '1' }] },
      /green-yellow is for earth, position 1 is for power/,
      'fails',
    ],
    [
      'a phase on the earth',
      { map: [{ core: 'brown', position: 'E' }] },
      /brown is for power, position E is for earth/,
      'fails',
    ],
    [
      'two cores of one name',
      { cores: [...CORES, { name: 'brown', use: 'pilot' }] },
      /two cores are called brown/,
      'fails',
    ],
    [
      'more cores than positions',
      { cores: [...CORES, { name: 'red', use: 'power' }] },
      /4 power cores and 3 power positions: 1 too few/,
      'fails',
    ],
    [
      'no earth',
      { insert: { ...INSERT, positions: POSITIONS.slice(0, 3) } },
      /has no earth position/,
      'fails',
    ],
    [
      'an earth that is later',
      { insert: { ...INSERT, positions: POSITIONS.map((p) => ({ ...p, firstToMake: false })) } },
      /does not make first/,
      'fails',
    ],
    [
      'an earth of which nobody says',
      { insert: { ...INSERT, positions: POSITIONS.map(({ id, xMm, yMm, use }) => ({ id, xMm, yMm, use })) } },
      /does earth position E make first/,
      'ask',
    ],
  ])('with %s never holds', (_, change, words, answer) => {
    const made = said({ ...end('A', RIGHT), ...change }, end('B', RIGHT));
    expect(made.words.join('\n')).toMatch(words);
    expect(made.answer === 'holds').toBe(false);
    if (answer === 'ask' && change.map === undefined) expect(made.answer).toBe('ask');
  });

  it('finds the same cores apart whichever end is asked first, in 300 maps at random', () => {
    const random = seededRandom(11);
    const any = (tag: string) =>
      end(
        tag,
        Object.fromEntries(
          CORES.filter(() => random() < 0.8).map((c) => [
            c.name,
            POSITIONS[Math.floor(random() * 5)]?.id ?? '1',
          ]),
        ),
      );
    const cores = (a: PinMapEnd, b: PinMapEnd) =>
      differences(a, b).map((f) => ('core' in f.case ? f.case.core : ''));
    for (let i = 0; i < 300; i += 1) {
      const [a, b] = [any('A'), any('B')];
      expect(cores(a, b)).toEqual(cores(b, a));
      expect(differences(a, a)).toEqual([]);
    }
  });

  it('takes no insert that numbers a position twice or lays two on one another', () => {
    const valid = (positions: unknown) => insertSchema.isValidSync({ ...INSERT, positions });
    expect(valid(POSITIONS)).toBe(true);
    expect(valid([...POSITIONS, { ...POSITIONS[0], xMm: 30 }])).toBe(false);
    expect(valid([...POSITIONS, { ...POSITIONS[0], id: '9' }])).toBe(false);
    for (const bad of [[], null, 'x', [null], [{}]]) expect(valid(bad)).toBe(false);
  });
});

describe('the live cap', () => {
  it('over all sequences of up to eight acts is never opened or mated without proof of dead, nor energised open or loose', () => {
    // What was proved, kept apart from the machine: dead since the last time that it could be live.
    interface At {
      readonly state: CapState;
      readonly proved: number;
    }
    let level = new Map<string, At>([['', { state: CAP_UNKNOWN, proved: 0 }]]);
    let tried = 0;
    for (let depth = 0; depth < 8; depth += 1) {
      const next = new Map<string, At>();
      for (const { state, proved } of level.values())
        for (const act of CAP_ACTS) {
          const made = capStep(state, act);
          tried += 1;
          if (!made.ok) continue;
          const order = ['isolate', 'lock', 'proveDead'] as const;
          const now =
            act === order[proved as 0] ? proved + 1 : act === 'unlock' ? 1 : act === 'energise' ? 0 : proved;
          if (act === 'capOff' || act === 'mate' || act === 'unmate') expect(proved).toBe(3);
          if (act === 'energise') expect(['tight', 'mated']).toContain(state.front);
          if (made.value.front === 'open') expect(made.value.power).not.toBe('live');
          next.set(JSON.stringify([made.value, now]), { state: made.value, proved: now });
        }
      level = next;
    }
    expect(tried).toBeGreaterThan(300);
  });

  it('goes the whole way: dead, open, mated, live again; and says what stands against each short cut', () => {
    const log = (...acts: readonly (typeof CAP_ACTS)[number][]) =>
      planLiveCap({
        tag: 'S',
        log: acts.map((act, i) => ({ act, by: 'fitter', at: `2026-11-24T07:0${i}:00Z` })),
      });
    expect(log('isolate', 'lock', 'proveDead', 'capOff', 'mate', 'unlock', 'energise')).toMatchObject({
      power: 'live',
      front: 'mated',
      refused: null,
    });
    expect(log()).toMatchObject({ power: 'live', mayMate: false, mayEnergise: false });
    expect(log('isolate', 'lock', 'capOff').refused?.why).toMatch(/prove it dead first/);
  });

  it('takes an entry that is older than the one above it for none, and what follows as unknown', () => {
    const made = planLiveCap({
      tag: 'S',
      log: [
        { act: 'isolate', by: 'x', at: '2026-11-24T08:00:00Z' },
        { act: 'lock', by: 'x', at: '2026-11-24T07:59:59Z' },
      ],
    });
    expect(made).toMatchObject({ power: 'live', mayMate: false, refused: { entry: 2 } });
  });
});
