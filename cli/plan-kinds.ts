import type { InferType, ObjectSchema, Schema } from 'yup';
import { drive, fail, ok, refuse, validate, type Result } from '@/core/kernel';
import { measure, QUANTITIES, type Measurement, type Quantity } from '@/core/cable-measurement';
import { inForce, readCatalogue } from '@/core/catalogue';
import {
  compoundVerdicts,
  cureTime,
  planBatches,
  potLife,
  trackCure,
  type TimeMode,
} from '@/core/compound-cure';
import {
  checkBuiltFrames,
  checkFramePlan,
  frameRequestSchema,
  planFrames,
  planReentry,
  readFrameRequest,
  type FramePlan,
  type FrameRequest,
} from '@/core/frame-packing';
import { reentrySteps } from '@/core/frame-building';
import { choose, measureEnd, wayWords, type Candidate, type TerminationInput } from '@/core/gland-selection';
import { checkJobChoice, chooseJob, jobChoiceRequestSchema } from '@/core/job-choice';
import { planTermination, type PlanRequest } from '@/core/procedure';
import { DEFAULT_PROFILE, type CodeProfile } from '@/core/schedule';
import { coverPasses, wrenchSetting } from '@/core/tightening';
import { loadSolver } from '@/solver/highs';
import {
  chooseRequestSchema,
  compoundRequestSchema,
  cureRequestSchema,
  cutRequestSchema,
  frameCheckRequestSchema,
  frameReentryRequestSchema,
  measureRequestSchema,
  tightenRequestSchema,
  type ChooseRequest,
  type CompoundRequest,
  type CureRequest,
  type CutRequest,
  type FrameCheckRequest,
  type FrameReentryRequest,
  type MeasureRequest,
  type TightenRequest,
} from './plan-requests';

type Json = unknown;

interface Kind {
  readonly schema: Schema;
  readonly plan: (request: never) => Result<Json> | Promise<Result<Json>>;
}

const kind = <S extends Schema>(
  schema: S,
  plan: (request: InferType<S>) => Result<Json> | Promise<Result<Json>>,
): Kind => ({
  schema,
  plan,
});

/** Every kind of plan that can be asked for from outside. */
export const KINDS: Readonly<Record<string, Kind>> = {
  measure: kind(measureRequestSchema, planMeasure),
  choose: kind(chooseRequestSchema, planChoose),
  cut: kind(cutRequestSchema, planCutRequest),
  tighten: kind(tightenRequestSchema, planTighten),
  compound: kind(compoundRequestSchema, planCompound),
  cure: kind(cureRequestSchema, planCure),
  'choose-job': kind(jobChoiceRequestSchema, planChooseJob),
  frame: kind(frameRequestSchema, planFrame),
  'frame-check': kind(frameCheckRequestSchema, planFrameCheck),
  'frame-reentry': kind(frameReentryRequestSchema, planFrameReentry),
};

/** Validates a request with the schema of its kind and runs the core. */
export async function planFor(name: string, request: unknown): Promise<Result<Json>> {
  const found = Object.hasOwn(KINDS, name) ? KINDS[name] : undefined;
  if (!found) return refuse('KIND', `unknown; use ${Object.keys(KINDS).join(', ')}`, name);
  const valid = validate(found.schema as ObjectSchema<object>, request);
  return valid.ok ? found.plan(valid.value as never) : valid;
}

function planMeasure(request: MeasureRequest): Result<Json> {
  const quantities: Partial<Record<Quantity, Measurement>> = {};
  for (const quantity of QUANTITIES) {
    const m = measure(request.readings, quantity, request.rules ?? DEFAULT_PROFILE.measurement);
    if (!m.ok) return m;
    if (m.value !== null) quantities[quantity] = m.value;
  }
  return ok({ quantities });
}

function inputOf(request: ChooseRequest): Result<TerminationInput> {
  const profile: CodeProfile = request.profile ?? DEFAULT_PROFILE;
  const measured = measureEnd(request.readings, profile.measurement);
  if (!measured.ok) return measured;
  const { cableType, enclosure, entry } = request;
  return ok({
    cableType,
    enclosure,
    entry,
    profile,
    ...measured.value,
    cableLengthMm: request.cableLengthMm ?? null,
  });
}

