import { refuse, type Result } from '@/core/kernel';
import type { ProfileChange } from '@/core/termination-view';

/** Asks what another profile would change. Aborting ends the work on the server too. */
export async function previewProfile(
  job: string,
  profile: unknown,
  signal: AbortSignal,
): Promise<Result<ProfileChange[]>> {
  try {
    const answer = await fetch(`/api/job/${encodeURIComponent(job)}/profile-preview`, {
      method: 'POST',
      body: JSON.stringify(profile),
      signal,
    });
    return (await answer.json()) as Result<ProfileChange[]>;
  } catch {
    return refuse('', 'The server cannot be reached.');
  }
}
