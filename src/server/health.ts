import { ping } from '@/data';
import { log } from './running/log';

/** Does the database answer now? Asked before every page, so that all of them say the same while it is away. */
export async function databaseAnswers(): Promise<boolean> {
  try {
    await ping();
    return true;
  } catch (error) {
    log.warn({ err: error }, 'database away');
    return false;
  }
}
