import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import * as gate from '@/server/gate';
import { PATH_HEADER } from '@/server/http/nonce';
import { ok, type Result } from '@/core/kernel';
import { nobodyYet, type SignedIn } from '@/server/people';
import { acting } from './acting';
import { forThisRequest } from './this-request';

/** Where this request is on its way to, to come back to. */
export async function here(): Promise<string> {
  const path = (await headers()).get(PATH_HEADER) ?? '/';
  return path.startsWith('/') && !path.startsWith('//') ? path : '/';
}

/** Who is signed in; whoever is not is asked to sign in, or, where nobody can yet, to be the first. */
export async function person(): Promise<Result<SignedIn>> {
  const found = await acting();
  // Where the database is away the page itself says so.
  if (!found.ok) return found;
  if (found.value !== null) return ok(found.value);
  const first = await forThisRequest(nobodyYet);
  redirect(first.ok && first.value ? '/first-run' : `/sign-in?to=${encodeURIComponent(await here())}`);
}

/** What the person of this page may not do here, and who may. */
export async function mayNot(job: string | null): Promise<Readonly<Record<string, string>>> {
  const who = await person();
  if (!who.ok) return {};
  const found = await gate.mayNot(job, { id: who.value.id, name: who.value.name });
  // Where it cannot be asked everything is offered: what somebody may not do is refused anyway, with the reason.
  return found.ok ? found.value : {};
}

/** The gate for pages. */
export const look = async <N extends gate.ReadName>(
  name: N,
  given: Parameters<typeof gate.look<N>>[1],
): ReturnType<typeof gate.look<N>> =>
  forThisRequest(async () => {
    const who = await person();
    return who.ok ? gate.look(name, given, { id: who.value.id, name: who.value.name }) : who;
  });