const candidateJson = (c: Candidate) => ({
  size: c.size.code,
  partNumber: c.size.partNumber,
  family: c.family.code,
  revision: c.family.sheet.revision,
  verdict: c.verdict,
  marginMm: c.marginMm,
  ring: c.ring?.option ?? null,
  endStop: c.endStop?.words ?? null,
  notCalledFor: c.notCalledFor,
  way: wayWords(c),
  adaptor: c.entry.adaptor?.partNumber ?? null,
  findings: c.findings,
});

function chosen(request: ChooseRequest) {
  const input = inputOf(request);
  if (!input.ok) return input;
  const catalogue = readCatalogue(request.catalogue);
  if (!catalogue.ok)
    return {
      ok: false as const,
      problems: catalogue.problems.map((p) => ({ ...p, path: `catalogue.${p.path}` })),
    };
  const view = { ...catalogue.value, families: inForce(catalogue.value.families) };
  return ok({ input: input.value, choice: choose(input.value, view) });
}

function planChoose(request: ChooseRequest): Result<Json> {
  const made = chosen(request);
  if (!made.ok) return made;
  const { choice } = made.value;
  return ok({
    answer: choice.answer,
    barrier: choice.barrier,
    provisional: choice.provisional,
    candidates: choice.candidates.map(candidateJson),
  });
}

function planned(
  request: ChooseRequest & { size: string },
  more: Pick<PlanRequest, 'routeMm' | 'spareMm' | 'unit' | 'terminals' | 'compound'>,
) {
  const made = chosen(request);
  if (!made.ok) return made;
  const { input, choice } = made.value;
  const candidate = choice.candidates.find((c) => c.size.code === request.size);
  if (!candidate) return refuse('size', 'is not in the catalogue', request.size);
  if (input.outerSheath === null) return refuse('readings', 'the outer sheath is not measured');
  return ok({
    candidate,
    plan: planTermination(
      { tag: request.tag ?? 'unnamed', input, compounds: request.catalogue.compounds ?? [], ...more },
      candidate,
    ),
  });
}

function planCutRequest(request: CutRequest): Result<Json> {
  const made = planned(request, {
    routeMm: request.routeMm,
    spareMm: request.spareMm ?? 0,
    unit: request.unit ?? 'mm',
    terminals: request.terminals ?? [],
  });
  if (!made.ok) return made;
  const { candidate, plan } = made.value;
  return ok({
    size: plan.size,
    verdict: candidate.verdict,
    refused:
      candidate.verdict === 'misfit'
        ? candidate.findings.filter((f) => f.verdict === 'misfit').map((f) => f.reason)
        : [...plan.planOnly, ...plan.cutRefusal].map((p) => p.message),
    provisional: plan.provisional,
    cut: candidate.verdict === 'misfit' ? null : plan.cut,
  });
}

function planTighten(request: TightenRequest): Result<Json> {
  const made = planned(request, { routeMm: null, spareMm: 0, unit: 'mm' });
  if (!made.ok) return made;
  const { candidate, plan } = made.value;
  const { wrenchHead, cover } = request;
  const passes = cover ? coverPasses(cover.bolts, cover.shape, cover.torqueNm) : null;
  if (passes && !passes.ok) return passes;
  const settings = plan.stages.flatMap((s) => {
    if (!wrenchHead || s.method.torqueNm === undefined) return [];
    const setting = wrenchSetting(s.method.torqueNm, wrenchHead);
    return [
      {
        stage: s.id,
        targetNm: s.method.torqueNm,
        setNm: setting.ok ? setting.value : null,
        refused: setting.ok ? null : (setting.problems[0]?.message ?? null),
      },
    ];
  });
  return ok({
    size: plan.size,
    verdict: candidate.verdict,
    sheet: plan.family,
    stages: plan.stages,
    ...(wrenchHead ? { settings } : {}),
    ...(passes ? { cover: passes.value } : {}),
  });
}

