import { CODE_PROFILE_FIELDS, type CodeProfile } from '@/core/schedule';

/** One figure of a profile that can be edited, by its path. */
export interface Figure {
  readonly path: readonly (string | number)[];
  readonly words: string;
  readonly value: number | string | null;
}

export interface FigureGroup {
  readonly key: string;
  readonly title: string;
  readonly source: string;
  readonly figures: readonly Figure[];
}

const GROUPS: readonly (readonly [keyof CodeProfile, string])[] = [
  ['barrier', 'Barrier inside the cable'],
  ['flameproofThreads', 'Flameproof parallel threads'],
  ['taperedThreads', 'Tapered threads'],
  ['otherThreads', 'Other threads'],
  ['clearanceHole', 'Clearance holes'],
  ['measurement', 'Measuring'],
  ['cut', 'Cutting back'],
];

const TEXTS: ReadonlySet<string> = new Set(['source', 'rule']);
const WORDS: Readonly<Record<string, string>> = CODE_PROFILE_FIELDS;

function figuresIn(value: unknown, path: (string | number)[]): Figure[] {
  const last = String(path[path.length - 1]);
  // A text in the place of a number is what somebody is typing: its field must not go away under the hand.
  if (typeof value === 'number' || value === null || (typeof value === 'string' && !TEXTS.has(last))) {
    const row = path.find((p) => typeof p === 'number');
    const words = WORDS[last] ?? last;
    return [{ path, words: typeof row === 'number' ? `${row + 1}. ${words}` : words, value }];
  }
  if (Array.isArray(value)) return value.flatMap((v, i) => figuresIn(v, [...path, i]));
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).flatMap(([k, v]) => figuresIn(v, [...path, k]));
  return [];
}

/** Every number of a profile in the groups that carry a source. */
export const figureGroups = (profile: CodeProfile): FigureGroup[] =>
  GROUPS.map(([key, title]) => ({
    key,
    title,
    source: (profile[key] as { source: string }).source,
    figures: figuresIn(profile[key], [key]),
  }));
