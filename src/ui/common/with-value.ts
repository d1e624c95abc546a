/** A copy of a value with another one at a path; what lies beside the path is shared, not copied. */
export function withValue<T>(value: T, path: readonly (string | number)[], next: unknown): T {
  const [key, ...rest] = path;
  if (key === undefined) return next as T;
  if (Array.isArray(value))
    return value.map((v: unknown, i) => (i === key ? withValue(v, rest, next) : v)) as T;
  const record = value as Record<string, unknown>;
  return { ...record, [key]: withValue(record[String(key)], rest, next) } as T;
}
