import { createScanner } from 'jsonc-parser';
import { ok, refuse, type Result } from '@/core/kernel';

/** Tokens of the scanner; its own enumeration exists for the compiler only. */
const TOKEN = {
  openBrace: 1,
  closeBrace: 2,
  openBracket: 3,
  closeBracket: 4,
  comma: 5,
  colon: 6,
  string: 10,
  number: 11,
  end: 17,
} as const;

/** Objects and lists in one another: no request comes near, and a text of nothing but brackets is no request. */
const DEEPEST = 64;

/**
 * Parses a JSON text and refuses what the standard parser lets through: a key that stands twice in one object (the last would count, unseen),
 * nesting without end, and numbers beyond all bounds. Errors carry the path as it is in the request.
 */
export function parseJson(text: string): Result<unknown> {
  const strange = scanned(text);
  if (strange !== null) return strange;
  try {
    return ok(JSON.parse(text) as unknown);
  } catch (error) {
    return refuse('', `is not JSON: ${firstLine(error)}`);
  }
}

export const firstLine = (error: unknown): string =>
  (error instanceof Error ? error.message : String(error)).split('\n')[0] ?? '';

interface Level {
  /** Keys so far; null in a list. */
  readonly keys: Set<string> | null;
  key: string;
  index: number;
}

const pathOf = (levels: readonly Level[]): string =>
  levels
    .map((l) => (l.keys === null ? `[${l.index}]` : `.${l.key}`))
    .join('')
    .replace(/^\./, '');

/** Walks the tokens without recursion, so that no depth can exhaust the stack. */
function scanned(text: string): ReturnType<typeof refuse> | null {
  const scanner = createScanner(text, true);
  const levels: Level[] = [];
  for (
    let token: number = scanner.scan(), before = token;
    token !== TOKEN.end;
    before = token, token = scanner.scan()
  ) {
    const top = levels[levels.length - 1];
    if (token === TOKEN.openBrace || token === TOKEN.openBracket) {
      if (levels.length >= DEEPEST)
        return refuse(
          pathOf(levels).slice(0, 80),
          `lies deeper than ${DEEPEST} objects and lists in one another`,
        );
      levels.push({ keys: token === TOKEN.openBrace ? new Set() : null, key: '', index: 0 });
    } else if (token === TOKEN.closeBrace || token === TOKEN.closeBracket) {
      levels.pop();
    } else if (token === TOKEN.comma && top?.keys === null) {
      top.index += 1;
    } else if (token === TOKEN.string && top?.keys && before !== TOKEN.colon) {
      const key = scanner.getTokenValue();
      top.key = key;
      if (top.keys.has(key)) return refuse(pathOf(levels), 'stands twice in one object', key);
      top.keys.add(key);
    } else if (token === TOKEN.number && !Number.isFinite(Number(scanner.getTokenValue()))) {
      return refuse(pathOf(levels), 'is larger than any number', scanner.getTokenValue());
    }
  }
  return null;
}
