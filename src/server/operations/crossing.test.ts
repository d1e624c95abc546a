import { randomUUID } from 'node:crypto';
import mysql from 'mysql2/promise';
import { planFrames, moveCable, placesOf, type FramePlan } from '@/core/frame-packing';
import { drive } from '@/core/kernel';
import { replay } from '@/core/procedure';
import { loadSolver } from '@/solver/highs';
import { closeDatabase, database, insertJob } from '@/data';
import { DEFAULT_PROFILE } from '@/core/schedule';
import { auditChain } from '@/core/inspection';
import { findJob, loadCrossingEvents, listCrossings } from '@/data';
import { addCrossing, confirmCrossingStep, setCrossing, takeCrossingPlan, viewCrossing } from './crossing';
import { crossingFile, previewPlaces } from './crossing-file';

const SLUG = `crossing-${randomUUID().slice(0, 8)}`;
const REF = { job: SLUG, crossing: 'W-1' };
const NOW = new Date('2026-11-20T09:00:00.000Z');
const WHO = { name: 'planner' };
const SETUP = {
  place: 'test wall',
  rating: 'fire 30 minutes',
  members: Array.from({ length: 6 }, (_, i) => ({
    tag: `P-${i}`,
    circuit: i % 2 === 0 ? 'power' : 'signal',
    diameter: { min: 10.3 + i * 3, max: 10.6 + i * 3 },
    front: i,
  })),
  apart: [{ a: 'power', b: 'signal', by: 'row' }],
  spareShare: 0.2,
  frames: ['TF-1-150', 'TF-1-222', 'TF-1-294'],
};

let solver: Awaited<ReturnType<typeof loadSolver>>;
beforeAll(async () => {
  solver = await loadSolver({});
  await insertJob(database(), {
    slug: SLUG,
    name: 'Crossings',
    unit: 'mm',
    secondPerson: 0,
    profile: JSON.stringify(DEFAULT_PROFILE),
  });
});
afterAll(closeDatabase);

const view = async () => {
  const found = await viewCrossing(REF);
  if (!found.ok) throw new Error(found.problems[0]?.message);
  return found.value;
};
const planned = async (): Promise<FramePlan> => drive(planFrames((await view()).asked.request), solver);
const take = async (plan: unknown, kind: 'planned' | 'asBuilt' = 'planned', hash?: string) =>
  takeCrossingPlan(REF, { kind, requestHash: hash ?? (await view()).requestHash, plan, note: '' }, WHO, NOW);

describe('a crossing', () => {
  it('is added once, and only with a setup that makes sense', async () => {
    expect(await addCrossing(SLUG, 'W-1', { ...SETUP, frames: [] })).toMatchObject({ ok: false });
    expect(await addCrossing(SLUG, 'a/b', SETUP)).toMatchObject({ ok: false, problems: [{ path: 'name' }] });
    expect(await addCrossing(SLUG, ' W-1 ', SETUP)).toEqual({ ok: true, value: { name: 'W-1' } });
    expect(await addCrossing(SLUG, 'W-1', SETUP)).toMatchObject({ ok: false, problems: [{ path: 'name' }] });
    expect((await view()).state).toBe('toPlan');
  });

  it('names a cable of the schedule that nobody has measured, and leaves it out of the request', async () => {
    const { version } = await view();
    const more = { ...SETUP, members: [...SETUP.members, { tag: 'K-404' }] };
    expect(await setCrossing(REF, version, more, WHO)).toMatchObject({ ok: true });
    const { asked } = await view();
    expect(asked.missing).toEqual([{ tag: 'K-404', reason: 'its outer sheath is not measured' }]);
    expect(asked.request.cables).toHaveLength(6);
    expect(await setCrossing(REF, version + 1, SETUP, WHO)).toMatchObject({ ok: true });
  });

  it('is not written over what somebody else has written', async () => {
    expect(await setCrossing(REF, 1, SETUP, WHO)).toMatchObject({
      ok: false,
      problems: [{ path: 'version' }],
    });
  });

  it('takes a plan only when it keeps every rule of today’s request', async () => {
    const plan = await planned();
    const taken = placesOf(plan.frames).filter((p) => p.place.cable);
    const [thin] = taken.filter((p) => p.place.cable === 'P-0');
    const [thick] = taken.filter((p) => p.place.cable === 'P-5');
    if (!thin || !thick) throw new Error('places');
    const { request } = (await view()).asked;
    const bad = await take(moveCable(request, plan, thick.ref, thin.ref));
    expect(bad.ok ? '' : bad.problems[0]?.path).toMatch(/^plan\.frames\[0\]/);
    expect(await take({ frames: [] })).toMatchObject({ ok: false });
    expect(await take(plan, 'planned', '0'.repeat(64))).toMatchObject({
      ok: false,
      problems: [{ path: 'requestHash' }],
    });
    expect(await take(plan)).toMatchObject({ ok: true });
    expect(await view()).toMatchObject({ state: 'planned', plans: [{ kind: 'planned', stale: false }] });
  });

  it('is stale when a cable changes, and its steps are refused until it is planned again', async () => {
    const { version } = await view();
    const thicker = SETUP.members.map((m) =>
      m.tag === 'P-0' ? { ...m, diameter: { min: 12.1, max: 12.4 } } : m,
    );
    await setCrossing(REF, version, { ...SETUP, members: thicker }, WHO);
    const now = await view();
    expect([now.state, now.plans[0]?.stale]).toEqual(['stale', true]);
    const [step] = now.steps;
    const send = (id: string) =>
      confirmCrossingStep(
        REF,
        { id, stepId: step?.id ?? '', fingerprint: step?.fingerprint ?? '', at: NOW.toISOString() },
        { name: 'fitter' },
        NOW,
      );
    expect(await send(randomUUID())).toMatchObject({ ok: false, problems: [{ path: 'plan' }] });
    expect(await take(await planned())).toMatchObject({ ok: true });
    expect((await view()).plans).toHaveLength(2);
  });
});

