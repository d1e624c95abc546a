import { fail, hull, ok, refuse, validate, type Result } from '@/core/kernel';
import { measure } from '@/core/cable-measurement';
import {
  crossingRequest,
  crossingSetupSchema,
  fillOf,
  requestHash,
  type CrossingRequest,
  type CrossingConfirm,
  type CrossingLine,
  type CrossingRef,
  type CrossingState,
  type CrossingView,
  type PlanDraft,
  type KnownDiameter,
} from '@/core/crossing';
import { buildingSteps } from '@/core/frame-building';
import { checkFramePlan, framePlanSchema, type FramePlan } from '@/core/frame-packing';
import { eventHash, GENESIS } from '@/core/inspection';
import { hashOf } from '@/core/kernel';
import { mayConfirm, replay, type BenchAct, type Step } from '@/core/procedure';
import { ENDS } from '@/core/schedule';
import {
  appendCrossingEvent,
  database,
  findCrossing,
  findCrossingEvent,
  insertCrossing,
  insertCrossingPlan,
  listCrossings,
  liveCables,
  loadCrossingEvents,
  loadCrossingPlans,
  loadReadings,
  lockCrossing,
  updateCrossing,
  type CrossingRow,
  type JobRow,
  type StoredCrossingPlan,
  type Tx,
} from '@/data';
import { actorName, type Actor } from '../actor';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { requireJob } from './load';

/** Outer sheath of every cable of a job, over both ends. */
async function knownDiameters(tx: Tx, job: JobRow): Promise<Map<string, KnownDiameter | null>> {
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
      const interval = hull(used.map((m) => m.interval));
      return [tag, interval === null ? null : { interval, nominal: measured.length === 0 }] as const;
    }),
  );
}

const onlyKnown = (all: ReadonlyMap<string, KnownDiameter | null>): Map<string, KnownDiameter> =>
  new Map([...all].flatMap(([tag, d]) => (d === null ? [] : [[tag, d] as const])));

type StoredActs = Awaited<ReturnType<typeof loadCrossingEvents>>;

const actsOf = (events: StoredActs): (BenchAct & { title: string })[] =>
  events.map((e) => ({
    stepId: e.stepId,
    kind: e.kind as BenchAct['kind'],
    fingerprint: (e.body as { fingerprint?: string }).fingerprint ?? null,
    decision: null,
    actor: e.actor,
    at: e.at,
    mix: null,
    tempC: null,
    title: (e.body as { title?: string }).title ?? e.stepId,
  }));

interface Assessed {
  readonly asked: CrossingRequest;
  readonly hash: string;
  readonly steps: readonly Step[];
  readonly acts: readonly (BenchAct & { title: string })[];
  readonly state: CrossingState;
  readonly done: number;
}

function assess(
  row: CrossingRow,
  known: ReadonlyMap<string, KnownDiameter>,
  plans: readonly StoredCrossingPlan[],
  events: StoredActs,
): Result<Assessed> {
  const asked = crossingRequest(row.setup, known);
  if (!asked.ok) return asked;
  const hash = requestHash(asked.value.request);
  const [plan] = plans;
  const place = { name: row.setup.place, rating: row.setup.rating };
  const steps = plan ? buildingSteps(plan.request, plan.plan, place) : [];
  const acts = actsOf(events);
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
  return ok({ asked: asked.value, hash, steps, acts, state, done: done.size });
}

export function viewCrossings(slug: string): Promise<Result<readonly CrossingLine[]>> {
  return guarded<readonly CrossingLine[]>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const rows = await listCrossings(tx, job.value.id);
    const ids = rows.map((r) => r.id);
    const [plans, events] = [await loadCrossingPlans(tx, ids), await loadCrossingEvents(tx, ids)];
    const known = onlyKnown(await knownDiameters(tx, job.value));
    const lines: CrossingLine[] = [];
    for (const row of rows) {
      const mine = plans.filter((p) => p.crossingId === row.id);
      const found = assess(
        row,
        known,
        mine,
        events.filter((e) => e.crossingId === row.id),
      );
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
      });
    }
    return ok(lines);
  });
}

async function requireCrossing(tx: Tx, ref: CrossingRef): Promise<Result<{ job: JobRow; row: CrossingRow }>> {
  const job = await requireJob(tx, ref.job);
  if (!job.ok) return job;
  const row = await findCrossing(tx, job.value.id, ref.crossing);
  return row ? ok({ job: job.value, row }) : refuse('crossing', 'there is no such crossing', ref.crossing);
}

