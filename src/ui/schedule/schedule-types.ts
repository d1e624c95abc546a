import type { RowVersions } from '@/core/termination-view';
import type { ImportRow } from '@/core/schedule';

/** Two people met on one row: what is there now, in the words of the grid. */
export interface RowConflict {
  readonly by: string | null;
  readonly values: Readonly<Record<string, string>>;
  readonly versions: RowVersions;
}

export type RowOutcome = { readonly saved: true } | { readonly conflict: RowConflict };

export interface ImportPreviewView {
  readonly columns: readonly string[];
  readonly unknownColumns: readonly string[];
  readonly rows: readonly ImportRow[];
  readonly hash: string;
  readonly refusedCsv: string;
  readonly gone: readonly { readonly tag: string; readonly begun: boolean }[];
}

export interface ImportOutcomeView {
  readonly added: number;
  readonly changed: number;
  readonly refused: number;
}
