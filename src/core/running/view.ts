import type { LostJob } from '@/core/record';

/** A process of the application, as it last said itself to be. */
export interface ProcessView {
  readonly id: string;
  readonly host: string;
  readonly pid: number;
  readonly version: string;
  readonly build: string;
  readonly startedAt: string;
  /** How long ago it said that it is there. */
  readonly quietSeconds: number;
  /** How late its turns come at most, in 99 of 100. */
  readonly lagMs: number;
  readonly memoryMb: number;
  readonly heavyRunning: number;
  readonly heavyWaiting: number;
  readonly followers: number;
  readonly statementsWaiting: number;
}

/** The database as the node says that was asked. */
export interface DatabaseView {
  readonly engine: string;
  readonly node: string;
  /** Null where it stands alone. */
  readonly cluster: {
    /** Whether it writes at all: it is one of most, and has what the others have. */
    readonly ready: boolean;
    readonly state: string;
    readonly size: number;
    /** Where the nodes are, as far as it knows. */
    readonly addresses: readonly string[];
    /** Write sets that came from others and are not applied yet, and own ones that are not sent. */
    readonly receiveQueue: number;
    readonly sendQueue: number;
    /** Share of its time in which it was held back, 0 to 1. */
    readonly heldBack: number;
  } | null;
}

export interface BackupView {
  readonly node: string;
  readonly place: string;
  readonly bytes: number;
  readonly beganAt: string;
  readonly endedAt: string;
}

/** What is wrong with the catalogue, in words; `changed` where nothing is chosen from it any more. */
export interface CatalogueFaultView {
  readonly words: string;
  readonly changed: boolean;
}

/** What runs now: processes, database, and the last backup. */
export interface RunningView {
  /** Places for heavy work that all processes share. */
  readonly heavy: { readonly held: number; readonly of: number };
  readonly processes: readonly ProcessView[];
  readonly database: DatabaseView;
  /** Null where there was never one. */
  readonly backup: BackupView | null;
  /** Jobs whose record was written here, and that the database does not hold. A process of a release before does not say. */
  readonly lostJobs?: readonly LostJob[];
  /** What came into the catalogue and does not stand there as it came in. Likewise. */
  readonly catalogueFaults?: readonly CatalogueFaultView[];
}
