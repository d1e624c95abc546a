import { hull, ok, refuse, validate, type Result } from '@/core/kernel';
import { measure } from '@/core/cable-measurement';
import {
  crossingRequest,
  crossingSetupSchema,
  fillOf,
  requestHash,
  sheetOf,
  type CrossingRequest,
  type CrossingLine,
  type CrossingState,
  type CrossingView,
  type KnownDiameter,
} from '@/core/crossing';
import { buildingSteps } from '@/core/frame-building';
import { frameSheetsInForce, type FrameSheet } from '@/core/catalogue';
import {
  actOf,
  eventView,
  faultWords,
  type ChainFault,
  replay,
  type BenchAct,
  type Step,
  type CrossingRef,
} from '@/core/record';
import { ENDS, withNominal } from '@/core/schedule';
import {
  database,
  findCrossing,
  insertCrossing,
  listCrossings,
  liveCables,
  loadCrossingPlans,
  loadFrameSheets,
  loadReadings,
  updateCrossing,
  type CrossingRow,
  type JobRow,
  type StoredCrossingPlan,
  type Tx,
} from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import type { Subject } from '../record/append';
import { auditedRecords, planFaults, type AuditedRecord } from '../record/faults';
import { operation } from '../transaction';
import { requireJob } from './load';

/** Outer sheath of every cable of a job, over both ends. */
export async function knownDiameters(tx: Tx, job: JobRow): Promise<Map<string, KnownDiameter | null>> {
  const cables = await liveCables(tx, job.id);
  const readings = await loadReadings(
    tx,
    cables.map((c) => c.id),
  );
  return new Map(
    cables.map(({ id, tag, cableType }) => {
      const mine = readings.filter((r) => r.cableId === id);
      const ends = ENDS.flatMap((end) => {
        const m = measure(
          withNominal(
            mine.flatMap((r) => (r.end === null || r.end === end ? [r.reading] : [])),
            cableType.nominal,
          ),
          'outerSheath',
          job.profile.measurement,
        );
        return m.ok && m.value !== null ? [m.value] : [];
      });
      // An end that nobody has measured says nothing as long as the other one is.
      const measured = ends.filter((m) => !m.provisional);
      const used = measured.length > 0 ? measured : ends;
      if (used.length === 0) return [tag, null] as const;
      const interval = hull(used.map((m) => m.interval));
      return [tag, { interval, nominal: measured.length === 0 }] as const;
    }),
  );
}

export const onlyKnown = (all: ReadonlyMap<string, KnownDiameter | null>): Map<string, KnownDiameter> =>
  new Map([...all].flatMap(([tag, d]) => (d === null ? [] : [[tag, d] as const])));

/** Whose record the events of a crossing go into. */
export const crossingSubject = (job: JobRow, row: CrossingRow): Subject => ({
  job,
  kind: 'crossing',
  id: row.id,
  name: `crossing ${row.name}`,
});

interface Assessed {
  readonly sheet: FrameSheet;
  readonly asked: CrossingRequest;
  readonly hash: string;
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly state: CrossingState;
  readonly done: number;
  readonly faults: readonly ChainFault[];
}

/** The building of a plan as steps. Cautions are those of the sheet that the plan was made by, where it is still there. */
export function stepsOf(
  { place: name, rating, school, sheet }: CrossingRow['setup'],
  { request, plan }: Pick<StoredCrossingPlan, 'request' | 'plan'>,
  sheets: readonly FrameSheet[],
): Step[] {
  const by = request.sheet ?? sheet;
  const planned = sheets.find((f) => f.code === by?.code && f.sheet.revision === by.revision);
  return buildingSteps(request, plan, {
    name,
    rating,
    cautions: planned?.cautions ?? [],
    ...(school ? { school } : {}),
  });
}

function assess(
  row: CrossingRow,
  known: ReadonlyMap<string, KnownDiameter>,
  plans: readonly StoredCrossingPlan[],
  record: AuditedRecord,
  sheets: readonly FrameSheet[],
): Result<Assessed> {
  const sheet = sheetOf(row.setup, sheets);
  if (!sheet.ok) return sheet;
  const asked = crossingRequest(row.setup, known, sheet.value);
  if (!asked.ok) return asked;
  const hash = requestHash(asked.value.request);
  const [plan] = plans;
  const steps = plan ? stepsOf(row.setup, plan, sheets) : [];
  const acts = record.events.map(actOf);
  const faults = [...planFaults(plan ?? null, record.events), ...record.faults];
  const { done, next } = replay(steps, acts);
  const state: CrossingState =
    row.setup.members.length === 0
      ? 'empty'
      : !plan
        ? 'toPlan'
        : plan.requestHash !== hash
          ? 'stale'
          : steps.length > 0 && next === null
            ? 'built'
            : done.size > 0
              ? 'building'
              : 'planned';
  return ok({ sheet: sheet.value, asked: asked.value, hash, steps, acts, state, done: done.size, faults });
}

