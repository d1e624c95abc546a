import { checkFramePlan } from '../audit/check';
import type { FramePlan } from '../model/frame-plan';
import type { FrameRequest } from '../model/frame-request';
import { besideIn, keptFrames, placesThatStay } from './locks';
import { placeAt, placesOf, restatePlan } from './restate';
import { lockedPlan, lockedRequest } from '../testing/locked-case';

/** What stays in each row when these cables are locked: tags, `-` for a spare. */
function stays(request: FrameRequest, plan: FramePlan, ...tags: string[]): string[] {
  const locked = placesOf(plan.frames).flatMap(({ ref, place }) =>
    tags.includes(place.cable ?? '') ? [ref] : [],
  );
  const rows = new Map<number, string[]>();
  for (const ref of placesThatStay(request, plan, locked))
    rows.set(ref.row, [...(rows.get(ref.row) ?? []), placeAt(plan, ref)?.cable ?? '-']);
  return [...rows].map(([row, held]) => `${row}: ${held.join(' ')}`);
}

const circuits = (request: FrameRequest, of: Readonly<Record<string, string>>): FrameRequest => ({
  ...request,
  cables: request.cables.map((c) => (of[c.tag] === undefined ? c : { ...c, circuit: of[c.tag] })),
});

it('starts from a plan that nothing is wrong with', () => {
  const request = lockedRequest();
  expect(checkFramePlan(request, lockedPlan(request)).ok).toBe(true);
});

it('keeps a locked place alone, in a large module and among small ones that fill a block together', () => {
  const request = lockedRequest();
  const plan = lockedPlan(request);
  expect(stays(request, plan, 'BIG')).toEqual(['0: BIG']);
  expect(stays(request, plan, 'A')).toEqual(['0: A']);
  expect(stays(request, plan, 'E')).toEqual(['1: E']);
  expect(stays(request, plan, 'BIG', 'D', 'E')).toEqual(['0: BIG', '1: D E']);
  expect(stays(request, plan)).toEqual([]);
  const [frame] = keptFrames(request, plan, [{ frame: 0, opening: 0, row: 0, place: 1 }]);
  expect(frame?.openings[0]).toMatchObject({
    whole: false,
    rows: [
      { free: [0], loose: [{ size: 24_000, places: [{ cable: 'B' }, { x: 48, y: 24 }, { cable: 'C' }] }] },
    ],
  });
});

it('keeps the block where it is open which of two circuits kept apart by row comes into the row', () => {
  const request = circuits(
    { ...lockedRequest(), apart: [{ circuits: ['power', 'signal'], by: 'row' }] },
    { D: 'power', E: 'lighting' },
  );
  const plan = lockedPlan(request);
  // The block of A and the one of BIG are two parts: power could come into one and signal into the other.
  expect(stays(request, plan, 'A')).toEqual(['0: A B - C']);
  const free = (tag: string, of: FrameRequest) => {
    const made = lockedPlan(of);
    const locked = placesOf(made.frames).flatMap(({ ref, place }) => (place.cable === tag ? [ref] : []));
    return keptFrames(of, made, locked).flatMap((f) =>
      f.openings.flatMap((o) => o.rows.map((r) => besideIn(of, r))),
    );
  };
  expect(free('D', request)).toEqual([['power']]);
  // With power in the row no signal comes into either part.
  const power = circuits(request, { A: 'power' });
  expect(stays(power, lockedPlan(power), 'A')).toEqual(['0: A']);
  expect(stays(request, plan, 'D')).toEqual(['1: D']);
  expect(stays(request, plan, 'E')).toEqual(['1: E']);
});

it('keeps whole rows where circuits are kept apart by opening, and all rows for one of theirs', () => {
  const request = circuits(
    { ...lockedRequest(), apart: [{ circuits: ['power', 'signal'], by: 'opening' }] },
    { D: 'power' },
  );
  const plan = lockedPlan(request);
  expect(stays(request, plan, 'A')).toEqual(['0: BIG A B - C']);
  expect(stays(request, plan, 'E')).toEqual(['0: BIG A B - C', '1: D E - -']);
});

describe('in a rounded opening', () => {
  /** A corner row as high as its corner module, then the row of 24 mm: 48 + 24 + 2 plates. */
  const rounded = (corner: number) => {
    const plain = lockedRequest();
    const [frame] = plain.frames;
    const [opening] = frame?.openings ?? [];
    if (!frame || !opening) throw new Error('frame');
    const [m24, m48] = plain.modules;
    if (!m24 || !m48) throw new Error('modules');
    const request: FrameRequest = {
      ...plain,
      modules: [m24, ...(corner === 24 ? [m48] : []), { ...m24, id: 'C', size: corner, corner: true }],
      frames: [{ ...frame, openings: [{ ...opening, cornerModule: 'C' }] }],
    };
    const before = lockedPlan(plain);
    const made = before.frames[0]?.openings[0];
    if (!made) throw new Error('opening');
    const side = corner === 24 ? [24, 48] : [];
    const top = {
      height: corner,
      places: [
        { module: 'C', x: 0, y: 0, cable: 'A' },
        ...side.map((x) => ({ module: 'M24', x, y: 0, ...(x === 24 ? { cable: 'B' } : {}) })),
        { module: 'C', x: 96 - corner, y: 0, cable: 'C' },
      ],
    };
    const second = made.rows[1];
    if (!second) throw new Error('row');
    const frames = [
      {
        frame: 'F',
        openings: [
          {
            ...made,
            rows: [
              top,
              {
                ...second,
                places: second.places.map((p) => ({ ...p, y: corner + 1 })),
              },
            ],
          },
        ],
      },
    ];
    return { request, plan: restatePlan(request, before, frames) };
  };

  it('keeps the corners and the heights of all rows', () => {
    const { request, plan } = rounded(24);
    expect(stays(request, plan, 'E')).toEqual(['0: A C', '1: E']);
    expect(stays(request, plan, 'B')).toEqual(['0: A C B']);
    const [frame] = keptFrames(request, plan, [{ frame: 0, opening: 0, row: 1, place: 1 }]);
    expect(frame?.openings[0]).toMatchObject({
      whole: true,
      rows: [{ free: [0, 1] }, { free: [0, 2, 3] }],
    });
  });

  it('keeps the blocks of a corner row that is as high as no plain module', () => {
    const { request, plan } = rounded(48);
    expect(plan.frames[0]?.openings[0]?.rows[0]?.height).toBe(48);
    expect(stays(request, plan, 'E')).toEqual(['0: A C', '1: E']);
    const low = { ...request, modules: request.modules.filter((m) => m.id !== 'M48') };
    expect(keptFrames(low, plan, [{ frame: 0, opening: 0, row: 1, place: 1 }])[0]?.openings[0]).toMatchObject(
      {
        rows: [{ free: [] }, { free: [0, 2, 3] }],
      },
    );
  });
});
