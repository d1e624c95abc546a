import type { Problem } from './result';

/** Names of all fields in a value, at any depth. */
export type FieldsOf<T> = T extends readonly (infer E)[]
  ? FieldsOf<E>
  : T extends (...args: never[]) => unknown
    ? never
    : T extends object
      ? {
          [K in keyof T & string]-?: string extends K ? FieldsOf<T[K]> : K | FieldsOf<NonNullable<T[K]>>;
        }[keyof T & string]
      : never;

/** What each field is called by people. Complete by type: a field that comes to the value needs its words. */
export type FieldWords<T> = Readonly<Record<FieldsOf<T>, string>>;

/**
 * A path as people read it: `sizes[2].outerSeal.max` is “size 3, outer seal, largest”. What stands in a list is called by its number, or, where
 * `nameOf` knows one, by its own name. Fields that the table does not have stay as they are written.
 */
export function pathWords(
  path: string,
  words: Readonly<Record<string, string>>,
  nameOf: (list: string) => string | undefined = () => undefined,
): string {
  let at = '';
  const said: string[] = [];
  for (const [, field, index] of path.matchAll(/([^.[\]]+)|\[(\d+)\]/g)) {
    if (field !== undefined) {
      at = at === '' ? field : `${at}.${field}`;
      said.push(words[field] ?? field);
      continue;
    }
    at = `${at}[${index}]`;
    const named = nameOf(at);
    if (named === undefined) said.push(`${said.pop() ?? ''} ${Number(index) + 1}`.trim());
    else said.splice(-1, 1, named);
  }
  return said.join(', ');
}

/**
 * A problem that begins with its place as a person would call it. What belongs to no field of the table (somebody else has changed it, the
 * server is away) is a whole sentence already and stays as it is.
 */
export function placedProblem(
  problem: Problem,
  words: Readonly<Record<string, string>>,
  nameOf?: (list: string) => string | undefined,
): Problem {
  const [field = ''] = problem.path.split(/[.[]/);
  if (problem.placed === true || words[field] === undefined) return problem;
  return { ...problem, message: `${pathWords(problem.path, words, nameOf)}: ${problem.message}` };
}