describe('building it', () => {
  const next = async () => {
    const now = await view();
    const { next: step } = replay(now.steps, now.acts);
    if (!step) throw new Error('no step left');
    return step;
  };
  const confirm = async (id: string, stepId: string, fingerprint: string, name = 'fitter') =>
    confirmCrossingStep(REF, { id, stepId, fingerprint, at: NOW.toISOString() }, { name }, NOW);

  it('goes in order, stores a repeated send once, and chains every event', async () => {
    const first = await next();
    const later = (await view()).steps[3];
    expect(await confirm(randomUUID(), later?.id ?? '', later?.fingerprint ?? '')).toMatchObject({
      ok: false,
    });
    expect(await confirm(randomUUID(), first.id, first.fingerprint, ' ')).toMatchObject({ ok: false });
    const id = randomUUID();
    expect(await confirm(id, first.id, first.fingerprint)).toEqual({ ok: true, value: { repeated: false } });
    expect(await confirm(id, first.id, first.fingerprint)).toEqual({ ok: true, value: { repeated: true } });
    for (let guard = 0; guard < 60; guard += 1) {
      const now = await view();
      const { next: step } = replay(now.steps, now.acts);
      if (!step) break;
      expect(await confirm(randomUUID(), step.id, step.fingerprint)).toMatchObject({ ok: true });
    }
    const done = await view();
    expect([done.state, done.acts.length]).toEqual(['built', done.steps.length]);
    const job = await findJob(database(), SLUG);
    const [row] = await listCrossings(database(), job?.id ?? 0);
    const events = await loadCrossingEvents(database(), [row?.id ?? 0]);
    expect(auditChain(events)).toEqual([]);
    const forged = events.map((e, i) => (i === 2 ? { ...e, actor: 'somebody else' } : e));
    expect(auditChain(forged).length).toBeGreaterThan(0);
  });

  it('keeps its record append-only', async () => {
    const connection = await mysql.createConnection({ uri: process.env.DATABASE_OWNER_URL ?? '' });
    try {
      await expect(connection.query("UPDATE crossing_event SET actor = 'x'")).rejects.toThrow(/append-only/);
      await expect(connection.query('DELETE FROM crossing_event')).rejects.toThrow(/append-only/);
    } finally {
      await connection.end();
    }
  });

  it('asks for a row again when it is recorded as built otherwise', async () => {
    const before = await view();
    const [inForce] = before.plans;
    if (!inForce) throw new Error('no plan');
    const { request } = before.asked;
    const cable = placesOf(inForce.plan.frames).find((p) => p.place.cable === 'P-0');
    const spare = placesOf(inForce.plan.frames).find(
      (p) =>
        p.place.cable === undefined && p.place.module === cable?.place.module && p.ref.row === cable.ref.row,
    );
    if (!cable || !spare) throw new Error('no spare beside P-0');
    expect(await take(moveCable(request, inForce.plan, cable.ref, spare.ref), 'asBuilt')).toMatchObject({
      ok: true,
    });
    const after = await view();
    expect(after.plans[0]?.kind).toBe('asBuilt');
    expect(replay(after.steps, after.acts).next?.id).toMatch(/^row\.1A\./);
  });
});

describe('files', () => {
  it('come from the plan in force, and a table of places reads back as the same plan', async () => {
    const csv = await crossingFile(REF, 'places.csv', NOW);
    if (!csv.ok) throw new Error(csv.problems[0]?.message);
    const [inForce] = (await view()).plans;
    const read = await previewPlaces(REF, String(csv.value.body));
    expect(read).toMatchObject({ ok: true, value: { violations: [] } });
    if (read.ok) expect(read.value.plan.frames).toEqual(inForce?.plan.frames);
    expect(await crossingFile(REF, 'side.svg', NOW)).toMatchObject({
      ok: false,
      problems: [{ path: 'file' }],
    });
  });

  it('name the line and the column of what cannot be read', async () => {
    const csv = await crossingFile(REF, 'places.csv', NOW);
    if (!csv.ok) throw new Error('csv');
    const lines = String(csv.value.body).split('\r\n');
    const broken = lines.map((l, i) => (i === 1 ? l.replace(/TM-\d+|TC-\d+/, 'XX') : l)).join('\r\n');
    expect(await previewPlaces(REF, broken)).toMatchObject({
      ok: false,
      problems: [{ path: 'line 2, module' }],
    });
    expect(await previewPlaces(REF, 'a,b\n1,2\n')).toMatchObject({ ok: false });
  });
});
