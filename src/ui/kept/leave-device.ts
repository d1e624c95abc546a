import { rememberPerson } from '../shell/last-person';
import { allAlong, dropAlong } from './kept-db';

/** Whoever signs out leaves nothing of a job to read on this device. What they did and the server has not got stays, unread, until they are back. */
export async function leaveDevice(): Promise<void> {
  rememberPerson(null);
  try {
    await dropAlong((await allAlong()).map((a) => a.key));
  } catch {
    // A browser that keeps nothing has nothing to leave behind.
  }
}
