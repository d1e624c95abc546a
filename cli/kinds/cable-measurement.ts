import { object } from 'yup';
import {
  ANY_LAYERS,
  measure,
  measurementRulesSchema,
  nestingProblems,
  QUANTITIES,
  readingsSchema,
  type Measurement,
  type Quantity,
} from '@/core/cable-measurement';
import { NOTHING_MEASURED } from '@/core/gland-selection';
import { fail, ok, type Problem } from '@/core/kernel';
import { DEFAULT_PROFILE } from '@/core/schedule';
import { kind } from './kind';

/** `measure`: readings → interval, ovality and advice for each quantity. Rules default to those of the profile that jobs start from. */
export const measureRequestSchema = object({
  readings: readingsSchema,
  rules: measurementRulesSchema.optional().default(undefined),
})
  .noUnknown()
  .required();

export const measureKind = kind(measureRequestSchema, ({ readings, rules }) => {
  const quantities: Partial<Record<Quantity, Measurement & { because: unknown }>> = {};
  const measured: Record<Quantity, Measurement | null> = { ...NOTHING_MEASURED };
  const problems: Problem[] = [];
  for (const quantity of QUANTITIES) {
    const m = measure(readings, quantity, rules ?? DEFAULT_PROFILE.measurement);
    if (!m.ok) problems.push(...m.problems);
    else if (m.value !== null) {
      measured[quantity] = m.value;
      quantities[quantity] = {
        ...m.value,
        because: m.value.samples.map(({ index }) => ({
          path: `readings[${index}].text`,
          value: readings[index]?.text ?? null,
        })),
      };
    }
  }
  if (problems.length === 0) problems.push(...nestingProblems(ANY_LAYERS, measured));
  return problems.length > 0 ? fail(problems) : ok({ quantities });
});
