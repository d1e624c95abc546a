import { MEASURING } from '@/core/testing';
import { ok } from '@/core/kernel';
import { asHeld, decide, type BenchAct } from '@/core/record';
import type { FramePlan, FrameRequest } from '@/core/frame-packing';
import { planReentry } from '@/core/frame-packing';
import { buildingSteps, placeWords, reentrySteps } from '.';

const REQUEST: FrameRequest = {
  cables: [
    { tag: 'W-1', diameter: { min: 12.3, max: 12.5 } },
    { tag: 'W-2', diameter: { min: 30.3, max: 30.9 } },
  ],
  modules: [
    { id: 'M24', size: 24, bore: { min: 8, max: 17.5 }, layer: 1, gap: { min: 0.2, max: 0.9 } },
    { id: 'M48', size: 48, bore: { min: 23, max: 37.5 }, layer: 1.1, gap: { min: 0.2, max: 0.9 } },
  ],
  frames: [
    {
      id: 'F',
      cost: 10,
      openings: [
        {
          width: 48,
          height: 108,
          plate: 1,
          plateAgainstPress: true,
          plateId: 'PL-9',
          press: {
            min: 28,
            max: 36,
            at: ['top'],
            id: 'PU-9',
            bolts: { count: 2, incrementMm: 1, maxTorqueNm: 18 },
          },
          fillers: [],
        },
      ],
    },
  ],
  apart: [],
  spare: { share: 0 },
  lubricant: { id: 'LB-9', moduleMl: 1, openingMl: 5 },
};
const PLAN: FramePlan = {
  status: 'optimal',
  cost: 10,
  bound: 10,
  frames: [
    {
      frame: 'F',
      openings: [
        {
          press: 'top',
          closure: 34,
          rows: [
            {
              height: 48,
              places: [
                {
                  module: 'M48',
                  x: 0,
                  y: 0,
                  cable: 'W-2',
                  peel: [3, 3],
                  gap: { min: 0.7, max: 1.3 },
                  remeasure: true,
                },
              ],
            },
            {
              height: 24,
              places: [
                { module: 'M24', x: 24, y: 49 },
                { module: 'M24', x: 0, y: 49, cable: 'W-1', peel: [2, 2], gap: { min: 0.3, max: 0.5 } },
              ],
            },
          ],
          fillers: [],
        },
      ],
    },
  ],
  unplaced: [],
  crossings: { front: 0, back: 0 },
  parts: [],
};
const PLACE = { name: 'the deck', rating: 'fire 60 minutes, water' };

