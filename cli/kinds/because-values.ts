/** One figure an answer stands on: where it is in the request, and what is there; null where nothing is. */
export interface Because {
  readonly path: string;
  readonly value: unknown;
}

/** The figures at some paths of a request; what a rule looks at and nobody has given is there with null. */
export const becauseOfPaths = (request: unknown, paths: readonly string[]): Because[] =>
  [...new Set(paths)].map((path) => ({ path, value: valueAt(request, path) }));

function valueAt(root: unknown, path: string): unknown {
  let value = root;
  for (const key of path.replace(/\[(\d+)\]/g, '.$1').split('.')) {
    if (typeof value !== 'object' || value === null || !Object.hasOwn(value, key)) return null;
    value = (value as Record<string, unknown>)[key];
  }
  return value ?? null;
}
