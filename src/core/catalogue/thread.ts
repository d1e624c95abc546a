import { number, object, string, type InferType } from 'yup';
import { THREAD_FORMS, type ThreadForm } from './vocabulary';

/** How the sizes of each form are written; `M32`, and nominal inches such as `3/4`, `1` or `1 1/4`. */
const SIZE_OF: Readonly<Record<ThreadForm, RegExp>> = {
  metric: /^M[1-9]\d{1,2}$/,
  npt: /^([1-9]\d?|[1-9]\d?\/[1-9]\d?|[1-9] [1-9]\d?\/[1-9]\d?)$/,
};

/** Nominal inches of a tapered size; null for a text that is none: an improper fraction, nothing at all. */
function nominalInches(size: string): number | null {
  if (!SIZE_OF.npt.test(size)) return null;
  const [, whole = '0', top = '0', bottom = '1'] = /^(?:(\d+)(?: |$))?(?:(\d+)\/(\d+))?$/.exec(size) ?? [];
  const share = Number(top) / Number(bottom);
  return share < 1 ? Number(whole) + share : null;
}

/** Is the text a size of this form? A size that nobody can read engages with nothing, and is refused where it is written. */
export const isThreadSize = (form: ThreadForm, size: string): boolean =>
  form === 'metric' ? SIZE_OF.metric.test(size) : nominalInches(size) !== null;

/** A thread by form and size: metric `M32`, tapered `1` (NPT, nominal inches). Metric glands use pitch 1.5 (IEC 60423). */
export const threadSchema = object({
  form: string().oneOf(THREAD_FORMS).required(),
  size: string()
    .required()
    .test(
      'size',
      'is not a thread size of its form, such as M32, or 3/4 and 1 1/4 for npt',
      function size(text) {
        const { form } = this.parent as { form?: unknown };
        const known = THREAD_FORMS.find((f) => f === form);
        return known === undefined || text === undefined || isThreadSize(known, text);
      },
    ),
  pitchMm: number().min(0.5).max(6).required(),
})
  .noUnknown()
  .meta({
    // What the test on the size says, for readers of the published schema.
    jsonSchema: {
      oneOf: THREAD_FORMS.map((form) => ({
        properties: { form: { const: form }, size: { pattern: SIZE_OF[form].source } },
      })),
    },
  })
  .required();

export type Thread = InferType<typeof threadSchema>;

export const threadName = (thread: Thread): string =>
  thread.form === 'metric' ? `${thread.size} × ${thread.pitchMm}` : `${thread.size} NPT`;

export const sameThread = (a: Thread, b: Thread): boolean =>
  a.form === b.form && a.size === b.size && a.pitchMm === b.pitchMm;

/** Major diameter of a metric thread in mm; null for tapered threads, whose sheets must say. */
export const majorDiameterMm = (thread: Thread): number | null =>
  thread.form === 'metric' && isThreadSize('metric', thread.size) ? Number(thread.size.slice(1)) : null;
