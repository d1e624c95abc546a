import { number, object, string, type InferType } from 'yup';
import { THREAD_FORMS } from './vocabulary';

/** A thread by form and size: metric `M32`, tapered `1` (NPT, nominal inches). Metric glands use pitch 1.5 (IEC 60423). */
export const threadSchema = object({
  form: string().oneOf(THREAD_FORMS).required(),
  size: string()
    .matches(/^(M\d{2,3}|\d+|\d+\/\d+|\d+ \d+\/\d+)$/, 'is not a thread size such as M32, 3/4 or 1 1/4')
    .required(),
  pitchMm: number().min(0.5).max(6).required(),
})
  .noUnknown()
  .required();

export type Thread = InferType<typeof threadSchema>;

export const threadName = (thread: Thread): string =>
  thread.form === 'metric' ? `${thread.size} × ${thread.pitchMm}` : `${thread.size} NPT`;

export const sameThread = (a: Thread, b: Thread): boolean =>
  a.form === b.form && a.size === b.size && a.pitchMm === b.pitchMm;

/** Major diameter of a metric thread in mm; null for tapered threads, whose sheets must say. */
export const majorDiameterMm = (thread: Thread): number | null =>
  thread.form === 'metric' ? Number(thread.size.slice(1)) : null;
