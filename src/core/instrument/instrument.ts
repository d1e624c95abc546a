import { boolean, object, string, type InferType } from 'yup';
import { isSimulated } from './name';

/** What measures or tightens. */
export const INSTRUMENT_KINDS = [
  'caliper',
  'tape',
  'torqueWrench',
  'angleGauge',
  'continuityTester',
  'lowResistanceTester',
  'insulationTester',
  'thermometer',
  'gauge',
] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

const day = () =>
  string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'is no day like 2027-03-31')
    .test('day', 'is no day of the calendar', (v) => v === undefined || isDay(v));

/** `2027-02-30` reads like a day and is none. */
function isDay(text: string): boolean {
  const [year = 0, month = 0, date = 0] = text.split('-').map(Number);
  const leap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
  const days = [31, leap ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31][month - 1] ?? 0;
  return date >= 1 && date <= days;
}

/** An instrument as its register knows it; `code` is what stands on it, and what fitters write. */
export const instrumentSchema = object({
  code: string()
    .trim()
    .min(1)
    .max(60)
    .test('real', 'is what simulators are called', (code) => code === undefined || !isSimulated(code))
    .required(),
  kind: string().oneOf(INSTRUMENT_KINDS).required(),
  /** Who has it. */
  holder: string().trim().max(80).defined(),
  /** As its certificate says it: `± 0.02 mm`. */
  uncertainty: string().trim().max(80).defined(),
})
  .noUnknown()
  .required();
export type Instrument = InferType<typeof instrumentSchema>;

/** A look at an instrument by whoever calibrates it: good until a day, or not good. */
export const instrumentCheckSchema = object({
  on: day().required(),
  good: boolean().required(),
  /** Last day on which a good check holds; the same as `on` where it is not good. */
  until: day().required(),
  certificate: string().trim().max(80).defined(),
})
  .noUnknown()
  .test(
    'order',
    'until: is before the check',
    (c: { readonly on?: unknown; readonly until?: unknown } | undefined) =>
      typeof c?.on !== 'string' || typeof c.until !== 'string' || c.until >= c.on,
  )
  .required();
export type InstrumentCheck = InferType<typeof instrumentCheckSchema>;
