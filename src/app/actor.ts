import { cookies } from 'next/headers';
import type { Actor } from '@/server/actor';
import { ACTOR_COOKIE } from '@/ui/shell/actor-cookie';

/** The one place where it is decided who acts. */
export async function currentActor(): Promise<Actor> {
  const raw = (await cookies()).get(ACTOR_COOKIE)?.value ?? '';
  try {
    return { name: decodeURIComponent(raw) };
  } catch {
    return { name: raw };
  }
}
