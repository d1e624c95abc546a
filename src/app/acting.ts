import { headers } from 'next/headers';
import { cache } from 'react';
import { ok, type Result } from '@/core/kernel';
import type { Actor } from '@/server/actor';
import { forThisRequest } from './this-request';
import { signedIn, type SignedIn } from '@/server/people';

/** Who is signed in by the cookie of this request; asked once a request. */
export const acting = cache((): Promise<Result<SignedIn | null>> =>
  forThisRequest(async () => signedIn(await headers())),
);

const NOBODY: Actor = { id: null, name: '' };

/** Who acts, for the gate: nobody, where nobody is signed in, and the gate says so. Refused where nobody can tell, since the database is away. */
export async function currentActor(): Promise<Result<Actor>> {
  const found = await acting();
  if (!found.ok) return found;
  return ok(found.value === null ? NOBODY : { id: found.value.id, name: found.value.name });
}
