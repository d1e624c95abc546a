// What lines of a list say together, asked before each of them is known to be a line: one that is none contradicts nothing here, since its own
// schema refuses it.

/** What stands under a key, line by line; nothing for a line that is none. */
const under = (list: unknown, key: string): unknown[] =>
  (Array.isArray(list) ? (list as readonly unknown[]) : []).flatMap((line) =>
    typeof line === 'object' && line !== null && Object.hasOwn(line, key)
      ? [(line as Record<string, unknown>)[key]]
      : [],
  );

/** Whether the numbers under a key rise from each line to the next. */
export function rises(list: unknown, key: string): boolean {
  const values = under(list, key).filter((value) => typeof value === 'number');
  return values.every((value, k) => k === 0 || value > (values[k - 1] ?? -Infinity));
}

/** Whether no two lines have the same under a key. */
export function eachOnce(list: unknown, key: string): boolean {
  const values = under(list, key);
  return new Set(values).size === values.length;
}
