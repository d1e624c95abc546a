import { randomUUID } from 'node:crypto';
import { finishPacking } from '@/core/circle-packing';
import { planWrap, takeOut, withCable } from '@/core/soft-seal';
import { KINDS, planSeal, type SealKindId, type SealView } from '@/core/crossing';
import { asHeld, replay } from '@/core/record';
import { QUILLMERE_CROSSINGS } from '@/data/seed/crossings';
import { closeDatabase } from '@/data';
import { sent, WORKS } from '../testing/bench';
import { good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { addCrossing, setCrossing, splitCrossing, viewCrossing, viewCrossings } from './crossing';
import { crossingFile } from './crossing-file';
import { takeCrossingPlan } from './crossing-plan';
import { takeReentry } from './crossing-reentry';
import { exportJob, importJob } from './job-file';
import { viewKit } from './kit';
import { work } from './work';

afterAll(closeDatabase);

const clock = () => performance.now();
const setupOf = (name: string) => {
  const found = QUILLMERE_CROSSINGS.find((c) => c.name === name);
  if (!found) throw new Error(name);
  return found.setup;
};
const SEALS: readonly (readonly [kind: SealKindId, name: string])[] = [
  ['sleeve', 'X-4'],
  ['plug', 'X-5'],
  ['wrap', 'X-6'],
];

async function seal(job: string, crossing: string): Promise<SealView> {
  const view = await good(viewCrossing({ job, crossing }));
  if (view.kind === 'frames') throw new Error('expected a soft seal');
  return view;
}
async function planOf(job: string, crossing: string) {
  const view = await seal(job, crossing);
  return { view, plan: finishPacking(planSeal(view), 20, clock) };
}
const draft = (requestHash: string, plan: unknown, knowing = false) => ({
  id: randomUUID(),
  knowing,
  kind: 'planned' as const,
  requestHash,
  plan,
  note: '',
});

describe.each(SEALS)('a crossing that is a %s', (kind, name) => {
  it('is planned, worked out anew by the server, built to the signature, and drawn in every file', async () => {
    const job = await makeJob();
    const ref = { job, crossing: name };
    await good(addCrossing(job, name, setupOf(name)));
    const { view, plan } = await planOf(job, name);
    expect(view).toMatchObject({ kind, state: 'toPlan' });
    // What is sent besides the arrangement counts for nothing.
    const forged = { ...plan, answer: 'closes', parts: [], findings: [] };
    await good(takeCrossingPlan(ref, draft(view.requestHash, forged), PLANNER, NOW));
    const planned = await seal(job, name);
    expect(JSON.parse(JSON.stringify(planned.plans[0]?.plan))).toEqual(JSON.parse(JSON.stringify(plan)));
    for (let guard = 0; guard < 60; guard += 1) {
      const now = await seal(job, name);
      const { next } = replay(now.steps, now.acts);
      if (next === null) break;
      const command = { ...asHeld(next), instrument: 'rule 7' };
      const who = { id: null, name: next.kind === 'sign' ? 'inspector' : 'fitter' };
      await good(work({ kind: 'crossing', ...ref }, sent(command, NOW, randomUUID()), who, WORKS, NOW));
    }
    expect(await seal(job, name)).toMatchObject({ state: 'built', faults: [] });
    for (const file of ['section.svg', 'axis.svg', 'section.dxf', 'axis.dxf', 'table.csv', 'crossing.pdf'])
      expect((await good(crossingFile(ref, file, NOW))).body.length).toBeGreaterThan(300);
    expect(await refused(crossingFile(ref, 'front.svg', NOW))).toContain('must be one of section.svg');
    expect((await good(viewKit(job, { percent: 0, minimum: 0 }, null))).fitted).toContain(`crossing ${name}`);
    // On record as this, it is not made another.
    const other = KINDS.frames.bare(undefined);
    expect(await refused(setCrossing(ref, (await seal(job, name)).version, other, PLANNER))).toContain(
      `it is on record as ${KINDS[kind].words}`,
    );
  });

  it('added by its name alone asks for everything, and no plan is taken for it', async () => {
    const job = await makeJob();
    await good(addCrossing(job, 'bare', kind));
    const bare = await seal(job, 'bare');
    expect(bare.asked.request).toBeNull();
    expect(bare.asked.lacking.length).toBeGreaterThan(1);
    expect(await refused(takeCrossingPlan({ job, crossing: 'bare' }, draft('', {}), PLANNER, NOW))).toContain(
      'something is not said yet: nothing is planned',
    );
    expect(await good(viewCrossings(job))).toMatchObject([{ kind, verdict: null, brief: '' }]);
  });
});

it('refuses an arrangement with a fault planted in it, whoever sends it, and what is none at all', async () => {
  const job = await makeJob();
  const ref = { job, crossing: 'X-4' };
  await good(addCrossing(job, 'X-4', setupOf('X-4')));
  const { view, plan } = await planOf(job, 'X-4');
  if (!('circles' in plan)) throw new Error('a sleeve');
  const take = (circles: unknown) =>
    refused(takeCrossingPlan(ref, draft(view.requestHash, { circles }), PLANNER, NOW));
  const [first, second] = plan.circles;
  expect(await take(plan.circles.slice(1))).toContain('lacks a cable');
  expect(await take([{ ...first, x: second?.x, y: second?.y }, ...plan.circles.slice(1)])).toContain(
    'too near to',
  );
  expect(await take([{ ...first, x: 1e9 }, ...plan.circles.slice(1)])).toContain('over the edge');
  for (const odd of [undefined, null, 'x', [null], [{}], [{ ...first, x: 'left' }]])
    expect((await take(odd)).length).toBeGreaterThan(3);
  expect((await seal(job, 'X-4')).plans).toEqual([]);
});

it('takes no plan that does not close, and says by how much', async () => {
  const job = await makeJob();
  const ref = { job, crossing: 'X-7' };
  await good(addCrossing(job, 'X-7', setupOf('X-7')));
  const { view, plan } = await planOf(job, 'X-7');
  expect(plan).toMatchObject({ answer: 'refused' });
  expect(await refused(takeCrossingPlan(ref, draft(view.requestHash, plan), PLANNER, NOW))).toContain(
    'lacks a cable',
  );
  // A wall that is too shallow: all of it lies in it, and it does not close.
  const shallow = { ...setupOf('X-4'), depth: { min: 99, max: 99 } };
  await good(addCrossing(job, 'X-8', shallow));
  const found = await planOf(job, 'X-8');
  expect(
    await refused(
      takeCrossingPlan({ job, crossing: 'X-8' }, draft(found.view.requestHash, found.plan), PLANNER, NOW),
    ),
  ).toContain('1 mm short');
});

it('takes one more cable in together with the plan, or neither; a cable that nobody has measured stops all of it', async () => {
  const job = await makeJob();
  const ref = { job, crossing: 'X-4' };
  await good(addCrossing(job, 'X-4', setupOf('X-4')));
  const { view, plan } = await planOf(job, 'X-4');
  await good(takeCrossingPlan(ref, draft(view.requestHash, plan), PLANNER, NOW));
  const cables = [{ tag: 'B-409', diameter: { min: 9, max: 9.4 } }];
  const before = await seal(job, 'X-4');
  const take = (more: object) =>
    takeReentry(
      ref,
      { id: randomUUID(), knowing: true, version: before.version, cables, without: [], plan, ...more },
      PLANNER,
      NOW,
    );
  // The plan of before lacks the new cable.
  expect(await refused(take({}))).toContain('lacks a cable');
  expect((await seal(job, 'X-4')).setup.members).toHaveLength(7);
  expect(await refused(take({ cables: [], without: ['X'] }))).toContain('does not go through');
  expect(await refused(take({ cables: [] }))).toContain('no cable to take in or out');
  const unmeasured = { ...setupOf('X-4'), members: [...setupOf('X-4').members, { tag: 'K-2' }] };
  await good(setCrossing(ref, before.version, unmeasured, PLANNER));
  const after = await seal(job, 'X-4');
  expect(after).toMatchObject({ state: 'stale', requestHash: '', asked: { missing: [{ tag: 'K-2' }] } });
  expect(await refused(takeCrossingPlan(ref, draft('', plan), PLANNER, NOW))).toContain(
    'K-2: its outer sheath is not measured',
  );
});

it('goes into a job’s file and comes out of it as it was', async () => {
  const job = await makeJob();
  for (const [, name] of SEALS) await good(addCrossing(job, name, setupOf(name)));
  const file = await good(exportJob(job));
  const { slug } = await good(importJob(JSON.stringify(file), PLANNER, NOW));
  for (const [, name] of SEALS) expect((await seal(slug, name)).setup).toEqual((await seal(job, name)).setup);
});

describe('a sleeve that is divided', () => {
  const start = async () => {
    const job = await makeJob();
    await good(addCrossing(job, 'X-4', setupOf('X-4')));
    const { setup, version } = await seal(job, 'X-4');
    const part = (from: number, to: number, name = `X-4.${from}`) => ({
      name,
      setup: { ...setup, members: setup.members.slice(from, to) },
    });
    return { job, ref: { job, crossing: 'X-4' }, version, part };
  };

  it('keeps its name with the first part, and every cable is in one of them', async () => {
    const { job, ref, version, part } = await start();
    expect(await good(splitCrossing(ref, version, [part(0, 3), part(3, 7)]))).toEqual({
      names: ['X-4', 'X-4.3'],
    });
    const tags = async (name: string) => (await seal(job, name)).setup.members.map((m) => m.tag);
    expect([...(await tags('X-4')), ...(await tags('X-4.3'))]).toHaveLength(7);
  });

  it('stays whole when a cable is lost or doubled, a name is taken or none, it has changed, or it is built at', async () => {
    const { job, ref, version, part } = await start();
    await good(addCrossing(job, 'there', 'plug'));
    for (const [parts, said] of [
      [[part(0, 3), part(4, 7)], 'do not hold every cable of it once'],
      [[part(0, 4), part(3, 7)], 'do not hold every cable of it once'],
      [[part(0, 7)], 'fewer than two'],
      [[part(0, 3), part(3, 7, 'there')], 'is there already'],
      [[part(0, 3), part(3, 7, 'a/b')], 'without a slash'],
      [[part(0, 3), { name: 'x', setup: { kind: 'mortar' } }], 'must be one of'],
    ] as const)
      expect(await refused(splitCrossing(ref, version, parts))).toContain(said);
    expect(await refused(splitCrossing(ref, version + 1, [part(0, 3), part(3, 7)]))).toContain(
      'somebody else',
    );
    const { view, plan } = await planOf(job, 'X-4');
    await good(takeCrossingPlan(ref, draft(view.requestHash, plan), PLANNER, NOW));
    const { steps } = await seal(job, 'X-4');
    const [first] = steps;
    if (!first) throw new Error('it has steps');
    await good(
      work(
        { kind: 'crossing', ...ref },
        sent(asHeld(first), NOW, randomUUID()),
        { id: null, name: 'fitter' },
        WORKS,
        NOW,
      ),
    );
    expect(await refused(splitCrossing(ref, version, [part(0, 3), part(3, 7)]))).toContain('is on record');
    expect((await seal(job, 'X-4')).setup.members).toHaveLength(7);
  });
});

describe('a seal that is closed', () => {
  const closed = async (name: string) => {
    const job = await makeJob();
    const ref = { job, crossing: name };
    await good(addCrossing(job, name, setupOf(name)));
    const { view, plan } = await planOf(job, name);
    await good(takeCrossingPlan(ref, draft(view.requestHash, plan), PLANNER, NOW));
    const now = await seal(job, name);
    const take = (more: object) =>
      takeReentry(
        ref,
        { id: randomUUID(), knowing: true, version: now.version, cables: [], without: [], plan: {}, ...more },
        PLANNER,
        NOW,
      );
    return { job, now, take };
  };

  it('loses a cable: what closes its hole is in force, and every other one lies where it lay', async () => {
    const { job, now, take } = await closed('X-4');
    const [inForce] = now.plans;
    if (inForce?.of !== 'sleeve') throw new Error('a sleeve');
    const out = takeOut(inForce.request, inForce.plan, 'B-403');
    if (out === null) throw new Error('it lies there');
    await good(take({ without: ['B-403'], plan: out.plan }));
    const after = await seal(job, 'X-4');
    const [taken] = after.plans;
    if (taken?.of !== 'sleeve') throw new Error('a sleeve');
    expect(after).toMatchObject({ state: 'planned' });
    expect([taken.kind, taken.note]).toEqual(['asBuilt', 'without B-403']);
    const stayed = inForce.plan.circles.filter((c) => c.tag !== 'B-403');
    expect(taken.plan.circles.slice(0, stayed.length)).toEqual(stayed);
    expect(after.setup.members.map((m) => m.tag)).not.toContain('B-403');
  });

  it('gets one more bundle, whose cable goes in with the name of it', async () => {
    const { job, now, take } = await closed('X-6');
    const [inForce] = now.plans;
    if (inForce?.of !== 'wrap') throw new Error('a wrap');
    const cable = { tag: 'D-607', diameter: { min: 9, max: 9.3 } };
    const grown = withCable(inForce.request, cable, 'signal');
    const plan = finishPacking(planWrap(grown), 20, clock);
    expect(await refused(take({ cables: [cable], plan }))).toContain('something is not said');
    await good(take({ cables: [{ ...cable, bundle: 'signal' }], plan }));
    const after = await seal(job, 'X-6');
    expect(after).toMatchObject({ state: 'planned' });
    expect(after.setup.members.at(-1)).toMatchObject({ tag: 'D-607', bundle: 'signal' });
  });
});
