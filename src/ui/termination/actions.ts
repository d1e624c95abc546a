import type { Result } from '@/core/kernel';
import type { Reading } from '@/core/cable-measurement';
import type { MissingField } from '@/core/gland-selection';
import type { LookDecision } from '@/core/procedure';
import type { TerminationView } from '@/core/termination-view';

export interface TerminationRef {
  readonly job: string;
  readonly cable: string;
  readonly end: string;
}

/** Two people met on one row: what is there now, in the words of the grid. */
export interface RowConflict {
  readonly by: string | null;
  readonly values: Readonly<Record<string, string>>;
  readonly versions: RowVersions;
}

export interface RowVersions {
  readonly cable: number;
  readonly A: number;
  readonly B: number;
}

export type RowOutcome = { readonly saved: true } | { readonly conflict: RowConflict };

export interface ConfirmSend {
  readonly id: string;
  readonly stepId: string;
  readonly fingerprint: string;
  readonly decision: LookDecision | null;
  readonly at: string;
}

/** What the interface can ask the server to do; the pages pass these in. */
export interface TerminationActions {
  readonly addReading: (ref: TerminationRef, reading: Reading) => Promise<Result<{ id: number }>>;
  readonly withdrawReading: (ref: TerminationRef, id: number) => Promise<Result<null>>;
  readonly takeSize: (
    ref: TerminationRef,
    size: string,
    eventId: string,
  ) => Promise<Result<{ provisional: boolean }>>;
  readonly lockSize: (ref: TerminationRef, locked: boolean) => Promise<Result<null>>;
  /** Answers a question that a decision waits for. */
  readonly answerFact: (ref: TerminationRef, field: MissingField, value: unknown) => Promise<Result<null>>;
  readonly replan: (ref: TerminationRef, eventId: string) => Promise<Result<null>>;
  readonly confirmStep: (ref: TerminationRef, input: ConfirmSend) => Promise<Result<{ repeated: boolean }>>;
  readonly editRow: (
    job: string,
    cableId: number,
    versions: RowVersions,
    fields: Readonly<Record<string, string>>,
  ) => Promise<Result<RowOutcome>>;
  readonly undo: (job: string) => Promise<Result<{ label: string }>>;
}

/** What every station of a termination is given. */
export interface StationProps {
  readonly view: TerminationView;
  readonly actions: TerminationActions;
  readonly lit: string | null;
  readonly onLight: (id: string | null) => void;
}
