import type { GRID_FIELDS } from './grid-columns';

/** Columns that can be written, as they are called. */
export const FIELD_WORDS: Readonly<Record<(typeof GRID_FIELDS)[number], string>> = {
  tag: 'Cable',
  type: 'Type',
  route: 'Route, m',
  aPlace: 'End A',
  aTail: 'Tail A',
  bPlace: 'End B',
  bTail: 'Tail B',
  note: 'Note',
};

/** The word for a column by its name; the name itself where there is none. */
export const fieldWord = (field: string): string =>
  (FIELD_WORDS as Readonly<Record<string, string>>)[field] ?? field;
