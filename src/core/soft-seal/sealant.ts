import { array, number, object, string, type InferType } from 'yup';
import { rises } from '@/core/kernel';
import { finding, type SealFinding } from './finding';

/** Sealing compound that is bought in cartridges. */
export const sealantSchema = object({
  id: string().min(1).max(40).required(),
  mlPerCartridge: number().positive().max(100_000).required(),
  /** What is lost on the way, as a share of what goes in. */
  wasteShare: number().min(0).max(1).required(),
  /** Minutes in which it can still be pressed, by temperature, °C, rising; left out where the sheet is silent. */
  openTime: array()
    .of(
      object({
        c: number().min(-60).max(120).required(),
        minutes: number().positive().max(10_000).required(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(40)
    .test('order', 'do not rise in temperature', (lines) => rises(lines, 'c'))
    .optional(),
})
  .noUnknown()
  .required();
export type Sealant = InferType<typeof sealantSchema>;

/**
 * Minutes in which a sealant can still be pressed at a temperature: between two lines of the sheet the shorter of both counts, beyond its first and last
 * line nothing is known (null).
 */
export function openMinutes({ openTime = [] }: Pick<Sealant, 'openTime'>, c: number): number | null {
  const below = openTime.filter((l) => l.c <= c).at(-1);
  const above = openTime.find((l) => l.c >= c);
  return below === undefined || above === undefined ? null : Math.min(below.minutes, above.minutes);
}

/** Whether the sealant can be worked at the temperature of the wall; asked for where its sheet gives times. */
export function openTimeFindings({ openTime }: Sealant, tempC: number | undefined): SealFinding[] {
  if (openTime === undefined) return [];
  if (tempC === undefined) return [finding('ask', 'askTemperature', {})];
  const minutes = openMinutes({ openTime }, tempC);
  return [
    minutes === null
      ? finding('fails', 'sealantCold', {
          c: tempC,
          from: openTime[0]?.c ?? 0,
          to: openTime.at(-1)?.c ?? 0,
        })
      : finding('holds', 'openTime', { c: tempC, minutes }),
  ];
}
