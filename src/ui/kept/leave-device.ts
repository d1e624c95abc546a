import { inTime } from '../data/in-time';
import { rememberPerson } from '../shell/last-person';
import { allAlong, dropAlong } from './kept-db';

/** Whoever signs out leaves nothing of a job to read on this device. What they did and the server has not got stays, unread, until they are back. */
export async function leaveDevice(): Promise<void> {
  rememberPerson(null);
  // A browser that keeps nothing has nothing to leave behind, and a disk that hangs keeps nobody signed in.
  const cleared = allAlong().then((all) => dropAlong(all.map((a) => a.key)));
  await inTime(
    cleared.catch(() => undefined),
    MOST_MS,
    () => undefined,
  );
}

const MOST_MS = 2000;
