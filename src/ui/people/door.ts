import { refuse, type Result } from '@/core/kernel';
import { UNREACHED } from '../data/send';

export type Door =
  'sign-in' | 'sign-out' | 'password' | 'pin' | 'first-run' | 'invitation' | 'hand-over' | 'charge';

interface Said {
  readonly given?: object;
  readonly key?: string;
  readonly pin?: string;
}

/** Says something at the door: signs in or out, or hands the device over. The cookie changes with the answer. */
export async function atTheDoor(door: Door, said: Said): Promise<Result<null>> {
  try {
    const answer = await fetch(`/api/people/${door}`, {
      method: 'POST',
      cache: 'no-store',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(said),
    });
    return (await answer.json()) as Result<null>;
  } catch {
    return refuse('', UNREACHED);
  }
}

/** Somebody else works here now: nothing that was looked up for the one before stays. */
export const startAfresh = (to: string): void => window.location.assign(to);
