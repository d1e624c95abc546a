import type { CellChange } from '@/core/schedule';

/** What a table of types or boxes would do to one of them. */
export interface SetupLine {
  readonly what: 'type' | 'box' | 'entry';
  readonly name: string;
  readonly status: 'new' | 'changed' | 'same';
  /** By the columns of the table. */
  readonly changes: readonly CellChange[];
}

export interface SetupPreview {
  readonly lines: readonly SetupLine[];
  /** Ends whose plans would become stale. */
  readonly stale: readonly string[];
  /** Stands for what was shown: taking in is refused when the job has changed since. */
  readonly hash: string;
}
