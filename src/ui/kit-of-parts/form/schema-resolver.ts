import { toNestErrors } from '@hookform/resolvers';
import { get, type FieldError, type FieldValues, type Resolver } from 'react-hook-form';
import type { ObjectSchema } from 'yup';
import { validate } from '@/core/kernel';

/**
 * A form is judged by the schema by which the server judges it, in the same words: strict, every problem at its field. What cannot be read as
 * a number is NaN: no schema takes that, and it is said as what it is.
 */
export const schemaResolver =
  <T extends FieldValues>(schema: ObjectSchema<T>): Resolver<T> =>
  (values, _, options) => {
    const read = validate(schema, values);
    if (read.ok) return { values, errors: {} };
    const errors: Record<string, FieldError> = {};
    for (const { path, message } of read.problems) {
      const at = path.replace(/\[(\d+)\]/g, '.$1');
      // The first of a field's problems is the one that is shown there.
      errors[at] ??= { type: 'schema', message: Number.isNaN(get(values, at)) ? 'is no number' : message };
    }
    return { values: {}, errors: toNestErrors(errors, options) };
  };
