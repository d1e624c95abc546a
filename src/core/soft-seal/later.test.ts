import { readFileSync } from 'node:fs';
import { finishPacking } from '@/core/circle-packing';
import { seededRandom, validate } from '@/core/kernel';
import {
  addLater,
  checkSleeve,
  checkWrap,
  moveCable,
  openMinutes,
  planSleeve,
  planWrap,
  plugPlanSchema,
  planPlug,
  sealWords,
  settleSleeve,
  settleWrap,
  sleevePlanSchema,
  roundsAnew,
  takeOut,
  withCable,
  wrapLaterSteps,
  wrapPlanSchema,
  type PlugRequest,
  type SleeveRequest,
  type WrapRequest,
} from '.';

const clock = () => performance.now();
const example = (name: string): unknown => JSON.parse(readFileSync(`examples/plan/${name}.json`, 'utf8'));
const SLEEVE = example('sleeve') as SleeveRequest;
const WRAP = example('wrap') as WrapRequest;
const planned = (request: SleeveRequest) => finishPacking(planSleeve(request), 9, clock);
const later = (request: SleeveRequest, tag: string, mm: number) =>
  finishPacking(addLater(request, planned(request), { tag, diameter: { min: mm, max: mm } }), 9, clock);

describe('an arrangement is audited, whoever laid it', () => {
  const good = planned(SLEEVE).circles;
  const [first, second] = good;
  if (!first || !second) throw new Error('the example has cables');
  const at = good.findIndex((c) => c.tag === null);

  it('passes what the engine found', () => expect(checkSleeve(SLEEVE, good)).toEqual([]));

  it.each<[string, typeof good, string]>([
    ['a cable that is left out', good.slice(1), 'lacks a cable'],
    ['a cable that lies there twice', [...good, first], 'lies there twice'],
    ['a cable over the edge', good.map((c, i) => (i === 0 ? { ...c, x: 99 } : c)), 'over the edge'],
    ['one in another', good.map((c, i) => (i === 0 ? { ...c, x: second.x, y: second.y } : c)), 'too near to'],
    ['one by a hundred-thousandth', good.map((c) => ({ ...c, x: c.x * 0.999_99 })), 'too near to'],
    ['a cable made smaller', good.map((c, i) => (i === 0 ? { ...c, d: 1 } : c)), 'has to be FS-12 of 17 mm'],
    ['another sleeve', good.map((c, i) => (i === 0 ? { ...c, part: 'FS-20' } : c)), 'has to be FS-12'],
    [
      'a blank of no sheet',
      good.map((c, i) => (i === at ? { ...c, part: 'BF-99' } : c)),
      'is no blank of the sheet',
    ],
    [
      'a strange cable',
      good.map((c, i) => (i === 0 ? { ...c, tag: 'X' } : c)),
      'is no cable that goes through',
    ],
    ['a place that is none', good.map((c, i) => (i === 0 ? { ...c, x: NaN } : c)), 'nobody knows how far'],
  ])('finds %s', (_, circles, said) => {
    expect(
      checkSleeve(SLEEVE, circles)
        .map((p) => p.message)
        .join('; '),
    ).toContain(said);
  });

  it('finds planted faults in the rounds of a wrap, and bundles that grew larger are figured so', () => {
    const made = finishPacking(planWrap(WRAP), 9, clock);
    expect(checkWrap(WRAP, made.rounds)).toEqual([]);
    expect(settleWrap(WRAP, made.rounds)).toEqual(made);
    const [round, ...rest] = made.rounds;
    if (!round) throw new Error('there are rounds');
    const shifted = (by: number) => ({
      ...round,
      circles: round.circles.map((c, i) => (i === 0 ? { ...c, x: c.x + by, y: c.y + by } : c)),
    });
    expect(checkWrap(WRAP, rest)[0]?.message).toContain('must be power, signal, all');
    expect(checkWrap(WRAP, [{ ...round, circles: round.circles.slice(1) }, ...rest])[0]?.message).toContain(
      'missing',
    );
    const both = [shifted(1), shifted(-1)].map((r) => checkWrap(WRAP, [r, ...rest]));
    expect(both.some((found) => found.some((p) => p.message.includes('near')))).toBe(true);
    const far = settleWrap(WRAP, [
      { ...round, circles: round.circles.map((c) => ({ ...c, x: c.x * 1.5, y: c.y * 1.5 })) },
    ]);
    expect(far.rounds[0]?.diameter.max).toBeGreaterThan(round.diameter.max);
  });
});

it.each([
  ['plug', plugPlanSchema, () => planPlug(example('plug') as PlugRequest)],
  ['sleeve', sleevePlanSchema, () => planned(SLEEVE)],
  ['sleeve that does not close', sleevePlanSchema, () => planned({ ...SLEEVE, faces: 1, cables: [] })],
  ['wrap', wrapPlanSchema, () => finishPacking(planWrap(WRAP), 9, clock)],
  ['blank stub', wrapPlanSchema, () => finishPacking(planWrap({ ...WRAP, bundles: [] }), 9, clock)],
] as const)('keeps a plan of a %s as it is, and none with a word too many', (_, schema, plan) => {
  const made: object = JSON.parse(JSON.stringify(plan())) as object;
  expect(validate(schema as never, made)).toEqual({ ok: true, value: made });
  expect(validate(schema as never, { ...made, steps: [] }).ok).toBe(false);
  expect(
    validate(schema as never, { ...made, findings: [{ verdict: 'holds', case: { code: 'toString' } }] }).ok,
  ).toBe(false);
});

