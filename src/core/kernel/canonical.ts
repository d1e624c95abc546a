import sha256 from 'fast-sha256';

/** JSON with keys in code-point order and no blanks, so that equal values have equal text. `undefined` members vanish. */
export function canonicalJson(value: unknown): string {
  if (value === null || typeof value !== 'object') {
    if (typeof value === 'number' && !Number.isFinite(value))
      throw new Error('canonicalJson: number is not finite');
    return JSON.stringify(value) ?? 'null';
  }
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(',')}]`;
  const members = Object.entries(value)
    .filter(([, v]) => v !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
    .map(([k, v]) => `${JSON.stringify(k)}:${canonicalJson(v)}`);
  return `{${members.join(',')}}`;
}

/**
 * SHA-256 of the canonical JSON, as 64 hexadecimal digits. By an implementation in one file: one that is split over modules becomes
 * twenty times slower when a bundler turns its inner calls into property look-ups, and a plan takes some thirty hashes.
 */
export const hashOf = (value: unknown): string => hashText(canonicalJson(value));

// Everywhere that the core runs; its types come with a browser's or a server's, and the core has neither.
declare const TextEncoder: new () => { readonly encode: (text: string) => Uint8Array };

/** SHA-256 of bytes, as 64 hexadecimal digits. */
export const hashBytes = (bytes: Uint8Array): string =>
  Array.from(sha256(bytes), (byte) => byte.toString(16).padStart(2, '0')).join('');

/** SHA-256 of a text, as 64 hexadecimal digits. */
export const hashText = (text: string): string => hashBytes(new TextEncoder().encode(text));

const known = new WeakMap<object, string>();

/** `hashOf` of a record that never changes, worked out once for each object: catalogue revisions, profiles, compounds. */
export function hashOnce(record: object, of: (record: object) => unknown = (r) => r): string {
  const before = known.get(record);
  if (before !== undefined) return before;
  const made = hashOf(of(record));
  known.set(record, made);
  return made;
}
