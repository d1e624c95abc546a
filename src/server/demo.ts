import { randomUUID } from 'node:crypto';
import { SEAL_LISTS } from '@/core/catalogue';
import { finishPacking } from '@/core/circle-packing';
import { planSeal, type CrossingView } from '@/core/crossing';
import { planFrames } from '@/core/frame-packing';
import { drive, ok, type Result } from '@/core/kernel';
import { asHeld, replay, type TerminationRef } from '@/core/record';
import {
  database,
  findEntry,
  findJob,
  insertCable,
  insertCableType,
  insertEnclosure,
  insertEntry,
  insertJob,
  insertReadings,
  insertTermination,
  listCrossings,
  loadCrossingSheets,
  type Tx,
} from '@/data';
import { ANNEX } from '@/data/seed/annex';
import type { SeedJob } from '@/data/seed/build';
import { QUILLMERE_CROSSINGS, type SeedCrossing } from '@/data/seed/crossings';
import { QUILLMERE } from '@/data/seed/quillmere';
import { loadSolver } from '@/solver/highs';
import type { Actor } from './actor';
import type { Assessment } from './operations/assess';
import { assessOne, refreshSummaries, requireJob } from './operations/load';
import { importCatalogue } from './operations/catalogue';
import { takeSize } from './operations/gland-selection';
import { addCrossing, viewCrossing } from './operations/crossing';
import { takeCrossingPlan } from './operations/crossing-plan';
import { work } from './operations/work';
import { demoPeople, demoRoles, type DemoPeople } from './people/demo-people';
import { operation } from './transaction';

const WORKS = ['fitter', 'inspector'] as const;

/**
 * Loads the demo catalogue and job where they are not there yet. A demo that is already there keeps its catalogue: revisions that plans
 * stand on never change. Everything after the bare schedule goes the way a user goes.
 */
export async function loadDemo(catalogueText: string): Promise<Result<'loaded' | 'there'>> {
  const who = await demoPeople();
  const fresh = (await findJob(database(), QUILLMERE.slug)) === null;
  if (fresh) {
    const imported = await importCatalogue(catalogueText, who.planner, new Date('2026-10-19T08:00:00.000Z'));
    if (!imported.ok) return imported;
  }
  // Sheets of crossings came later: a catalogue from before gets them too.
  if (!fresh && !(await hasCrossingSheets())) {
    const file = JSON.parse(catalogueText) as Record<string, unknown>;
    const sheets = { ...file, families: [], adaptors: [], accessories: [], compounds: [] };
    const imported = await importCatalogue(JSON.stringify(sheets), who.planner, new Date());
    if (!imported.ok) return imported;
  }
  for (const job of [QUILLMERE, ANNEX]) {
    if (await findJob(database(), job.slug)) continue;
    const made = await operation(async (tx) => {
      await insertSchedule(tx, job);
      return ok(null);
    });
    if (!made.ok) return made;
  }
  await demoRoles(who, [QUILLMERE.slug, ANNEX.slug]);
  if (fresh) {
    const worked = await workTheDemo(who);
    if (!worked.ok) return worked;
  }
  // Crossings came later: a demo from before gets them too.
  const job = await findJob(database(), QUILLMERE.slug);
  if (!job) return ok('there');
  const there = new Set((await listCrossings(database(), job.id)).map((c) => c.name));
  const missing = QUILLMERE_CROSSINGS.filter((c) => !there.has(c.name));
  if (missing.length === 0) return ok('there');
  const crossed = await workTheCrossings(who, missing);
  return crossed.ok ? ok('loaded') : crossed;
}

async function hasCrossingSheets(): Promise<boolean> {
  const { frames, seals } = await loadCrossingSheets(database());
  return frames.length > 0 && SEAL_LISTS.every((list) => seals[list].length > 0);
}

