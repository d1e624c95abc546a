import type { Result } from '@/core/kernel';
import type { Reading } from '@/core/cable-measurement';
import type { MissingField } from '@/core/gland-selection';
import type { Terminal } from '@/core/cut-back';
import type { LookDecision, MixRecord } from '@/core/procedure';
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

/** What a confirmation carries besides its turn. */
export interface ConfirmMore {
  readonly mix?: MixRecord;
  readonly measuredMm?: number | null;
}

export interface ConfirmSend extends ConfirmMore {
  readonly id: string;
  readonly stepId: string;
  readonly fingerprint: string;
  readonly decision: LookDecision | null;
  readonly at: string;
}

/** What became of a confirmation. */
export interface ConfirmReply {
  readonly repeated: boolean;
  /** Why the mix is waste, when it came too late. */
  readonly waste: string | null;
}

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
  readonly confirmStep: (ref: TerminationRef, input: ConfirmSend) => Promise<Result<ConfirmReply>>;
  readonly logTemperature: (
    ref: TerminationRef,
    input: { readonly id: string; readonly tempC: number; readonly at: string },
  ) => Promise<Result<null>>;
  readonly recut: (
    ref: TerminationRef,
    input: { readonly id: string; readonly text: string; readonly at: string },
  ) => Promise<Result<{ spareMm: number }>>;
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
