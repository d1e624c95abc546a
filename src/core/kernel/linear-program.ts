/**
 * A linear program with whole-number columns, as data. The core states it, a solver behind the port answers it; the core never knows which.
 * Bounds may be `Infinity`. Rows are sparse: `columns[i]` has the coefficient `values[i]`.
 */
export interface LinearProgram {
  readonly sense: 'minimize' | 'maximize';
  /** How far from the best an answer may lie, as a share of it; 0 when left out. */
  readonly gap?: number;
  /** How many nodes may be looked at, where an unfinished answer is of use. */
  readonly nodes?: number;
  /** Share of the time that may go into guessing good answers; 0 where a refusal is expected. */
  readonly effort?: number;
  readonly columns: readonly ProgramColumn[];
  readonly rows: readonly ProgramRow[];
}

export interface ProgramColumn {
  readonly cost: number;
  readonly lower: number;
  readonly upper: number;
  readonly whole: boolean;
}

export interface ProgramRow {
  readonly lower: number;
  readonly upper: number;
  readonly columns: readonly number[];
  readonly values: readonly number[];
}

export interface ProgramAnswer {
  /** `feasible`: a limit was reached with an answer in hand; `limit`: with none. */
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'limit';
  readonly objective: number | null;
  /** No answer can be better than this; null when nothing is known. */
  readonly bound: number | null;
  /** One for each column; empty when there is none. */
  readonly values: readonly number[];
}

/** What a long computation asks of whoever drives it. */
export type Ask =
  | { readonly kind: 'solve'; readonly program: LinearProgram }
  | { readonly kind: 'progress'; readonly stage: string; readonly done: number; readonly of: number };

/** The port: a solver answers one program. Limits and the clock belong to the driver. */
export type Solve = (program: LinearProgram) => ProgramAnswer;

/** Runs a computation to its end: answers its programs with `solve`, passes its progress on. */
export function drive<T>(
  computation: Generator<Ask, T, ProgramAnswer | undefined>,
  solve: Solve,
  onProgress: (stage: string, done: number, of: number) => void = () => undefined,
): T {
  let next = computation.next();
  while (next.done !== true) {
    const ask = next.value;
    if (ask.kind === 'progress') {
      onProgress(ask.stage, ask.done, ask.of);
      next = computation.next(undefined);
    } else {
      next = computation.next(solve(ask.program));
    }
  }
  return next.value;
}