async function insertSchedule(tx: Tx, seed: SeedJob): Promise<void> {
  const jobId = await insertJob(tx, {
    slug: seed.slug,
    name: seed.name,
    unit: seed.unit,
    secondPerson: seed.secondPerson ? 1 : 0,
    profile: JSON.stringify(seed.profile),
  });
  const types = new Map<string, number>();
  for (const facts of seed.types) types.set(facts.code, await insertCableType(tx, jobId, facts));
  for (const { area, enclosure, entries } of seed.enclosures) {
    const id = await insertEnclosure(tx, jobId, area, enclosure);
    for (const entry of entries) await insertEntry(tx, id, entry);
  }
  const terminations: number[] = [];
  for (const cable of seed.cables) {
    const typeId = types.get(cable.type);
    if (typeId === undefined) throw new Error(`demo: no type ${cable.type}`);
    const cableId = await insertCable(tx, {
      jobId,
      tag: cable.tag,
      typeId,
      routeMm: cable.routeM * 1000,
      note: cable.note ?? '',
    });
    for (const [end, at] of [
      ['A', cable.a],
      ['B', cable.b],
    ] as const) {
      const [box = '', label = ''] = at.place.split('/');
      const entryId = await findEntry(tx, jobId, box, label);
      if (entryId === null) throw new Error(`demo: no entry ${at.place}`);
      terminations.push(
        await insertTermination(tx, { cableId, end, entryId, tailMm: at.tailMm, spareMm: 50 }),
      );
    }
    await insertReadings(
      tx,
      cable.readings.map(({ end, reading }) => ({ cableId, end, reading })),
    );
  }
  const job = await requireJob(tx, seed.slug);
  if (!job.ok) throw new Error('demo: the job was just made');
  await refreshSummaries(tx, job.value, terminations);
}

/** Terminations that are planned, and how far the bench has come: a step id, `signed`, or null for planned only. */
const WORKED: readonly (readonly [cable: string, end: 'A' | 'B', until: string | null])[] = [
  ['K-101', 'A', 'signed'],
  ['K-101', 'B', 'stage.outerSeal'],
  ['K-102', 'A', 'signed'],
  ['K-102', 'B', 'signed'],
  ['K-104', 'A', 'sign'],
  ['K-105', 'A', 'cut.armour'],
  ['K-105', 'B', null],
  ['K-108', 'A', 'look'],
  ['K-108', 'B', null],
  ['K-110', 'A', 'cut.outerSheath'],
  ['K-115', 'A', null],
  ['K-117', 'A', 'stage.reclamp'],
  ['K-117', 'B', 'ring'],
  ['K-120', 'A', 'slideOn'],
  ['K-120', 'B', null],
  ['K-129', 'B', null],
  ['K-130', 'A', null],
  ['K-131', 'B', 'onThread'],
  ['K-140', 'B', 'mix'],
  ['K-146', 'B', 'mix'],
  ['K-147', 'B', 'cores'],
  ['K-148', 'B', null],
  ['K-150', 'B', 'nameplate'],
  ['K-160', 'A', 'insulation'],
  ['K-160', 'B', null],
  ['K-151', 'B', 'insert'],
  ['K-157', 'A', null],
  ['K-156', 'B', 'housing'],
  ['K-170', 'A', 'bonds'],
  ['K-170', 'B', 'smooth'],
  ['K-141', 'B', 'cure'],
];

/** What was read, one time after another, of a mineral-insulated end that is damp and dries, MΩ. */
const DAMP = [3.5, 11] as const;

/** Two phases that lie on one another's contacts at the first end of a trailing cable: its other end finds it. */
const SWAPPED = { BN: 'L1', BK: 'L3', GY: 'L2' } as const;

/** A cure that is running when the demo is opened: mixed this long ago, its temperatures read since. Minutes, °C. */
const CURING = {
  mixedAgo: 52,
  tempC: 19,
  readings: [
    [30, 19.5],
    [8, 20.5],
  ],
} as const;

/** Each core where the plan has it. */
const pinsOf = ({ plan }: Assessment): Record<string, string> =>
  Object.fromEntries((plan?.plan.plugIn?.pins?.map ?? []).map((p) => [p.core, p.position]));

async function workTheDemo(who: DemoPeople): Promise<Result<null>> {
  let clock = Date.parse('2026-11-03T07:00:00.000Z');
  const opened = Date.now();
  const tick = (minutes: number) => new Date((clock += minutes * 60_000));
  for (const [cable, end, until] of WORKED) {
    const ref = { job: QUILLMERE.slug, cable, end };
    const seen = await assessOne(database(), ref);
    if (!seen.ok) return seen;
    const best = seen.value.assessment.choice?.candidates[0];
    if (!best) throw new Error(`demo: nothing to choose for ${cable}/${end}`);
    const taken = await takeSize(ref, best.size.code, randomUUID(), who.planner, tick(2));
    if (!taken.ok) return taken;
    if (until === null) continue;
    for (let guard = 0; guard < 60; guard += 1) {
      const now = await assessOne(database(), ref);
      if (!now.ok) return now;
      const step = now.value.assessment.progress?.next;
      if (!step || step.id === until) break;
      if (step.kind === 'mix') clock = opened - CURING.mixedAgo * 60_000;
      const at = tick(step.station === 'cut' ? 5 : 3);
      const done = await work(
        { kind: 'termination', ...ref },
        {
          id: randomUUID(),
          at: at.toISOString(),
          command: {
            ...asHeld(
              step,
              step.kind === 'mix' ? { batch: 'CR-2611', expiry: '2028-06-30', tempC: CURING.tempC } : null,
            ),
            ...(step.id === 'phaseMap' ? { chosen: SWAPPED } : {}),
            ...(step.id === 'insert' ? { chosen: pinsOf(now.value.assessment) } : {}),
          },
        },
        who[step.kind === 'sign' ? 'inspector' : 'fitter'],
        WORKS,
        at,
      );
      if (!done.ok) return done;
    }
    if (until === 'insulation') {
      const dried = await dryTheEnd(ref, who.fitter, tick);
      if (!dried.ok) return dried;
    }
    if (until === 'cure')
      for (const [ago, tempC] of CURING.readings) {
        const at = new Date(opened - ago * 60_000);
        const kept = await work(
          { kind: 'termination', ...ref },
          { id: randomUUID(), at: at.toISOString(), command: { kind: 'temperature', tempC } },
          who.fitter,
          WORKS,
          at,
        );
        if (!kept.ok) return kept;
      }
  }
  return ok(null);
}

