import { ValidationError, type InferType, type Schema } from 'yup';
import { fail, ok, type Problem, type Result } from './result';

/**
 * Checks a value against a Yup schema without coercion: a number written as text is an error, an unknown key is one too.
 * Every problem is reported, with its path and the value found; `firstOnly` stops at the first, which bounds the work on a hostile value.
 */
export function validate<S extends Schema>(
  schema: S,
  value: unknown,
  firstOnly = false,
): Result<InferType<S>> {
  try {
    return ok(schema.validateSync(value, { strict: true, abortEarly: firstOnly }) as InferType<S>);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const inner = error.inner.length > 0 ? error.inner : [error];
    return fail(inner.map(toProblem));
  }
}

function toProblem(error: ValidationError): Problem {
  const path = error.path ?? '';
  const last = path === '' ? 'input' : path;
  // Yup starts its messages with the path; we carry the path separately.
  const message = error.errors
    .join('; ')
    .split(`${last} `)
    .join('')
    .replace(/^this /, '')
    .replace(/\s+/g, ' ');
  const value = (error.params as { originalValue?: unknown } | undefined)?.originalValue;
  return value === undefined ? { path, message } : { path, message, value };
}