const timeJson = (time: ReturnType<typeof potLife>) =>
  time.ok ? time.value : { refused: time.problems[0]?.message ?? '' };

function planCompound(request: CompoundRequest): Result<Json> {
  const made = planned(request, {
    routeMm: null,
    spareMm: 0,
    unit: 'mm',
    compound: request.compound ?? null,
  });
  if (!made.ok) return made;
  const { candidate, plan } = made.value;
  const { seal } = plan;
  const verdicts = compoundVerdicts(candidate.size, request.cableType.cores);
  const refused = plan.sealRefusal.map((p) => p.message);
  if (seal === null)
    return ok({
      size: plan.size,
      verdicts,
      refused: refused.length > 0 ? refused : [`${plan.size} has no chamber`],
      seal: null,
    });
  const mode: TimeMode = request.mode ?? 'neighbour';
  const pot = potLife(seal.potLife, request.tempC, mode);
  const compound = request.catalogue.compounds?.find((c) => c.product === seal.product);
  // Batches go by the printed points, never by an estimate.
  const safe = potLife(seal.potLife, request.tempC);
  const batches =
    request.ready && compound && safe.ok
      ? planBatches({ ...request.ready, compound, potLifeMinutes: safe.value.minutes })
      : null;
  if (batches && !batches.ok) return batches;
  return ok({
    size: plan.size,
    verdicts,
    refused,
    seal,
    tempC: request.tempC,
    potLife: timeJson(pot),
    cure: timeJson(cureTime(seal.cure, request.tempC, mode)),
    ...(batches ? { batches: batches.value } : {}),
  });
}

function planCure(request: CureRequest): Result<Json> {
  return trackCure(request.cure, request.readings, request.now);
}

async function planChooseJob(request: InferType<typeof jobChoiceRequestSchema>): Promise<Result<Json>> {
  const repeated = repeatedTag(request.terminations.map((t) => t.tag));
  if (repeated !== null)
    return refuse(`terminations[${repeated}].tag`, 'stands twice', request.terminations[repeated]?.tag);
  const plan = drive(chooseJob(request), await loadSolver({ seconds: SOLVER_SECONDS }));
  const audit = checkJobChoice(request, plan);
  return audit.ok ? ok(plan) : audit;
}

async function planFrame(request: FrameRequest): Promise<Result<Json>> {
  const read = readFrameRequest(request);
  if (!read.ok) return read;
  const { limitSeconds } = request;
  const solver = await loadSolver(limitSeconds === undefined ? {} : { totalSeconds: limitSeconds });
  const plan = drive(planFrames(read.value), solver);
  const audit = checkFramePlan(read.value, plan);
  return audit.ok || plan.cost === null ? ok(plan) : audit;
}

function planFrameReentry({ request, plan, add }: FrameReentryRequest): Result<Json> {
  const read = readFrameRequest(request);
  if (!read.ok) return read;
  const built = plan as unknown as FramePlan;
  const audit = checkBuiltFrames(read.value, built);
  if (!audit.ok) return fail(audit.problems.map((p) => ({ ...p, path: `plan.${p.path}` })));
  const made = planReentry(read.value, built, add);
  if (!made.ok) return made;
  return ok({ ...made.value, steps: reentrySteps(read.value, built, made.value) });
}

function planFrameCheck({ request, plan }: FrameCheckRequest): Result<Json> {
  const read = readFrameRequest(request);
  if (!read.ok) return read;
  const audit = // The schema has just said that it is one; the type only adds `readonly`.
    checkFramePlan(read.value, plan as unknown as FramePlan);
  return ok({ good: audit.ok, violations: audit.ok ? [] : audit.problems });
}

/** One program of the whole-job choice gets this long before the best that was found has to do. */
const SOLVER_SECONDS = 60;

function repeatedTag(tags: readonly string[]): number | null {
  const at = tags.findIndex((tag, i) => tags.indexOf(tag) !== i);
  return at < 0 ? null : at;
}
