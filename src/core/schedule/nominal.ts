import { number, object, type InferType } from 'yup';
import {
  measure,
  nestingProblems,
  PLAUSIBLE_MM,
  QUANTITIES,
  type Layers,
  type Measurement,
  type Quantity,
  type Reading,
} from '@/core/cable-measurement';
import { ok, refuse, type Result } from '@/core/kernel';
import { parseLength, trimNumber } from '@/core/units';
import { HOUSE_FIGURES } from './profiles/house-figures';

const nominalOf = (quantity: Quantity) => {
  const [low, high] = PLAUSIBLE_MM[quantity];
  return object({
    mm: number().min(low).max(high).required(),
    /** Half of what the datasheet lets it vary; the profile's share is taken where the datasheet prints none. */
    toleranceMm: number()
      .min(0)
      .optional()
      .test('tolerance', 'is as large as the diameter', function smaller(tolerance) {
        const { mm } = this.parent as { mm?: unknown };
        return tolerance === undefined || typeof mm !== 'number' || tolerance < mm;
      }),
  })
    .noUnknown()
    .optional()
    .default(undefined);
};

/** Diameters of a cable's layers by its datasheet, mm. */
export const nominalSchema = object({
  outerSheath: nominalOf('outerSheath'),
  innerSheath: nominalOf('innerSheath'),
  armourWire: nominalOf('armourWire'),
  overArmour: nominalOf('overArmour'),
  laidUpCores: nominalOf('laidUpCores'),
  core: nominalOf('core'),
} satisfies Record<Quantity, unknown>)
  .noUnknown()
  .optional()
  .default(undefined);

export type Nominal = InferType<typeof nominalSchema>;
export type NominalDiameter = NonNullable<NonNullable<Nominal>[Quantity]>;

/** What a datasheet says of a layer, as a reading: nothing but nominal, so that everything that stands on it is provisional. */
const nominalReading = (quantity: Quantity, { mm, toleranceMm }: NominalDiameter): Reading => ({
  quantity,
  method: 'datasheet',
  text: trimNumber(mm, 4),
  unit: 'mm',
  ...(toleranceMm === undefined ? {} : { tolerance: `${trimNumber(toleranceMm, 4)} mm` }),
});

/**
 * The readings of an end, and for every layer of which there is none what the datasheet of its type says. A layer that was measured, or whose
 * datasheet value was given for this cable, is left as it is.
 */
export function withNominal(readings: readonly Reading[], nominal: Nominal): Reading[] {
  if (nominal === undefined) return [...readings];
  const said = new Set(readings.map((r) => r.quantity));
  return [
    ...readings,
    ...QUANTITIES.flatMap((quantity) => {
      const given = nominal[quantity];
      return given === undefined || said.has(quantity) ? [] : [nominalReading(quantity, given)];
    }),
  ];
}

/** Why diameters of a datasheet cannot be those of this construction: a layer that it has not, or one as thick as the one around it. Null when they can. */
export function nominalProblem(type: Layers & { readonly nominal?: Nominal }): string | null {
  if (type.nominal === undefined) return null;
  const readings = withNominal([], type.nominal);
  const measured = Object.fromEntries(
    QUANTITIES.map((q) => {
      const m = measure(readings, q, HOUSE_FIGURES.measurement);
      return [q, m.ok ? m.value : null] as const;
    }),
  ) as Record<Quantity, Measurement | null>;
  return nestingProblems(type, measured)[0]?.message ?? null;
}

/**
 * Reads what a datasheet prints of a diameter: `28.4`, `28,4 mm`, `28.4 ± 0.6`, `27.8–29.0`, `1.12 in ± 0.02`. A span is its middle and half of it.
 * A bare number is in `unit`.
 */
export function readNominal(text: string, unit: 'mm' | 'in' = 'mm'): Result<NominalDiameter> {
  const plain = text.trim();
  const [value = '', tolerance, more] = plain.split(/\s*(?:±|\+\/-|\+-)\s*/);
  if (more !== undefined) return refuse('', 'is not a diameter such as 28.4 or 28.4 ± 0.6', text);
  const span = parseLength(value, unit).ok
    ? null
    : /^(\d[\d.,]*)\s*(?:-|–|—|\.\.\.?|to)\s*(\d.*)$/i.exec(value);
  const length = (part: string): Result<number> => {
    const read = parseLength(part, unit);
    return read.ok ? ok(read.value.mm) : refuse('', read.problems[0]?.message ?? 'is no length', text);
  };
  if (span !== null) {
    if (tolerance !== undefined) return refuse('', 'is a span and a tolerance at once', text);
    const to = parseLength(span[2] ?? '', unit);
    if (!to.ok) return refuse('', to.problems[0]?.message ?? 'is no length', text);
    // Of `27.8–29.0 mm` the unit at the end speaks for both.
    const from = parseLength(span[1] ?? '', to.value.unit === 'in' ? 'in' : unit);
    if (!from.ok) return refuse('', from.problems[0]?.message ?? 'is no length', text);
    if (from.value.mm > to.value.mm) return refuse('', 'runs backwards', text);
    return ok({
      mm: round((from.value.mm + to.value.mm) / 2),
      toleranceMm: round((to.value.mm - from.value.mm) / 2),
    });
  }
  const mm = length(value);
  if (!mm.ok) return mm;
  if (tolerance === undefined) return ok({ mm: round(mm.value) });
  const half = length(tolerance);
  return half.ok ? ok({ mm: round(mm.value), toleranceMm: round(half.value) }) : half;
}

const round = (mm: number): number => Number(mm.toFixed(4));

/** The same as text that `readNominal` reads back. */
export const writeNominal = ({ mm, toleranceMm }: NominalDiameter): string =>
  toleranceMm === undefined ? trimNumber(mm, 4) : `${trimNumber(mm, 4)} ± ${trimNumber(toleranceMm, 4)}`;