describe('one more cable for a sleeve that is closed', () => {
  it('takes the place of a blank, leaves every other cable where it lies, and names the punch', () => {
    const before = planned(SLEEVE);
    const answer = later(SLEEVE, 'K-214', 9);
    if (answer.kind !== 'into') throw new Error(`expected a place, got ${answer.kind}`);
    expect(answer.gone.length).toBeGreaterThan(0);
    expect(answer.gone.every((c) => c.tag === null)).toBe(true);
    // 9 + 2·3 through a punch of 20.
    expect([answer.place.d, answer.punch?.id]).toEqual([15, 'PN-20']);
    const cables = (circles: typeof before.circles) =>
      circles.filter((c) => c.tag !== null && c.tag !== 'K-214');
    expect(cables(answer.plan.circles)).toEqual(cables(before.circles));
    expect(checkSleeve(answer.request, answer.plan.circles)).toEqual([]);
  });

  it('says no with its number, and how large one may be that would go in', () => {
    const answer = later(SLEEVE, 'K-215', 70);
    if (answer.kind !== 'no') throw new Error(`expected no, got ${answer.kind}`);
    expect(answer.findings.map(sealWords).join('; ')).toMatch(/mm/);
    const most = answer.largestMm ?? 0;
    expect(most).toBeGreaterThan(10);
    // Strips add 12 all across from 20 mm on: what is just small enough has a place, a millimetre more has none.
    const into = (d: number) => later(SLEEVE, 'K-216', d - 12).kind === 'into';
    expect([most, into(most), into(most + 1)]).toEqual([35.2, true, false]);
  });

  it('closes the hole of one that is taken out with blanks, and moves nothing', () => {
    const before = planned(SLEEVE);
    const out = takeOut(SLEEVE, before, 'K-213');
    if (out === null) throw new Error('it lies there');
    expect(out.closes.length).toBeGreaterThan(0);
    expect(out.plan.circles.filter((c) => c.tag !== null).map((c) => c.tag)).toEqual(['K-211', 'K-212']);
    expect(checkSleeve(out.request, out.plan.circles)).toEqual([]);
    expect(takeOut(SLEEVE, before, 'X')).toBeNull();
  });

  it('never claims a place that its own audit refuses, over random openings (seed 5)', () => {
    const random = seededRandom(5);
    let into = 0;
    for (let n = 0; n < 40; n += 1) {
      const cables = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, i) => {
        const mm = 9 + random() * 10;
        return { tag: `C${i}`, diameter: { min: mm, max: mm < 12 ? Math.min(12, mm + 0.2) : mm + 0.2 } };
      });
      const d = 70 + random() * 60;
      const request: SleeveRequest = {
        ...SLEEVE,
        opening: { kind: 'circle', d: { min: d, max: d }, w: undefined, h: undefined },
        sheet: { ...SLEEVE.sheet, maxOpenShare: 1, pullingShare: 1 },
        cables,
        limitSeconds: 0.1,
      };
      const plan = planned(request);
      if (plan.answer === 'refused') continue;
      const answer = finishPacking(
        addLater(request, plan, { tag: 'N', diameter: { min: 15, max: 15.5 } }),
        9,
        clock,
      );
      if (answer.kind === 'no') continue;
      into += answer.kind === 'into' ? 1 : 0;
      expect(checkSleeve(answer.request, answer.plan.circles)).toEqual([]);
      expect(settleSleeve(answer.request, answer.plan.circles)).toEqual(answer.plan);
    }
    expect(into).toBeGreaterThan(10);
  });
});

describe('an opening out of square, and a sealant that sets', () => {
  it('needs more depth and sealant aslant, asks where nobody has said, and refuses what the sheet does not take', () => {
    const square = planned(SLEEVE);
    // 20 / cos 30° at each face: 2·23.094 + 60 of 100.
    const slant = planned({ ...SLEEVE, slantDeg: 30, depth: { min: 107, max: 107 } });
    expect(slant.sealantMm).toBeCloseTo(23.094, 3);
    expect(slant.sealantMl / square.sealantMl).toBeCloseTo(1 / Math.cos(Math.PI / 6), 9);
    expect(slant.answer).toBe('closes');
    expect(planned({ ...SLEEVE, slantDeg: 30 }).answer).toBe('refused');
    expect(planned({ ...SLEEVE, slantDeg: undefined }).answer).toBe('ask');
    expect(planned({ ...SLEEVE, slantDeg: 31, depth: { min: 140, max: 140 } }).answer).toBe('refused');
    expect(
      planned({ ...SLEEVE, slantDeg: 1, sheet: { ...SLEEVE.sheet, maxSlantDeg: undefined } }).answer,
    ).toBe('refused');
  });

  it('counts the shorter of two lines for the open time, and knows nothing beyond the sheet', () => {
    const openTime = [
      { c: 5, minutes: 40 },
      { c: 20, minutes: 25 },
      { c: 30, minutes: 12 },
    ];
    const at = (c: number) => openMinutes({ openTime }, c);
    expect([4.9, 5, 12, 20, 21, 30, 30.1].map(at)).toEqual([null, 40, 25, 25, 12, 12, null]);
    const sheet = { ...SLEEVE.sheet, sealant: { ...SLEEVE.sheet.sealant, openTime } };
    expect(planned({ ...SLEEVE, sheet }).answer).toBe('ask');
    expect(planned({ ...SLEEVE, sheet, tempC: 0 }).answer).toBe('refused');
    expect(planned({ ...SLEEVE, sheet, tempC: 10 }).answer).toBe('closes');
  });
});

