import { number, object } from 'yup';

/** From … to, both known, the second no less than the first. */
export const intervalSchema = (most: number) =>
  object({ min: number().min(0).max(most).required(), max: number().min(0).max(most).required() })
    .noUnknown()
    .test(
      'order',
      'ends before it begins',
      (i: { readonly min: number; readonly max: number } | undefined) => i === undefined || !(i.min > i.max),
    )
    .required();
