import { randomUUID } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  planFrames,
  moveCable,
  placesOf,
  planReentry,
  type FrameCable,
  type FramePlan,
} from '@/core/frame-packing';
import { drive } from '@/core/kernel';
import { loadSolver } from '@/solver/highs';
import { closeDatabase, database, insertJob } from '@/data';
import { DEFAULT_PROFILE } from '@/core/schedule';
import { asHeld, auditChain, replay, type ConfirmCommand, type Step } from '@/core/record';
import { findJob, listCrossings, loadEvents } from '@/data';
import type { CatalogueFile } from '@/core/catalogue';
import { sent, WORKS } from '../testing/bench';
import { good, makeJob, PLANNER, refused } from '../testing/job';
import { importCatalogue } from './catalogue';
import { addCrossing, setCrossing, viewCrossing, viewCrossings } from './crossing';
import { takeCrossingPlan } from './crossing-plan';
import { crossingFile, previewPlaces } from './crossing-file';
import { takeReentry } from './crossing-reentry';
import { viewJobRecord } from './job-record';
import { work } from './work';

const SLUG = `crossing-${randomUUID().slice(0, 8)}`;
const REF = { job: SLUG, crossing: 'W-1' };
const CATALOGUE = readFileSync('examples/catalogue/demo.json', 'utf8');
const NOW = new Date('2026-11-20T09:00:00.000Z');
const WHO = PLANNER;
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
  await good(importCatalogue(CATALOGUE, PLANNER, NOW));
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
  if (found.value.kind !== 'frames') throw new Error(`expected frames, got ${found.value.kind}`);
  return found.value;
};
const planned = async (): Promise<FramePlan> => drive(planFrames((await view()).asked.request), solver);
const take = async (
  plan: unknown,
  kind: 'planned' | 'asBuilt' = 'planned',
  { hash, knowing = false, id = randomUUID() }: { hash?: string; knowing?: boolean; id?: string } = {},
) =>
  takeCrossingPlan(
    REF,
    { id, knowing, kind, requestHash: hash ?? (await view()).requestHash, plan, note: '' },
    WHO,
    NOW,
  );
const SUBJECT = { kind: 'crossing', ...REF } as const;
const hold = (step: Step, more: Partial<ConfirmCommand> = {}, id: string = randomUUID(), name = 'fitter') =>
  work(SUBJECT, sent({ ...asHeld(step), ...more }, NOW, id), { id: null, name }, WORKS, NOW);
const next = async () => {
  const now = await view();
  const { next: step } = replay(now.steps, now.acts);
  if (!step) throw new Error('no step left');
  return step;
};

