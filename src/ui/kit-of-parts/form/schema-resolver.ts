import { toNestErrors } from '@hookform/resolvers';
import type { FieldError, FieldValues, Resolver } from 'react-hook-form';
import type { ObjectSchema } from 'yup';
import { validate, type Problem } from '@/core/kernel';

/** A form is judged by whatever judges what is made of it. The first of a field's problems is the one that is shown there. */
export const problemsResolver =
  <T extends FieldValues>(judge: (values: T) => readonly Problem[]): Resolver<T> =>
  (values, _, options) => {
    const problems = judge(values);
    if (problems.length === 0) return { values, errors: {} };
    const errors: Record<string, FieldError> = {};
    for (const { path, message } of problems)
      errors[path.replace(/\[(\d+)\]/g, '.$1')] ??= { type: 'problem', message };
    return { values: {}, errors: toNestErrors(errors, options) };
  };

/**
 * Judged by the schema by which the server judges, in the same words: strict, every problem at its field. What cannot be read as a number stays
 * text: no schema takes that.
 */
export const schemaResolver = <T extends FieldValues>(
  schema: ObjectSchema<T>,
  said: (values: T) => unknown = (values) => values,
): Resolver<T> =>
  problemsResolver((values) => {
    const read = validate(schema, said(values));
    return read.ok ? [] : read.problems;
  });
