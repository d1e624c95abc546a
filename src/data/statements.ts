import { appendFileSync } from 'node:fs';
import type { Logger } from 'drizzle-orm';

/** However many values a list has, and however many rows are added at once: it is one statement. */
export const plainStatement = (statement: string): string =>
  statement
    .replace(/\bin \(\?(?:, \?)+\)/gi, 'in (?)')
    .replace(
      /\b(values )(\((?:\?|default)(?:, (?:\?|default))*\))(?:, \((?:\?|default)(?:, (?:\?|default))*\))+/,
      '$1$2',
    )
    .trim();

/**
 * Writes each statement that is asked of the database once into a file, a line of JSON each: what a release asks is kept, so that the next one's tables
 * can be tried with it (`npm run release:statements`).
 */
export function statementsInto(file: string): Logger {
  const seen = new Set<string>();
  return {
    logQuery(query) {
      const statement = plainStatement(query);
      if (seen.has(statement)) return;
      seen.add(statement);
      appendFileSync(file, `${JSON.stringify(statement)}\n`);
    },
  };
}
