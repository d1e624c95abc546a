import { drive, seededRandom, type Solve } from '@/core/kernel';
import {
  checkFramePlan,
  planFrames,
  readFrameRequest,
  type FramePlan,
  type FrameRequest,
} from '@/core/frame-packing';
import { DEMO_FRAMES, DEMO_MODULES } from '@/core/testing/demo-frames';
import { loadSolver } from './highs';

let solver: Solve;
beforeAll(async () => {
  solver = await loadSolver();
});

function crossing(cables: number, seed: number): FrameRequest {
  const random = seededRandom(seed);
  return {
    cables: Array.from({ length: cables }, (_, i) => {
      const middle = 6 + 44 * random() ** 2.2;
      return {
        tag: `W-${i}`,
        diameter: { min: Number((middle - 0.2).toFixed(2)), max: Number((middle + 0.2).toFixed(2)) },
        circuit: ['power', 'control', 'signal'][i % 3] ?? 'power',
        front: i,
      };
    }),
    modules: [...DEMO_MODULES],
    frames: [...DEMO_FRAMES],
    apart: [{ circuits: ['power', 'signal'], by: 'row' }],
    spare: { share: 0.2 },
  };
}
const plan = (request: FrameRequest): FramePlan => drive(planFrames(request), solver);
const problems = (json: unknown): string[] => {
  const read = readFrameRequest(json);
  return read.ok ? [] : read.problems.map((p) => p.path);
};
const first = crossing(8, 3);
const openings = (change: (o: FrameRequest['frames'][number]['openings'][number]) => object) =>
  first.frames.map((f) => ({ ...f, openings: f.openings.map((o) => ({ ...o, ...change(o) })) }));

describe('what cannot be read', () => {
  it.each([
    ['no modules', { ...first, modules: [] }, 'modules'],
    [
      'an inverted bore',
      { ...first, modules: [{ ...first.modules[0], bore: { min: 9, max: 3 } }] },
      'modules[0].bore.max',
    ],
    [
      'an opening without height',
      { ...first, frames: openings(() => ({ height: 0 })) },
      'frames[0].openings[0].height',
    ],
    [
      'a circuit apart from itself',
      { ...first, apart: [{ circuits: ['x', 'x'], by: 'row' }] },
      'apart[0].circuits',
    ],
    ['a tag twice', { ...first, cables: [first.cables[0], first.cables[0]] }, 'cables[1].tag'],
    ['no frames', { ...first, frames: [] }, 'frames'],
  ])('%s is named', (_, json, path) => expect(problems(json)).toContain(path));
});

describe('what can be read and not be built', () => {
  it('names every cable when no module divides the width', () => {
    const made = plan({ ...first, frames: openings(() => ({ width: 145 })) });
    expect([made.cost, made.unplaced.length]).toEqual([0, 8]);
    expect(made.unplaced[0]?.reason).toContain('which no offered frame has a place for');
  });

  it('names a cable that is too thick for every module, and plans the rest', () => {
    const thick = { tag: 'THICK', diameter: { min: 200, max: 201 } };
    const request = { ...first, cables: [...first.cables, thick] };
    const made = plan(request);
    expect(made.unplaced).toEqual([
      { tag: 'THICK', reason: '200–201 mm is thicker than every module takes (up to 108 mm)' },
    ]);
    expect(made.status).toBe('optimal');
    expect(checkFramePlan(request, made)).toEqual({ ok: true, value: null });
  });

  it('says infeasible when the frames that are there do not suffice', () => {
    const [small] = DEMO_FRAMES;
    if (!small) throw new Error('no frames');
    const made = plan({ ...crossing(60, 4), frames: [{ ...small, available: 1 }] });
    expect(made).toMatchObject({ status: 'infeasible', cost: null, bound: null, frames: [] });
  });
});

describe('large crossings', () => {
  it('gives the same answer every time', () => {
    const request = crossing(70, 9);
    expect(JSON.stringify(plan(request))).toBe(JSON.stringify(plan(request)));
  });

  it('answers five thousand cables with a gap of a few per cent', () => {
    const request = crossing(5000, 5);
    const made = plan(request);
    expect(checkFramePlan(request, made)).toEqual({ ok: true, value: null });
    expect(made.bound).not.toBeNull();
    expect(((made.cost ?? 0) - (made.bound ?? 0)) / (made.cost ?? 1)).toBeLessThan(0.05);
  });
});

describe('second measurings among frames of one cost', () => {
  /** Twelve cables that must be measured again in a module of 20 mm and not in one of 24, and seven frames that take 20 beside one that takes 24, which comes last. */
  const request = (spoilt: number): FrameRequest => ({
    cables: Array.from({ length: 12 }, (_, i) => ({ tag: `W-${i}`, diameter: { min: 10.05, max: 10.25 } })),
    modules: [
      // 10.05 − 6 leaves 0.05–0.25 after four layers, 1.05–1.25 after three: neither lies within.
      { id: 'M20', size: 20, bore: { min: 6, max: 14 }, layer: 1, gap: { min: 0.2, max: 0.9 } },
      { id: 'M24', size: 24, bore: { min: 6.5, max: 14 }, layer: 1, gap: { min: 0.2, max: 0.9 } },
    ],
    frames: Array.from({ length: 8 }, (_, i) => ({
      id: `F${i}`,
      cost: 10,
      openings: [
        {
          width: i === 0 ? 96 : 80,
          height: i === 0 ? 74 + 30 : 62 + 30 + i * 0.1,
          plate: 1,
          plateAgainstPress: true,
          press: { min: 28, max: 34, at: ['top' as const] },
          fillers: [],
        },
      ],
    })).slice(spoilt),
    apart: [],
    spare: { share: 0 },
  });

  it('looks at all of them before it calls a number the fewest', () => {
    const best = plan(request(0));
    expect([best.cost, best.frames.map((f) => f.frame)]).toEqual([10, ['F0']]);
    expect(best.remeasure).toEqual({ places: 0, atLeast: 0 });
    const without = plan(request(1));
    expect([without.cost, without.remeasure]).toEqual([10, { places: 12, atLeast: 12 }]);
  });
});
