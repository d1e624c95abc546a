import { array, number, object, string } from 'yup';
import {
  compoundVerdicts,
  cureTime,
  planBatches,
  potLife,
  TIME_MODES,
  type TimeMode,
} from '@/core/compound-cure';
import { readingPaths } from '@/core/gland-selection';
import { fail, ok, type Result } from '@/core/kernel';
import { kind } from './kind';
import { planned, sizeFields, sizeJson } from './termination';

/** `compound`: what goes into a chamber, how much of it, how long it stays workable and when it is hard. */
export const compoundRequestSchema = object({
  ...sizeFields,
  /** Compound asked for; the first that the fitting's list allows when left out. */
  compound: string().max(60).optional(),
  /** Temperature of the work, °C. */
  tempC: number().min(-60).max(120).required(),
  mode: string().oneOf(TIME_MODES).optional(),
  ready: object({
    pours: array()
      .of(
        object({ tag: string().min(1).max(45).required(), ml: number().positive().max(5000).required() })
          .noUnknown()
          .required(),
      )
      .max(5000)
      .required(),
    minutesPerPour: number().positive().max(600).required(),
    people: number().integer().min(1).max(50).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .required();

const timeJson = (time: ReturnType<typeof potLife>) =>
  time.ok ? time.value : { refused: time.problems[0]?.message ?? '' };

export const compoundKind = kind(compoundRequestSchema, (request): Result<unknown> => {
  const made = planned(request, {
    routeMm: null,
    spareMm: 0,
    unit: 'mm',
    compound: request.compound ?? null,
  });
  if (!made.ok) return made;
  const { candidate, plan, input, because, locate } = made.value;
  const verdicts = compoundVerdicts(candidate.size, request.cableType.cores);
  const { seal } = plan;
  const refused = [...made.value.refused, ...plan.sealRefusal.map((p) => p.message)];
  if (seal === null && refused.length === 0) refused.push(`${plan.size} has no chamber`);
  // A size that does not take the cable, or whose sheet is not complete, is not filled.
  if (seal === null || refused.length > 0)
    return ok({ ...sizeJson(made.value), verdicts, refused, seal: null });
  const mode: TimeMode = request.mode ?? 'neighbour';
  const pot = potLife(seal.potLife, request.tempC, mode);
  const compound = request.catalogue.compounds?.find((c) => c.product === seal.product);
  // Batches go by the printed points, never by an estimate.
  const safe = potLife(seal.potLife, request.tempC);
  const batches =
    request.ready && compound && safe.ok
      ? planBatches({ ...request.ready, compound, potLifeMinutes: safe.value.minutes })
      : null;
  if (batches && !batches.ok) return fail(batches.problems.map((p) => ({ ...p, path: `ready.${p.path}` })));
  const at = locate(candidate);
  return ok({
    ...sizeJson(made.value),
    verdicts,
    refused,
    seal,
    tempC: request.tempC,
    potLife: timeJson(pot),
    cure: timeJson(cureTime(seal.cure, request.tempC, mode)),
    ...(batches ? { batches: batches.value } : {}),
    because: because([
      `${at.size}.chamber`,
      `${at.family}.seal.allowanceShare`,
      'cableType.cores',
      ...readingPaths(input, 'core'),
      `catalogue.compounds[${request.catalogue.compounds?.findIndex((c) => c.product === seal.product) ?? -1}].packs`,
      'tempC',
    ]),
  });
});
