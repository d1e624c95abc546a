import { number, object, string, type InferType } from 'yup';

/** A range exactly as the sheet prints it. The inches are what is printed, not a conversion of the mm. */
export const printedRangeSchema = object({
  min: number().min(0).max(400).required(),
  max: number()
    .min(0)
    .max(400)
    .required()
    .test('order', 'the maximum is below the minimum', function order(max) {
      const { min } = this.parent as { min?: number };
      return min === undefined || max === undefined || max >= min;
    }),
  /** Inches as printed, as text. */
  inMin: string().max(20).optional(),
  inMax: string().max(20).optional(),
})
  .noUnknown()
  .required();

export type PrintedRange = InferType<typeof printedRangeSchema>;
