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

/** What a value is not, in words of people: Yup speaks of types. */
const TYPE_WORDS: Readonly<Record<string, string>> = {
  number: 'is no number',
  string: 'is no text',
  boolean: 'is neither yes nor no',
  array: 'is no list',
  object: 'has no fields',
};

function toProblem(error: ValidationError): Problem {
  const path = error.path ?? '';
  const params = error.params as { originalValue?: unknown; type?: unknown } | undefined;
  const value = params?.originalValue;
  const expected = error.type === 'typeError' ? TYPE_WORDS[String(params?.type)] : undefined;
  if (expected !== undefined)
    // NaN is what unreadable text comes to: there is nothing to show of it.
    return value === undefined || Number.isNaN(value)
      ? { path, message: expected }
      : { path, message: expected, value };
  const last = path === '' ? 'input' : path;
  // Yup starts its messages with the path; we carry the path separately.
  const message = error.errors
    .map((said) => (said.startsWith(`${last} `) ? said.slice(last.length + 1) : said))
    .join('; ')
    .replace(/^this /, '')
    .replace(/is a required field|must be defined/, 'is not said')
    .replace(/\s+/g, ' ');
  return value === undefined ? { path, message } : { path, message, value };
}
