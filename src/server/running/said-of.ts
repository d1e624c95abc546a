interface Said {
  readonly type: string;
  readonly code?: string;
  /** With its signs for values, never with values. */
  readonly statement?: string;
  readonly frames?: readonly string[];
  readonly cause?: Said;
}

const MOST_FRAMES = 12;
const MOST_STATEMENT = 400;
const MOST_CAUSES = 3;

const textAt = (error: object, name: string): string | undefined => {
  const value = (error as Readonly<Record<string, unknown>>)[name];
  return typeof value === 'string' ? value : undefined;
};

/**
 * What a log may say of an error: of which kind it is, its code, the statement without its values, and where it was thrown. Its words are left out: the
 * database repeats what somebody typed in them, names too. Where it was thrown, the words stand in the source.
 */
export function saidOf(error: unknown, depth = 0): Said {
  if (!(error instanceof Error)) return { type: typeof error };
  const code = textAt(error, 'code');
  const statement = textAt(error, 'query');
  // The words come first in a stack, over as many lines as they have.
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, MOST_FRAMES)
    .map((line) => line.trim());
  return {
    type: error.name,
    ...(code === undefined ? {} : { code }),
    ...(statement === undefined ? {} : { statement: statement.slice(0, MOST_STATEMENT) }),
    ...(frames.length === 0 ? {} : { frames }),
    ...(error.cause === undefined || depth >= MOST_CAUSES ? {} : { cause: saidOf(error.cause, depth + 1) }),
  };
}
