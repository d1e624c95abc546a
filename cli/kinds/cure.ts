import { array, number, object } from 'yup';
import { timeTable } from '@/core/catalogue';
import { trackCure } from '@/core/compound-cure';
import { ok } from '@/core/kernel';
import { kind } from './kind';

/** A minute on any clock. */
const minute = () => number().min(-1e9).max(1e9);

/** `cure`: a compound's printed cure and a log of temperatures → progress, holds, predicted time. Times in minutes on one clock. */
export const cureRequestSchema = object({
  cure: timeTable(),
  readings: array()
    .of(
      object({ at: minute().required(), c: number().min(-50).max(120).required() })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(20_000)
    .required(),
  /** When the compound was in; the first reading when left out. Nothing cures before. */
  pouredAt: minute().optional(),
  now: minute().required(),
})
  .noUnknown()
  .required();

export const cureKind = kind(cureRequestSchema, ({ cure, readings, now, pouredAt }) => {
  const track = trackCure(cure, readings, now, pouredAt);
  if (!track.ok) return track;
  return ok({
    ...track.value,
    provisional:
      pouredAt === undefined
        ? ['the time of the pour is not given: the clock begins with the first reading']
        : [],
    because: [
      { path: 'cure', value: cure },
      { path: 'pouredAt', value: pouredAt ?? null },
      { path: 'now', value: now },
    ],
  });
});