describe('a crossing', () => {
  it('is added once, and only with a setup that makes sense', async () => {
    expect(await addCrossing(SLUG, 'W-1', { ...SETUP, frames: [] })).toMatchObject({ ok: false });
    expect(await addCrossing(SLUG, 'a/b', SETUP)).toMatchObject({ ok: false, problems: [{ path: 'name' }] });
    expect(await addCrossing(SLUG, ' W-1 ', SETUP)).toEqual({ ok: true, value: { name: 'W-1' } });
    expect(await addCrossing(SLUG, 'W-1', SETUP)).toMatchObject({ ok: false, problems: [{ path: 'name' }] });
    expect((await view()).state).toBe('toPlan');
  });

  it('is added by its name alone, as the button does, and can be filled in afterwards', async () => {
    expect(await addCrossing(SLUG, 'W-bare')).toEqual({ ok: true, value: { name: 'W-bare' } });
    const found = await viewCrossing({ job: SLUG, crossing: 'W-bare' });
    expect(found).toMatchObject({ ok: true, value: { state: 'empty', setup: { place: '', members: [] } } });
  });

  it('opens in a job whose cables nobody has measured yet, and says which', async () => {
    const job = await makeJob();
    await good(addCrossing(job, 'W-2', { ...SETUP, members: [{ tag: 'K-1' }, { tag: 'K-2' }] }));
    const found = await viewCrossing({ job, crossing: 'W-2' });
    expect(found.ok && found.value.asked.missing).toEqual([
      { tag: 'K-2', reason: 'its outer sheath is not measured' },
    ]);
    expect(await viewCrossings(job)).toMatchObject({ ok: true });
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
    expect(await take(plan, 'planned', { hash: '0'.repeat(64) })).toMatchObject({
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
    if (!step) throw new Error('no steps');
    expect(await hold(step)).toMatchObject({ ok: false, problems: [{ path: 'plan' }] });
    expect(await take(await planned())).toMatchObject({ ok: true });
    expect((await view()).plans).toHaveLength(2);
  });
});

describe('building it', () => {
  it('stops at the rating of the wall while nobody has said it', async () => {
    const said = await view();
    await good(setCrossing(REF, said.version, { ...SETUP, members: said.setup.members, rating: ' ' }, WHO));
    await good(hold(await next()));
    const rating = await next();
    expect(rating.id).toBe('rating');
    expect(await refused(hold(rating))).toMatch(/nobody has said which fire, gas and water rating/);
    await good(setCrossing(REF, said.version + 1, said.setup, WHO));
  });

  it('goes in order, stores a repeated send once, and chains every event', async () => {
    const first = await next();
    const [, , , later] = (await view()).steps;
    if (!later) throw new Error('steps');
    expect(await refused(hold(later))).toMatch(/comes later/);
    expect(await refused(hold(first, {}, randomUUID(), ' '))).toMatch(/name is needed/);
    const id = randomUUID();
    expect(await good(hold(first, {}, id))).toMatchObject({ repeated: false });
    expect(await good(hold(first, {}, id))).toMatchObject({ repeated: true });
    for (let guard = 0; guard < 60; guard += 1) {
      const now = await view();
      const { next: step } = replay(now.steps, now.acts);
      if (!step) break;
      await good(hold(step));
    }
    const done = await view();
    expect([done.state, done.events.length]).toEqual(['built', done.steps.length]);
    expect(done.faults).toEqual([]);
    const job = await findJob(database(), SLUG);
    const [row] = await listCrossings(database(), job?.id ?? 0);
    const events = await loadEvents(database(), 'crossing', [row?.id ?? 0]);
    expect(auditChain(events)).toEqual([]);
    const forged = events.map((e, i) => (i === 2 ? { ...e, actor: 'somebody else' } : e));
    expect(auditChain(forged).length).toBeGreaterThan(0);
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
    const moved = moveCable(request, inForce.plan, cable.ref, spare.ref);
    // Finished rows are not sent back unasked, nor is a signature.
    expect(await refused(take(moved, 'asBuilt'))).toMatch(
      /the signature of fitter goes, and \d+ building steps that were done must be done again/,
    );
    expect((await view()).plans).toHaveLength(before.plans.length);
    const id = randomUUID();
    await good(take(moved, 'asBuilt', { knowing: true, id }));
    await good(take(moved, 'asBuilt', { knowing: true, id }));
    const after = await view();
    expect(after.plans).toHaveLength(before.plans.length + 1);
    expect(after.events.slice(-1)[0]).toMatchObject({
      kind: 'replan',
      body: { title: 'Entered as built', redo: expect.arrayContaining(['sign']) as unknown },
    });
    expect(after.plans[0]?.kind).toBe('asBuilt');
    expect(replay(after.steps, after.acts).next?.id).toMatch(/^row\.1A\./);
  });
});

describe('what is measured at a step', () => {
  it('is refused outside what is asked for, with the figure, and stands in the record', async () => {
    const step = await next();
    const [gap] = step.accepts ?? [];
    if (!gap) throw new Error('a row asks for its gap');
    const measured = (mm: number) => hold(step, { measured: { [gap.key]: mm }, instrument: 'feeler set 3' });
    expect(await refused(measured(gap.min - 0.05))).toContain('0.05 mm too little, peel one more');
    expect(await refused(measured(gap.max + 0.2))).toContain('too much, a layer too many is off');
    expect(await refused(measured(NaN))).toContain('is not a length');
    expect(await refused(measured(gap.max))).toContain('read it a second time');
    await good(
      hold(step, {
        measured: { [gap.key]: gap.max },
        again: { [gap.key]: gap.max - 0.05 },
        instrument: 'feeler set 3',
      }),
    );
    const { events, faults } = await view();
    expect(events.slice(-1)[0]?.body).toMatchObject({
      measured: [{ key: gap.key, mm: gap.max, again: gap.max - 0.05 }],
      instrument: 'feeler set 3',
    });
    expect(faults).toEqual([]);
  });
});

describe('taking cables into a frame that stands', () => {
  const NEW = { tag: 'N-1', diameter: { min: 10.3, max: 10.5 } };
  const answer = async (cables: readonly FrameCable[]) => {
    const [inForce] = (await view()).plans;
    if (!inForce) throw new Error('no plan');
    const made = planReentry(inForce.request, inForce.plan, cables);
    if (!made.ok) throw new Error('no re-entry');
    return made.value.plan;
  };

  it('writes cables and frame together, or neither', async () => {
    const before = await view();
    const plan = await answer([NEW]);
    const draft = {
      id: randomUUID(),
      knowing: true,
      version: before.version,
      cables: [NEW],
      without: [],
      plan,
    };
    // A frame that breaks a rule leaves the cables out as well.
    const wrong = { ...plan, frames: plan.frames.slice(1) };
    expect(await takeReentry(REF, { ...draft, plan: wrong }, WHO, NOW)).toMatchObject({ ok: false });
    expect((await view()).setup.members).toHaveLength(before.setup.members.length);
    expect(await refused(takeReentry(REF, { ...draft, version: before.version - 1 }, WHO, NOW))).toContain(
      'somebody else has changed',
    );
    expect(await refused(takeReentry(REF, { ...draft, cables: [] }, WHO, NOW))).toContain('no cable');
    expect((await view()).plans).toHaveLength(before.plans.length);
    await good(takeReentry(REF, draft, WHO, NOW));
    const after = await view();
    expect(after.setup.members.map((m) => m.tag)).toContain('N-1');
    expect(after.plans[0]).toMatchObject({ kind: 'asBuilt', note: 'with N-1', stale: false });
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

  it('say on paper which opening and row, who signed, and where the record ends', async () => {
    const pdf = await good(crossingFile(REF, 'crossing.pdf', NOW));
    const path = join(mkdtempSync(join(tmpdir(), 'crossing-')), 'crossing.pdf');
    writeFileSync(path, pdf.body);
    const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
    expect(text).toMatch(/Opening 1A: press unit/);
    expect(text).not.toContain('object');
    expect(text).toContain(`record ${(await good(viewJobRecord(SLUG))).code ?? 'none'}`);
    // The last plan sent rows and the signature back.
    expect(text).toContain('Not signed.');
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

describe('a table of places from another program', () => {
  const source = async () =>
    String((await good(crossingFile(REF, 'places.csv', NOW))).body).replace(/^\uFEFF/, '');
  const frames = async () => (await view()).plans[0]?.plan.frames;
  const reads = async (text: string) => {
    const read = await good(previewPlaces(REF, text));
    expect(read.plan.frames).toEqual(await frames());
    expect(read.violations).toEqual([]);
  };

  it('may have semicolons and decimal commas, tabs, another order of lines’ ends, or no byte-order mark', async () => {
    const rows = (await source())
      .trim()
      .split('\r\n')
      .map((l) => l.split(','));
    const written = (separator: string, end: string, comma: boolean) =>
      rows.map((r) => r.map((c) => (comma ? c.replace('.', ',') : c)).join(separator)).join(end);
    await reads(written(';', '\r\n', true));
    await reads(written('\t', '\n', false));
    await reads(`\uFEFF${written(';', '\n', false)}\n\n`);
  });

  it('may have its columns in another order, in capitals, with more beside them and cells in quotes', async () => {
    const rows = (await source())
      .trim()
      .split('\r\n')
      .map((l) => l.split(','));
    const turned = rows.map((r, i) => [
      i === 0 ? 'REMARK' : 'seen, and "found"',
      ...r.map((c) => (i === 0 ? c.toUpperCase() : c)).reverse(),
    ]);
    await reads(turned.map((r) => r.map((c) => `"${c.replaceAll('"', '""')}"`).join(',')).join('\n'));
  });

  it('is refused by line and column where a cell says something else', async () => {
    const lines = (await source()).trim().split('\r\n');
    const at = (column: string) => (lines[0] ?? '').split(',').indexOf(column);
    const changed = (line: number, column: string, to: string) =>
      lines
        .map((l, i) =>
          i === line
            ? l
                .split(',')
                .map((c, j) => (j === at(column) ? to : c))
                .join(',')
            : l,
        )
        .join('\n');
    const path = async (text: string) => {
      const read = await previewPlaces(REF, text);
      return read.ok ? read.value.violations.map((v) => v.path).join() : read.problems[0]?.path;
    };
    expect(await path(changed(1, 'x', 'left'))).toBe('line 2, x');
    expect(await path(changed(2, 'row', '1.5'))).toBe('line 3, row');
    expect(await path(changed(2, 'press', 'middle'))).toBe('line 3, press');
    expect(await path(changed(1, 'height', '-36'))).toBe('line 2, height');
    // The first line says otherwise than all that follow: nobody guesses which is right.
    expect(await path(changed(1, 'kind', 'ZZ-9'))).toBe('line 3, kind');
    expect(await path(changed(1, 'press', 'bottom'))).toBe('line 3, press');
    expect(await path(changed(1, 'fillers', '6'))).toBe('line 3, fillers');
    expect(await path(lines[0] ?? '')).toBe('file');
  });
});

describe('the sheet of a crossing', () => {
  const ref = { job: SLUG, crossing: 'W-9' };
  const seen = async () => {
    const found = await good(viewCrossing(ref));
    if (found.kind !== 'frames') throw new Error(`expected frames, got ${found.kind}`);
    return found;
  };
  const code = `ZS${SLUG.slice(-4).toUpperCase()}`;
  const sheet = (revision: string, issued: string, plate: number): string => {
    const copy = JSON.parse(CATALOGUE) as CatalogueFile;
    const frameSheets = (copy.frameSheets ?? []).map((s) => ({
      ...s,
      code,
      sheet: { ...s.sheet, revision, issued },
      frames: s.frames.map((f) => ({
        ...f,
        id: `${code}${f.id}`,
        openings: f.openings.map((o) => ({ ...o, plate })),
      })),
    }));
    return JSON.stringify({
      ...copy,
      families: [],
      adaptors: [],
      accessories: [],
      compounds: [],
      frameSheets,
    });
  };

  it('stays with its plan when a later revision comes in, until somebody takes it; then it is planned again', async () => {
    await good(importCatalogue(sheet('1', '2026-01', 1), PLANNER, NOW));
    const frames = SETUP.frames.map((f) => `${code}${f}`);
    await good(addCrossing(SLUG, 'W-9', { ...SETUP, sheet: { code, revision: '1' }, frames }));
    const first = await seen();
    const plan = drive(planFrames(first.asked.request), solver);
    await good(
      takeCrossingPlan(
        ref,
        { id: randomUUID(), knowing: false, kind: 'planned', requestHash: first.requestHash, plan, note: '' },
        WHO,
        NOW,
      ),
    );
    await good(importCatalogue(sheet('2', '2026-06', 2), PLANNER, NOW));
    const after = await seen();
    expect([after.state, after.sheet.sheet.revision]).toEqual(['planned', '1']);
    expect(after.sheets.find((s) => s.code === code)?.sheet.revision).toBe('2');
    await good(setCrossing(ref, after.version, { ...after.setup, sheet: { code, revision: '2' } }, WHO));
    const taken = await seen();
    expect([taken.state, taken.asked.request.sheet]).toEqual(['stale', { code, revision: '2' }]);
    // What was planned by the first revision is still there as it was.
    expect(taken.plans[0]?.request.sheet).toEqual({ code, revision: '1' });
  });

  it('cannot be one that nobody imported', async () => {
    const before = await seen();
    expect(
      await setCrossing(ref, before.version, { ...before.setup, sheet: { code, revision: '7' } }, WHO),
    ).toMatchObject({ ok: false, problems: [{ path: 'sheet' }] });
  });
});