export function viewCrossings(slug: string): Promise<Result<readonly CrossingLine[]>> {
  return guarded<readonly CrossingLine[]>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const rows = await listCrossings(tx, job.value.id);
    const ids = rows.map((r) => r.id);
    const plans = await loadCrossingPlans(tx, ids);
    const recordOf = await auditedRecords(tx, job.value, 'crossing', ids);
    const known = onlyKnown(await knownDiameters(tx, job.value));
    const sheets = rows.length > 0 ? await loadFrameSheets(tx) : [];
    const lines: CrossingLine[] = [];
    for (const row of rows) {
      const mine = plans.filter((p) => p.crossingId === row.id);
      const found = assess(row, known, mine, recordOf(row.id), sheets);
      if (!found.ok) return found;
      const [plan] = mine;
      lines.push({
        name: row.name,
        place: row.setup.place,
        cables: row.setup.members.length,
        state: found.value.state,
        provisional: found.value.asked.provisional.length > 0,
        fill: plan ? fillOf(plan.request.modules, plan.plan) : null,
        frames: plan?.plan.frames.map((f) => f.frame) ?? [],
        done: found.value.done,
        steps: found.value.steps.length,
        faults: found.value.faults.map(faultWords),
      });
    }
    return ok(lines);
  });
}

export async function requireCrossing(
  tx: Tx,
  ref: CrossingRef,
): Promise<Result<{ job: JobRow; row: CrossingRow }>> {
  const job = await requireJob(tx, ref.job);
  if (!job.ok) return job;
  const row = await findCrossing(tx, job.value.id, ref.crossing);
  return row ? ok({ job: job.value, row }) : refuse('crossing', 'there is no such crossing', ref.crossing);
}

export async function assessed(tx: Tx, ref: CrossingRef) {
  const found = await requireCrossing(tx, ref);
  if (!found.ok) return found;
  const { job, row } = found.value;
  const all = await knownDiameters(tx, job);
  const plans = await loadCrossingPlans(tx, [row.id]);
  const record = (await auditedRecords(tx, job, 'crossing', [row.id]))(row.id);
  const sheets = await loadFrameSheets(tx);
  const made = assess(row, onlyKnown(all), plans, record, sheets);
  return made.ok ? ok({ job, row, all, plans, events: record.events, sheets, ...made.value }) : made;
}

export function viewCrossing(ref: CrossingRef): Promise<Result<CrossingView>> {
  return guarded<CrossingView>(async () => {
    const found = await assessed(database(), ref);
    if (!found.ok) return found;
    const { row, all, plans, hash, asked, sheet, sheets, steps, acts, events, state, faults } = found.value;
    return ok({
      job: ref.job,
      name: row.name,
      version: row.version,
      setup: row.setup,
      state,
      asked,
      sheet,
      sheets: frameSheetsInForce(sheets),
      requestHash: hash,
      schedule: [...all].map(([tag, diameter]) => ({ tag, diameter })),
      plans: plans.map((p) => ({
        id: p.id,
        kind: p.kind,
        note: p.note,
        actor: p.actor,
        madeAt: p.madeAt.toISOString(),
        stale: p.requestHash !== hash,
        planHash: p.planHash,
        request: p.request,
        plan: p.plan,
      })),
      steps,
      acts,
      events: events.map(eventView),
      faults: faults.map(faultWords),
    });
  });
}

const NAME = /^[^/]{1,40}$/;

/** Adds a crossing. Without a setup it starts on the first sheet in force, with every frame of it allowed and a fifth of each size kept free. */
export function addCrossing(slug: string, name: string, setup?: unknown): Promise<Result<{ name: string }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const trimmed = name.trim();
    if (!NAME.test(trimmed)) return refuse('name', 'needs 1 to 40 characters without a slash', name);
    const sheets = await loadFrameSheets(tx);
    const read = validate(crossingSetupSchema, setup ?? bareSetup(sheets));
    if (!read.ok) return read;
    const sheet = sheetOf(read.value, sheets);
    if (!sheet.ok) return sheet;
    await insertCrossing(tx, job.value.id, trimmed, read.value);
    return ok({ name: trimmed });
  });
}

function bareSetup(sheets: readonly FrameSheet[]) {
  const [sheet] = frameSheetsInForce(sheets);
  return {
    place: '',
    rating: '',
    members: [],
    apart: [],
    spareShare: 0.2,
    ...(sheet ? { sheet: { code: sheet.code, revision: sheet.sheet.revision } } : {}),
    frames: sheet?.frames.map((f) => f.id) ?? ['none'],
  };
}

/** Writes what goes through a crossing. Refused when somebody else has written since it was read. */
export function setCrossing(
  ref: CrossingRef,
  version: number,
  setup: unknown,
  _actor: Actor,
): Promise<Result<{ version: number }>> {
  return operation(async (tx) => {
    const found = await requireCrossing(tx, ref);
    if (!found.ok) return found;
    const read = validate(crossingSetupSchema, setup);
    if (!read.ok) return read;
    const sheet = sheetOf(read.value, await loadFrameSheets(tx));
    if (!sheet.ok) return sheet;
    const known = onlyKnown(await knownDiameters(tx, found.value.job));
    const asked = crossingRequest(read.value, known, sheet.value);
    if (!asked.ok) return asked;
    const written = await updateCrossing(tx, found.value.row.id, version, read.value);
    return written
      ? ok({ version: version + 1 })
      : refuse('version', 'somebody else has changed this crossing: look again before you save');
  });
}
