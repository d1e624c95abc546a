import type { Result } from '@/core/kernel';
import type { Reading } from '@/core/cable-measurement';
import type { MissingField } from '@/core/gland-selection';
import type { Terminal } from '@/core/cut-back';
import type { SubjectRef, TerminationRef, WorkInput, WorkOutcome } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';

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

/** Puts what a hand did at the bench into the record. */
export type WorkAction = (ref: SubjectRef, input: WorkInput) => Promise<Result<WorkOutcome>>;

/** What the interface can ask the server to do; the pages pass these in. */
export interface TerminationActions {
  /** `id` names what is sent: see `useSendId`. */
  readonly addReading: (ref: TerminationRef, reading: Reading, id: string) => Promise<Result<{ id: number }>>;
  readonly withdrawReading: (ref: TerminationRef, id: number) => Promise<Result<null>>;
  readonly takeSize: (
    ref: TerminationRef,
    size: string,
    eventId: string,
    /** Work at the bench that this undoes has been shown and is to go. */
    knowing: boolean,
  ) => Promise<Result<{ provisional: boolean }>>;
  readonly lockSize: (ref: TerminationRef, version: number, locked: boolean) => Promise<Result<null>>;
  /** Answers a question that a decision waits for. */
  readonly answerFact: (ref: TerminationRef, field: MissingField, value: unknown) => Promise<Result<null>>;
  readonly replan: (ref: TerminationRef, eventId: string) => Promise<Result<null>>;
  readonly work: WorkAction;
  readonly setTerminals: (
    ref: TerminationRef,
    version: number,
    text: string,
  ) => Promise<Result<readonly Terminal[]>>;
  readonly setCompound: (
    ref: TerminationRef,
    version: number,
    product: string | null,
  ) => Promise<Result<null>>;
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
