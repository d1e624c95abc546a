import { appendFileSync, closeSync, existsSync, mkdirSync, openSync, readSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The folder of what is kept outside the database: `AMBER_COLLAR_KEEP`. */
export const keepFolder = (): string =>
  process.env.AMBER_COLLAR_KEEP ?? join(process.cwd(), '.local', 'keep');

/** A file outside the database to which all processes of a machine only add lines. */
export interface KeptLog<S> {
  /** What all lines come to, with those that other processes have written since. */
  readonly recall: () => S;
  /** Adds lines. */
  readonly add: (lines: readonly string[]) => void;
}

/** The file of this name in the folder that is kept; `take` adds what a line says, in its words, to a state that begins as `fresh`. */
export function keptLog<S>(
  name: string,
  fresh: () => S,
  take: (state: S, words: readonly string[]) => void,
): KeptLog<S> {
  let memory: { readonly path: string; readonly read: number; readonly state: S } | null = null;
  return {
    recall: () => {
      const path = join(keepFolder(), name);
      if (memory?.path !== path) memory = { path, read: 0, state: fresh() };
      const size = existsSync(path) ? statSync(path).size : 0;
      if (size === memory.read) return memory.state;
      // One that has become shorter was put there by somebody: it is read from its beginning.
      const from = size < memory.read ? 0 : memory.read;
      const { state } = memory;
      const text = readFrom(path, from, size - from);
      // The last line may be one that another process is in the middle of writing.
      const whole = text.slice(0, text.lastIndexOf('\n') + 1);
      for (const line of whole.split('\n')) if (line !== '') take(state, line.split(' '));
      memory = { path, read: from + Buffer.byteLength(whole), state };
      return state;
    },
    add: (lines) => {
      const path = join(keepFolder(), name);
      mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
      appendFileSync(path, lines.map((line) => `${line}\n`).join(''), { mode: 0o600 });
    },
  };
}

function readFrom(path: string, from: number, bytes: number): string {
  const into = Buffer.alloc(bytes);
  const file = openSync(path, 'r');
  try {
    return into.subarray(0, readSync(file, into, 0, bytes, from)).toString('utf8');
  } finally {
    closeSync(file);
  }
}