async function assessed(tx: Tx, ref: CrossingRef) {
  const found = await requireCrossing(tx, ref);
  if (!found.ok) return found;
  const { job, row } = found.value;
  const all = await knownDiameters(tx, job);
  const plans = await loadCrossingPlans(tx, [row.id]);
  const events = await loadCrossingEvents(tx, [row.id]);
  const made = assess(row, onlyKnown(all), plans, events);
  return made.ok ? ok({ job, row, all, plans, events, ...made.value }) : made;
}

export function viewCrossing(ref: CrossingRef): Promise<Result<CrossingView>> {
  return guarded<CrossingView>(async () => {
    const found = await assessed(database(), ref);
    if (!found.ok) return found;
    const { row, all, plans, hash, asked, steps, acts, state } = found.value;
    return ok({
      job: ref.job,
      name: row.name,
      version: row.version,
      setup: row.setup,
      state,
      asked,
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
    });
  });
}

const NAME = /^[^/]{1,40}$/;

export function addCrossing(slug: string, name: string, setup: unknown): Promise<Result<{ name: string }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const trimmed = name.trim();
    if (!NAME.test(trimmed)) return refuse('name', 'needs 1 to 40 characters without a slash', name);
    const read = validate(crossingSetupSchema, setup);
    if (!read.ok) return read;
    await insertCrossing(tx, job.value.id, trimmed, read.value);
    return ok({ name: trimmed });
  });
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
    const asked = crossingRequest(read.value, onlyKnown(await knownDiameters(tx, found.value.job)));
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
    const { row, asked, hash } = found.value;
    await lockCrossing(tx, row.id);
    if (draft.kind !== 'planned' && draft.kind !== 'asBuilt')
      return refuse('kind', 'must be planned or asBuilt', draft.kind);
    if (draft.requestHash !== hash)
      return refuse('requestHash', 'cables or measurements have changed since this was planned: plan again');
    const read = validate(framePlanSchema, draft.plan);
    if (!read.ok) return read;
    // The schema has just said that it is one; the type only adds `readonly`.
    const plan = read.value as unknown as FramePlan;
    if (plan.cost === null) return refuse('plan', 'there is no plan to take');
    const request = draft.kind === 'asBuilt' ? { ...asked.request, spare: { share: 0 } } : asked.request;
    const audit = checkFramePlan(request, plan);
    if (!audit.ok) return fail(audit.problems.slice(0, 20).map((p) => ({ ...p, path: `plan.${p.path}` })));
    const planHash = hashOf(plan);
    await insertCrossingPlan(tx, {
      crossingId: row.id,
      kind: draft.kind,
      planHash,
      requestHash: hash,
      note: draft.note.slice(0, 200),
      request: asked.request,
      plan,
      actor: actorName(actor),
      madeAt: now,
    });
    return ok({ planHash });
  });
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Confirms the next building step, chained to the record of this crossing, or says why it may not be confirmed. */
export function confirmCrossingStep(
  ref: CrossingRef,
  input: CrossingConfirm,
  actor: Actor,
  now: Date,
): Promise<Result<{ repeated: boolean }>> {
  return operation<{ repeated: boolean }>(async (tx) => {
    if (!UUID.test(input.id)) return refuse('id', 'is not an event id', input.id);
    if (Number.isNaN(Date.parse(input.at))) return refuse('at', 'is not a time', input.at);
    const named = await requireCrossing(tx, ref);
    if (!named.ok) return named;
    await lockCrossing(tx, named.value.row.id);
    const already = await findCrossingEvent(tx, input.id);
    if (already)
      return already.crossingId === named.value.row.id && already.stepId === input.stepId
        ? ok({ repeated: true })
        : refuse('id', 'this event id belongs to something else', input.id);
    const found = await assessed(tx, ref);
    if (!found.ok) return found;
    const { job, row, steps, acts, events, plans, state, asked } = found.value;
    const [plan] = plans;
    if (!plan || steps.length === 0) return refuse('plan', 'this crossing is not planned yet');
    const may = mayConfirm(
      {
        steps,
        acts,
        stale: state === 'stale',
        provisional: asked.provisional,
        seal: null,
        secondPerson: job.secondPerson,
      },
      {
        stepId: input.stepId,
        fingerprint: input.fingerprint,
        decision: null,
        actor: actor.name,
        at: input.at,
      },
    );
    if (!may.ok) return may;
    const last = events[events.length - 1];
    const content = {
      id: input.id,
      termination: `crossing ${row.name}`,
      seq: (last?.seq ?? 0) + 1,
      stepId: may.value.id,
      kind: may.value.kind === 'sign' ? 'sign' : 'confirm',
      actor: actorName(actor),
      at: input.at,
      body: { title: may.value.title, fingerprint: input.fingerprint },
      planHash: plan.planHash,
      prevHash: last?.hash ?? GENESIS,
    };
    await appendCrossingEvent(tx, row.id, { ...content, hash: eventHash(content) }, now);
    return ok({ repeated: false });
  });
}