describe('buildingSteps', () => {
  const steps = buildingSteps(REQUEST, PLAN, PLACE);
  const step = (id: string) => {
    const found = steps.find((s) => s.id === id);
    if (!found) throw new Error(`no step ${id}`);
    return found;
  };

  it('goes from the farthest row to the press unit and ends with a signature', () => {
    expect(steps.map((s) => s.id)).toEqual([
      'safe',
      'rating',
      'parts',
      'clean',
      'lubricate.1A',
      'row.1A.1',
      'row.1A.2',
      'press.1A',
      'bolts.1A',
      'sign',
    ]);
  });

  it('says place by place, from the left, what is peeled and what gap is left', () => {
    expect(step('row.1A.2').list).toEqual([
      'M24, W-1: peel 2 + 2, gap 0.3 to 0.5 mm',
      'M24, spare: the core stays in',
    ]);
  });

  it('holds at a row whose cable must be measured again', () => {
    expect([step('row.1A.1').kind, step('row.1A.2').kind]).toEqual(['hold', 'confirm']);
    expect(step('row.1A.1').checks).toContain('Measured again: W-2');
    expect(placeWords({ module: 'M48', x: 0, y: 0, cable: 'W-2', peel: [1, 0], noPeel: true })).toContain(
      'measure again before peeling',
    );
  });

  it('turns the bolts alternately, no one more than a step ahead, as far as the press unit travels', () => {
    // 36 − 34 = 2 mm of travel in steps of 1 mm
    expect(step('bolts.1A').list).toEqual([
      'Bolt 1 to 1 mm',
      'Bolt 2 to 1 mm',
      'Bolt 1 to 2 mm',
      'Bolt 2 to 2 mm',
    ]);
  });

  it('counts a plate for every row, press unit and lubricant among the parts', () => {
    expect(step('parts').list).toEqual(
      expect.arrayContaining([
        '1 × frame F',
        '2 × module M24',
        '2 × plate PL-9',
        '1 × press unit PU-9',
        '10 mL lubricant LB-9',
      ]),
    );
  });

  it('opens a frame that came filled only down to the farthest row with a cable', () => {
    const filled = { ...PLACE, school: 'preFilled' as const };
    const ids = (plan: FramePlan) => buildingSteps(REQUEST, plan, filled).map((s) => s.id);
    expect(ids(PLAN)).toEqual(
      steps.map((s) => s.id).flatMap((id) => (id === 'lubricate.1A' ? ['unfill.1A', id] : [id])),
    );
    const bare = (rows: readonly number[]): FramePlan => ({
      ...PLAN,
      frames: PLAN.frames.map((f) => ({
        ...f,
        openings: f.openings.map((o) => ({
          ...o,
          rows: o.rows.map((row, r) =>
            rows.includes(r)
              ? { ...row, places: row.places.map(({ module: id, x, y }) => ({ module: id, x, y })) }
              : row,
          ),
        })),
      })),
    });
    expect(ids(bare([0]))).not.toContain('row.1A.1');
    expect(ids(bare([0]))).toContain('row.1A.2');
    const unfill = buildingSteps(REQUEST, bare([0]), filled).find((s) => s.id === 'unfill.1A');
    expect(unfill?.title).toBe('Opening 1A: press unit out, 1 of 2 rows out');
    expect(unfill?.detail).toContain('Row 1 carries no cable and stays shut');
    // A row without a cable between the press unit and one that has: it comes out all the same.
    expect(ids(bare([1]))).toContain('row.1A.2');
    expect(ids(bare([0, 1])).filter((id) => id.includes('1A'))).toEqual(['unfill.1A']);
  });

  it('asks for the gap and for the room of the press unit as they are measured', () => {
    expect(step('press.1A').accepts).toMatchObject([{ key: 'room', min: 28, max: 36 }]);
    expect(step('row.1A.2').accepts).toMatchObject([{ min: 0.2, max: 0.9 }]);
    expect(step('clean').accepts).toBeUndefined();
  });

  it('says nothing of bolts, torque, part numbers or lubricant that no sheet gives', () => {
    const bare = structuredClone(REQUEST);
    bare.lubricant = undefined;
    for (const o of bare.frames[0]?.openings ?? []) {
      o.plateId = undefined;
      o.press = { min: o.press.min, max: o.press.max, at: o.press.at };
    }
    const steps = buildingSteps(bare, PLAN, { name: 'wall', rating: '' });
    const of = (id: string) => steps.find((s) => s.id === id);
    expect(of('bolts.1A')?.list).toEqual([]);
    expect(of('bolts.1A')?.detail).not.toContain('N·m');
    expect(step('bolts.1A').detail).toContain('(18 N·m)');
    expect(of('parts')?.list).toEqual(
      expect.arrayContaining(['2 × plate 48 × 1 mm', '1 × press unit 48 mm wide, top']),
    );
    expect(of('parts')?.list?.join()).not.toContain('lubricant');
  });

  it('asks for the work again from a row that has changed, and not before', () => {
    const other = structuredClone(PLAN) as unknown as {
      frames: { openings: { rows: { places: { cable?: string }[] }[] }[] }[];
    };
    const row = other.frames[0]?.openings[0]?.rows[1];
    if (row?.places[0]) row.places[0].cable = 'W-9';
    const changed = buildingSteps(REQUEST, other as unknown as FramePlan, PLACE);
    const moved = steps.filter((s, i) => s.fingerprint !== changed[i]?.fingerprint).map((s) => s.id);
    expect(moved).toEqual(['row.1A.2', 'press.1A', 'bolts.1A', 'sign']);
  });

  it('asks which rating the wall has when nobody has said', () => {
    const unknown = buildingSteps(REQUEST, PLAN, { name: 'x', rating: ' ' })[1];
    expect(unknown?.detail).toContain('ask before anything is built');
    expect(unknown?.blockedBy).toMatch(/nobody has said/);
    const known = step('rating');
    expect(known.blockedBy).toBeUndefined();
    // Another rating is to be looked at again; what was recorded before ratings counted stays done.
    const other = buildingSteps(REQUEST, PLAN, { ...PLACE, rating: 'fire 120 minutes' })[1];
    expect(other?.fingerprint).not.toBe(known.fingerprint);
    expect(other?.formerly).toBe(known.formerly);
  });

  it('lets no row pass unmeasured whose cable fits no count of layers for certain', () => {
    const doubtful = structuredClone(PLAN) as unknown as {
      frames: {
        openings: { rows: { places: { cable?: string; remeasure?: boolean; noPeel?: boolean }[] }[] }[];
      }[];
    };
    const place = doubtful.frames[0]?.openings[0]?.rows[1]?.places.find((p) => p.cable !== undefined);
    if (!place) throw new Error('no cable in the second row');
    Object.assign(place, { remeasure: true, noPeel: true });
    const made = buildingSteps(REQUEST, doubtful as unknown as FramePlan, PLACE);
    const row = made.find((s) => s.id === 'row.1A.2');
    if (!row) throw new Error('no row');
    const key = `gap.${place.cable ?? ''}`;
    expect(row.accepts?.find((a) => a.key === key)).toMatchObject({
      min: 0.2,
      max: 0.9,
      needed: expect.stringMatching(/no count of layers fits/) as unknown,
    });
    const acts: BenchAct[] = made.slice(0, made.indexOf(row)).map((s) => ({
      stepId: s.id,
      kind: 'confirm',
      fingerprint: s.fingerprint,
      decision: null,
      actor: 'fitter',
      person: null,
      at: '',
      mix: null,
      tempC: null,
      redo: [],
    }));
    const ask = (measured: Record<string, number>) =>
      decide(
        {
          steps: made,
          acts,
          stale: false,
          provisional: [],
          secondPerson: false,
          measuring: MEASURING,
          rules: {
            confirm: () => ok({ waste: null }),
            temperature: () => ok(null),
            recut: ok,
            test: () => ok(null),
          },
        },
        { ...asHeld(row), measured },
        { id: null, name: 'fitter' },
        '2026-11-10T08:00:00.000Z',
      );
    const [refused, tight, passes] = [ask({}), ask({ [key]: 0.1 }), ask({ [key]: 0.5 })];
    expect(refused.ok ? '' : refused.problems[0]?.message).toMatch(
      /has to be measured: .*no count of layers fits/,
    );
    expect(tight.ok ? '' : tight.problems[0]?.message).toMatch(/0.1 mm too little/);
    expect(passes.ok).toBe(true);
  });

  it('asks for the revision in hand and warns of what its sheet warns of', () => {
    const sheet = { code: 'TF', revision: 'B' };
    const made = buildingSteps({ ...REQUEST, sheet }, PLAN, { ...PLACE, cautions: ['Rubber creeps.'] });
    const hold = made.find((s) => s.id === 'rating');
    expect(hold?.checks).toContain('Sheet TF in hand is revision B');
    expect(hold?.list).toEqual(['Rubber creeps.']);
    expect(step('rating').checks).toContain('Sheet in the revision in hand');
  });

  it('has nothing to lead through without a frame', () => {
    expect(buildingSteps(REQUEST, { ...PLAN, frames: [] }, PLACE)).toEqual([]);
  });
});

describe('reentrySteps', () => {
  const made = planReentry(REQUEST, PLAN, [{ tag: 'W-3', diameter: { min: 11.3, max: 11.5 } }]);
  if (!made.ok) throw new Error('re-entry');

  it('opens only down to the spare and builds up again', () => {
    expect(reentrySteps(REQUEST, PLAN, made.value, PLACE).map((s) => s.id)).toEqual([
      'safe',
      'rating',
      'open.1A',
      'out.1A',
      'lubricate.1A',
      'row.1A.2',
      'press.1A',
      'bolts.1A',
      'sign',
    ]);
  });

  it('knows both schools of the press unit', () => {
    expect(reentrySteps(REQUEST, PLAN, made.value, PLACE, 'loosened')[2]?.title).toContain('loosened');
    expect(reentrySteps(REQUEST, PLAN, made.value, PLACE)[2]?.title).toContain('out');
  });
});