describe('a cable that is laid elsewhere by hand', () => {
  const before = planned(SLEEVE);
  const at = (tag: string) => {
    const found = before.circles.find((c) => c.tag === tag);
    if (!found) throw new Error(`${tag} lies there`);
    return found;
  };

  it('stays where it was put, the rest is laid round it, and all of it passes the audit (seed 11)', () => {
    const random = seededRandom(11);
    let laid = 0;
    for (let n = 0; n < 60; n += 1) {
      const { tag } = at(['K-211', 'K-212', 'K-213'][n % 3] ?? '');
      const to = { x: (random() - 0.5) * 90, y: (random() - 0.5) * 90 };
      const moved = moveCable(SLEEVE, before, tag ?? '', to);
      if (!moved.ok) continue;
      laid += 1;
      expect(moved.value.circles.find((c) => c.tag === tag)).toMatchObject(to);
      expect(checkSleeve(SLEEVE, moved.value.circles)).toEqual([]);
    }
    expect(laid).toBeGreaterThan(10);
  });

  it('is refused over the edge with its number, and where the largest finds no place beside it', () => {
    expect(moveCable(SLEEVE, before, 'K-211', { x: 45, y: 0 })).toMatchObject({
      ok: false,
      // 45 + 17/2 of 49.5.
      problems: [{ message: 'K-211 would reach 4 mm over the edge' }],
    });
    const tight: SleeveRequest = {
      ...SLEEVE,
      opening: { kind: 'circle', d: { min: 68, max: 68 }, w: undefined, h: undefined },
    };
    const plan = planned(tight);
    expect(plan.circles.length).toBeGreaterThan(0);
    // 42 and 26 side by side are just 68: the smallest in the middle leaves no room for the largest.
    expect(moveCable(tight, plan, 'K-211', { x: 0, y: 0 })).toMatchObject({
      ok: false,
      problems: [{ message: 'no place was found for K-213 of 42 mm when K-211 lies there' }],
    });
    expect(moveCable(SLEEVE, before, 'X', { x: 0, y: 0 }).ok).toBe(false);
  });
});

it('fills a wide opening with three hundred cables to the end, and all of it passes the audit', () => {
  const cables = Array.from({ length: 300 }, (_, i) => ({
    tag: `C${i}`,
    diameter: { min: 9, max: 9.2 + (i % 5) / 2 },
  }));
  const wide: SleeveRequest = {
    ...SLEEVE,
    opening: { kind: 'circle', d: { min: 480, max: 481 }, w: undefined, h: undefined },
    cables,
  };
  const made = planned(wide);
  expect(made.circles.length).toBeGreaterThan(500);
  // No blank of the sheet has a place any more.
  expect(made.openShare).toBeLessThan(0.3);
  expect(checkSleeve(wide, made.circles)).toEqual([]);
});

describe('one more cable for a wrap that is closed', () => {
  const planOf = (request: WrapRequest) => finishPacking(planWrap(request), 9, clock);
  const before = planOf(WRAP);
  const cable = { tag: 'K-999', diameter: { min: 9, max: 9.2 } };

  it('in a bundle of its own leaves the others untouched, and cuts its strip and the one round all anew', () => {
    const grown = withCable(WRAP, cable, 'extra');
    const after = planOf(grown);
    expect(roundsAnew(before, after).map((r) => r.id)).toEqual(['extra', 'all']);
    const steps = wrapLaterSteps(before, after);
    const at = (id: string) => steps.findIndex((s) => s.id === id);
    expect(at('later.off')).toBeLessThan(at('later.in'));
    expect(at('later.in')).toBeLessThan(at('later.all'));
    expect(at('later.tie')).toBe(steps.length - 1);
    // One of 9.2 and a strip of 8 that meets round it.
    expect(steps[at('later.in')]?.list).toEqual([`extra, layer 1: cut ${Math.round(Math.PI * 17.2)} mm`]);
  });

  it('in a bundle that is there has that one laid anew, whatever its strip comes to', () => {
    const [first] = WRAP.bundles;
    const after = planOf(withCable(WRAP, cable, first?.id ?? ''));
    expect(roundsAnew(before, after).map((r) => r.id)).toContain(first?.id);
    expect(roundsAnew(before, before)).toEqual([]);
  });
});
