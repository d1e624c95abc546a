import { randomUUID } from 'node:crypto';
import { fail, hull, ok, refuse, validate, type Result } from '@/core/kernel';
import { measure } from '@/core/cable-measurement';
import {
  crossingRequest,
  crossingSetupSchema,
  fillOf,
  requestHash,
  sheetOf,
  type CrossingRequest,
  type CrossingLine,
  type CrossingRef,
  type CrossingState,
  type CrossingView,
  type PlanDraft,
  type KnownDiameter,
} from '@/core/crossing';
import { buildingSteps } from '@/core/frame-building';
import {
  checkBuiltFrames,
  checkFramePlan,
  framePlanSchema,
  type FramePlan,
  type FrameRequest,
} from '@/core/frame-packing';
import { frameSheetsInForce, type FrameSheet } from '@/core/catalogue';
import { hashOf } from '@/core/kernel';
import { faultWords, type ChainFault } from '@/core/record';
import { replay, type BenchAct, type Step } from '@/core/procedure';
import { ENDS } from '@/core/schedule';
import {
  database,
  findCrossing,
  insertCrossing,
  insertCrossingPlan,
  listCrossings,
  liveCables,
  loadCrossingPlans,
  loadFrameSheets,
  loadReadings,
  lockCrossing,
  updateCrossing,
  type CrossingRow,
  type JobRow,
  type StoredEvent,
  type StoredCrossingPlan,
  type Tx,
} from '@/data';
import { actorName, type Actor } from '../actor';
import { guarded } from '../guard';
import { append, type Subject } from '../record/append';
import { brokenRecord } from '../record/may-record';
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
    cables.map(({ id, tag }) => {
      const mine = readings.filter((r) => r.cableId === id);
      const ends = ENDS.flatMap((end) => {
        const m = measure(
          mine.flatMap((r) => (r.end === null || r.end === end ? [r.reading] : [])),
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

const actsOf = (events: readonly StoredEvent[]): (BenchAct & { title: string })[] =>
  events.map((e) => ({
    stepId: e.stepId,
    kind: e.kind as BenchAct['kind'],
    fingerprint: (e.body as { fingerprint?: string }).fingerprint ?? null,
    decision: null,
    actor: e.actor,
    at: e.receivedAt,
    mix: null,
    tempC: null,
    title: (e.body as { title?: string }).title ?? e.stepId,
  }));

interface Assessed {
  readonly sheet: FrameSheet;
  readonly asked: CrossingRequest;
  readonly hash: string;
  readonly steps: readonly Step[];
  readonly acts: readonly (BenchAct & { title: string })[];
  readonly state: CrossingState;
  readonly done: number;
  readonly faults: readonly ChainFault[];
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
  const { place: name, rating, school } = row.setup;
  // Cautions are those of the sheet that the plan was made by.
  const by = plan?.request.sheet;
  const planned = sheets.find((f) => f.code === by?.code && f.sheet.revision === by.revision) ?? sheet.value;
  const place = { name, rating, cautions: planned.cautions, ...(school ? { school } : {}) };
  const steps = plan ? buildingSteps(plan.request, plan.plan, place) : [];
  const acts = actsOf(record.events);
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
    const { row, all, plans, hash, asked, sheet, sheets, steps, acts, state, faults } = found.value;
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

/** Stores a plan, whoever made it, when every rule holds for today's request. A frame as built may have used its spares. */
export function takeCrossingPlan(
  ref: CrossingRef,
  draft: PlanDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  return operation(async (tx) => {
    const found = await assessed(tx, ref);
    if (!found.ok) return found;
    const { job, row, asked, hash } = found.value;
    await lockCrossing(tx, row.id);
    return storePlan(tx, { job, row, request: asked.request, hash }, draft, actor, now);
  });
}

/**
 * Stores a plan for a request that was just read, when every rule holds. The crossing's row must be held. Once building has begun, its record
 * says that the plan under it has changed.
 */
export async function storePlan(
  tx: Tx,
  crossing: {
    readonly job: JobRow;
    readonly row: CrossingRow;
    readonly request: FrameRequest;
    readonly hash: string;
  },
  draft: PlanDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  if (draft.kind !== 'planned' && draft.kind !== 'asBuilt')
    return refuse('kind', 'must be planned or asBuilt', draft.kind);
  if (draft.requestHash !== crossing.hash)
    return refuse('requestHash', 'cables or measurements have changed since this was planned: plan again');
  const read = validate(framePlanSchema, draft.plan);
  if (!read.ok) return read;
  // The schema has just said that it is one; the type only adds `readonly`.
  const plan = read.value as unknown as FramePlan;
  if (plan.cost === null) return refuse('plan', 'there is no plan to take');
  const check = draft.kind === 'asBuilt' ? checkBuiltFrames : checkFramePlan;
  const audit = check(crossing.request, plan);
  if (!audit.ok) return fail(audit.problems.slice(0, 20).map((p) => ({ ...p, path: `plan.${p.path}` })));
  const { job, row } = crossing;
  const record = (await auditedRecords(tx, job, 'crossing', [row.id]))(row.id);
  const broken = record.events.length === 0 ? null : brokenRecord(record.faults);
  if (broken) return broken;
  const planHash = hashOf(plan);
  await insertCrossingPlan(tx, {
    crossingId: row.id,
    kind: draft.kind,
    planHash,
    requestHash: crossing.hash,
    note: draft.note.slice(0, 200),
    request: crossing.request,
    plan,
    actor: actorName(actor),
    madeAt: now,
  });
  if (record.events.length > 0)
    await append(
      tx,
      crossingSubject(job, row),
      record.events,
      {
        id: randomUUID(),
        stepId: 'plan',
        kind: 'replan',
        actor: actorName(actor),
        at: now.toISOString(),
        body: { title: draft.kind === 'asBuilt' ? 'Entered as built' : 'Planned again', note: draft.note },
        planHash,
      },
      now,
    );
  return ok({ planHash });
}
