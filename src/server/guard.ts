import { fail, refuse, type Result } from '@/core/kernel';
import {
  CommitUnknown,
  duplicateKey,
  isAlone,
  isCollision,
  isDatabaseAway,
  isDuplicate,
  UnreadableRow,
} from '@/data';
import { justAlone } from './health';
import { log } from './running/log';

const NAME_TAKEN = {
  path: 'username',
  message: 'somebody signs in under this name already: take another',
};

/** What is said of a unique key that was hit, and at which field. */
export const DUPLICATE_WORDS: Readonly<Record<string, { path: string; message: string }>> = {
  cable_once: { path: 'tag', message: 'this tag is already in the job' },
  entry_taken: { path: 'entry', message: 'this entry is taken by another cable end' },
  cable_type_once: {
    path: 'code',
    message: 'somebody else has just made a type of this code: look again',
  },
  enclosure_once: { path: 'tag', message: 'somebody else has just made a box of this tag: look again' },
  entry_once: { path: 'entry', message: 'somebody else has just made an entry of this label: look again' },
  slug: { path: 'name', message: 'somebody else has just made a job of this name: look again' },
  one_current_plan: { path: 'plan', message: 'somebody else has just planned this termination: look again' },
  crossing_once: { path: 'name', message: 'a crossing of this name is there already' },
  person_username: NAME_TAKEN,
  // Made from the name; of the two keys the server says the one that it looks at first.
  person_email: NAME_TAKEN,
  sent_once: { path: 'id', message: 'this has just been sent already' },
  record_event_order: { path: 'event', message: 'somebody else has just confirmed a step here: look again' },
};

const DATABASE_AWAY =
  'The database does not answer. Nothing was saved, nothing is lost here: try again in a moment.';

const NODE_ALONE =
  'This database node has lost the others, and writes nothing without them. Nothing was saved, nothing is lost here: try again in a moment.';

/** The page sends it under the same id when it is tried again, and a command is done once under its id. */
const NOT_KNOWN =
  'The database went away while this was being saved, and whether it was is not known yet. Nothing is lost here: try again in a moment, it is not saved twice.';

/** How it is said that nothing can be done now, and will be: no fault of what was asked. */
export const AWAY: ReadonlySet<string> = new Set([DATABASE_AWAY, NODE_ALONE, NOT_KNOWN]);

const TOO_MANY_AT_ONCE =
  'Many write here at this moment. Nothing was saved, nothing is lost here: try again in a moment.';

/** Runs an operation and turns the failures that a database may foreseeably give into problems at a field. Bugs still throw. */
export async function guarded<T>(work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof CommitUnknown) {
      log.warn({ err: error }, 'not known whether it was kept');
      return refuse('', NOT_KNOWN);
    }
    if (isDatabaseAway(error)) {
      log.warn({ err: error }, 'database away');
      // A connection to a node that has lost the others ends as it begins: what has been seen of the node says why.
      return refuse('', justAlone() ? NODE_ALONE : DATABASE_AWAY);
    }
    if (isAlone(error)) {
      log.warn({ err: error }, 'this node has lost the others');
      return refuse('', NODE_ALONE);
    }
    if (isCollision(error)) {
      log.warn({ err: error }, 'transactions in each other’s way');
      return refuse('', TOO_MANY_AT_ONCE);
    }
    if (isDuplicate(error)) {
      const words = DUPLICATE_WORDS[duplicateKey(error)];
      if (words) return fail([words]);
    }
    if (error instanceof UnreadableRow) {
      log.error({ err: error }, 'a row cannot be read');
      return refuse('stored', error.message);
    }
    throw error;
  }
}

/** Carries a refusal out of a transaction, so that it rolls back. */
export class Refusal extends Error {
  constructor(readonly result: Result<never>) {
    super('refused');
  }
}
