import { readFileSync } from 'node:fs';
import { finishPacking } from '@/core/circle-packing';
import { checkSleeve, planSleeve, type SleeveRequest } from '@/core/soft-seal';
import { planStubs, taskOf } from '@/core/stub-choice';
import { sealDrawings, setupsOf, sleevesOf, stubsFor, type SleeveSetup, type StubOffer } from '.';

const SLEEVE = JSON.parse(readFileSync('examples/plan/sleeve.json', 'utf8')) as SleeveRequest;
const OFFERS: readonly StubOffer[] = [
  { id: 'S-50', bore: 50, cost: 10 },
  { id: 'S-99', bore: 99, cost: 100 },
];
const answered = (apart: readonly (readonly [string, string])[] = []) => {
  const task = taskOf(stubsFor(SLEEVE, OFFERS, apart, 0));
  if (!task.ok) throw new Error(task.problems[0]?.message);
  return finishPacking(planStubs(task.value), 20, () => performance.now());
};

it('takes the cheapest stubs that hold all, and each is a sleeve that passes its audit', () => {
  // 42 in one of 50; 26 and 17 side by side are 43: two of 10 instead of one of 100.
  const answer = answered();
  expect([answer.status, answer.cost, answer.unplaced]).toEqual(['optimal', 20, []]);
  const sleeves = sleevesOf(SLEEVE, OFFERS, answer);
  expect(sleeves.flatMap((s) => s.request.cables.map((c) => c.tag)).sort()).toEqual([
    'K-211',
    'K-212',
    'K-213',
  ]);
  for (const { request, plan, freeShare } of sleeves) {
    expect(checkSleeve(request, plan.circles)).toEqual([]);
    expect(freeShare).toBeGreaterThan(0);
    // What the planner of one sleeve finds for it closes as well.
    expect(finishPacking(planSleeve(request), 9, () => performance.now()).circles.length).toBeGreaterThan(0);
  }
});

it('keeps circuits apart, and says what goes in nowhere', () => {
  const circuits = ['power', 'signal', 'power'];
  const request = { ...SLEEVE, cables: SLEEVE.cables.map((c, i) => ({ ...c, circuit: circuits[i] ?? '' })) };
  const task = taskOf(stubsFor(request, OFFERS, [['power', 'signal']], 0));
  if (!task.ok) throw new Error('task');
  const answer = finishPacking(planStubs(task.value), 20, () => performance.now());
  expect(answer.stubs.map((s) => s.circles.length).sort()).toEqual([1, 1, 1]);
  const small = taskOf(stubsFor(SLEEVE, [{ id: 'S-40', bore: 40, cost: 1 }], [], 0));
  if (!small.ok) throw new Error('task');
  const none = finishPacking(planStubs(small.value), 20, () => performance.now());
  expect(none.unplaced.map((u) => u.tag)).toContain('K-213');
});

it('makes setups of it in which each cable is once, and what is said of the wall stays', () => {
  const members = SLEEVE.cables.map(({ tag, diameter }) => ({ tag, diameter }));
  const found: SleeveSetup = {
    kind: 'sleeve',
    place: 'wall',
    rating: 'fire 60 minutes',
    members,
    shape: 'circle',
    bore: { min: 99, max: 101 },
    width: undefined,
    height: undefined,
    depth: { min: 100, max: 105 },
    school: 'afterPulling',
  };
  const setups = setupsOf(found, sleevesOf(SLEEVE, OFFERS, answered()));
  expect(setups.map((s) => s.rating)).toEqual(setups.map(() => found.rating));
  expect(setups.flatMap((s) => s.members.map((m) => m.tag)).sort()).toEqual(members.map((m) => m.tag).sort());
  expect(setups.every((s) => s.bore?.min === 50)).toBe(true);
});

it('names every cable by its tag on paper, and by its number only where a list stands beside it', () => {
  const wide: SleeveRequest = {
    ...SLEEVE,
    opening: { kind: 'circle', d: { min: 400, max: 400 }, w: undefined, h: undefined },
  };
  const plan = finishPacking(planSleeve(wide), 9, () => performance.now());
  const texts = (numbered: boolean) =>
    sealDrawings({ of: 'sleeve', request: wide, plan }, numbered).section.items.flatMap((i) =>
      i.kind === 'text' ? [i.text] : [],
    );
  expect(texts(false)).toEqual(expect.arrayContaining(['K-211', 'K-212', 'K-213']));
  expect(texts(true)).not.toContain('K-211');
});
