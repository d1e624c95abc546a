import { array, object } from 'yup';
import { buildingSteps, reentrySteps } from '@/core/frame-building';
import {
  checkBuiltFrames,
  checkFramePlan,
  frameCableSchema,
  framePlanSchema,
  frameRequestSchema,
  planFrames,
  planReentry,
  reentryWords,
  readFrameRequest,
  requestNotes,
  type FramePlan,
  type FrameRequest,
} from '@/core/frame-packing';
import { drive, fail, ok, type Result } from '@/core/kernel';
import { loadSolver, solverLimits } from '@/solver/highs';
import { timePassed } from '@/solver/time-passed';
import { kind } from './kind';

/** `frame-check`: a request of `frame` and a plan for it, by whomever → what is wrong with it, place by place. */
export const frameCheckRequestSchema = object({ request: frameRequestSchema, plan: framePlanSchema })
  .noUnknown()
  .required();

/** `frame-reentry`: a built frame and cables to be added → where each goes, what must be opened, the plan after it and the steps. */
export const frameReentryRequestSchema = object({
  request: frameRequestSchema,
  plan: framePlanSchema,
  add: array().of(frameCableSchema).min(1, 'at least one cable is needed').max(200).required(),
})
  .noUnknown()
  .required();

const HERE = { name: 'this crossing', rating: '' };

export const frameKind = kind(frameRequestSchema, async (asked) => {
  const passed = timePassed(asked.limitSeconds);
  const read = readFrameRequest(asked);
  if (!read.ok) return read;
  const request = read.value;
  const solver = await loadSolver(solverLimits(request.limitSeconds));
  const plan = drive(planFrames(request, passed), solver);
  const audit = plan.cost === null ? null : checkFramePlan(request, plan);
  if (audit && !audit.ok) return audit;
  return ok({ ...plan, notes: requestNotes(asked, request), steps: buildingSteps(request, plan, HERE) });
});

/** The schema has just said that it is a plan; the type only adds `readonly`. */
const planOf = (plan: unknown): FramePlan => plan as FramePlan;

const under = <T>(key: string, result: Result<T>): Result<T> =>
  result.ok
    ? result
    : fail(result.problems.map((p) => ({ ...p, path: p.path === '' ? key : `${key}.${p.path}` })));

const readUnder = (request: FrameRequest): Result<FrameRequest> =>
  under('request', readFrameRequest(request));

export const frameCheckKind = kind(frameCheckRequestSchema, ({ request, plan }) => {
  const read = readUnder(request);
  if (!read.ok) return read;
  const audit = checkFramePlan(read.value, planOf(plan));
  return ok({ good: audit.ok, violations: audit.ok ? [] : audit.problems });
});

export const frameReentryKind = kind(frameReentryRequestSchema, ({ request, plan, add }) => {
  const read = readUnder(request);
  if (!read.ok) return read;
  const built = planOf(plan);
  const audit = under('plan', checkBuiltFrames(read.value, built));
  if (!audit.ok) return audit;
  const made = planReentry(read.value, built, add);
  if (!made.ok) return made;
  const answers = made.value.answers.map((a) =>
    'place' in a ? a : { tag: a.tag, ...reentryWords(a.refused), refused: a.refused },
  );
  return ok({ ...made.value, answers, steps: reentrySteps(read.value, built, made.value, HERE) });
});
