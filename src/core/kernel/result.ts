/** One thing wrong with an input: where, what, and the value that was there. Shown beside a field or a line. */
export interface Problem {
  /** Dotted path into the input, e.g. `readings[2].text`; empty for the input as a whole. */
  readonly path: string;
  readonly message: string;
  readonly value?: unknown;
  /** Its message says where it belongs already. */
  readonly placed?: boolean;
}

/** A foreseeable failure is returned, never thrown; a bug throws. */
export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const fail = (problems: readonly Problem[]): { ok: false; problems: readonly Problem[] } => ({
  ok: false,
  problems,
});

/** One-problem shorthand. */
export const refuse = (path: string, message: string, value?: unknown) =>
  fail([value === undefined ? { path, message } : { path, message, value }]);

/** A value as a line can hold it. */
export const valueWords = (value: unknown): string =>
  typeof value === 'bigint' || typeof value === 'symbol' || typeof value === 'function'
    ? typeof value
    : (JSON.stringify(value) ?? 'nothing');

/** `path: message, got value`, the form the command line prints. */
export function problemLine(problem: Problem): string {
  return `${problem.path === '' ? '(input)' : problem.path}: ${problemWords(problem)}`;
}

/** What is wrong, with the value that was found, without its place. */
export function problemWords({ message, value }: Problem): string {
  if (value === undefined) return message;
  const shown = valueWords(value);
  return `${message}, got ${shown.length > 80 ? `${shown.slice(0, 77)}…` : shown}`;
}