/** Reads a damp end low, and heats it, as often as the demo has it. */
async function dryTheEnd(
  ref: TerminationRef,
  fitter: Actor,
  tick: (minutes: number) => Date,
): Promise<Result<null>> {
  for (const mohm of DAMP)
    for (const stepId of ['insulation', 'clean']) {
      const now = await assessOne(database(), ref);
      if (!now.ok) return now;
      const step = now.value.assessment.progress?.next;
      if (step?.id !== stepId) throw new Error(`demo: ${stepId} is not what comes next`);
      const read = {
        ...asHeld(step, null, 'dryOut'),
        measured: { insulation: mohm },
        again: {},
        instrument: 'insulation tester IT-3',
      };
      const at = tick(20);
      const done = await work(
        { kind: 'termination', ...ref },
        {
          id: randomUUID(),
          at: at.toISOString(),
          command: stepId === 'insulation' ? read : asHeld(step),
        },
        fitter,
        WORKS,
        at,
      );
      if (!done.ok) return done;
    }
  return ok(null);
}

/** Crossings that are planned in the demo, and how many building steps are done. The others are left for whoever opens them; X-7 closes in no way. */
const BUILT: readonly (readonly [crossing: string, steps: number])[] = [
  ['X-1', 8],
  ['X-2', 0],
  ['X-4', 6],
  ['X-5', 100],
  ['X-6', 0],
];

/** Seconds that a soft seal of the demo is looked for: more than any of them needs. */
const SEAL_SECONDS = 20;

/** The plan of a crossing, by the planner of its kind. */
function planOf(view: CrossingView, solver: Awaited<ReturnType<typeof loadSolver>>): unknown {
  if (view.kind === 'frames') return drive(planFrames(view.asked.request), solver);
  if (view.asked.request === null) throw new Error(`demo: something is not said of ${view.name}`);
  return finishPacking(planSeal(view), SEAL_SECONDS, () => performance.now());
}

async function workTheCrossings(who: DemoPeople, missing: readonly SeedCrossing[]): Promise<Result<null>> {
  for (const { name, setup } of missing) {
    const added = await addCrossing(QUILLMERE.slug, name, setup);
    if (!added.ok) return added;
  }
  const solver = await loadSolver({});
  let clock = Date.parse('2026-11-05T07:00:00.000Z');
  const tick = () => new Date((clock += 4 * 60_000));
  for (const [crossing, steps] of BUILT) {
    if (!missing.some((c) => c.name === crossing)) continue;
    const ref = { job: QUILLMERE.slug, crossing };
    const view = await viewCrossing(ref);
    if (!view.ok) return view;
    const taken = await takeCrossingPlan(
      ref,
      {
        id: randomUUID(),
        knowing: false,
        kind: 'planned',
        requestHash: view.value.requestHash,
        plan: planOf(view.value, solver),
        note: 'first plan',
      },
      who.planner,
      tick(),
    );
    if (!taken.ok) return taken;
    for (let n = 0; n < steps; n += 1) {
      const now = await viewCrossing(ref);
      if (!now.ok) return now;
      const step = replay(now.value.steps, now.value.acts).next;
      if (!step) break;
      const at = tick();
      const done = await work(
        { kind: 'crossing', ...ref },
        { id: randomUUID(), at: at.toISOString(), command: { ...asHeld(step), instrument: 'feeler set 3' } },
        who[step.kind === 'sign' ? 'inspector' : 'fitter'],
        WORKS,
        at,
      );
      if (!done.ok) return done;
    }
  }
  return ok(null);
}
