import { ok, refuse, type Problem, type Result } from '@/core/kernel';
import { database, inDated, lastHeard } from '@/data';
import * as gate from './gate';
import { guarded } from './guard';
import { databaseState } from './health';
import { signedIn } from './people';

/** What a node that has lost the others last knew, and of when that is: what was confirmed before `at` is in it, and of what came after nothing is said. */
export type AsItWas<T> =
  | { readonly state: 'writes' }
  | { readonly state: 'away' }
  | { readonly state: 'alone'; readonly problems: readonly Problem[] }
  | { readonly state: 'alone'; readonly problems: null; readonly at: string; readonly value: T };

const NEVER_HEARD =
  'This node cannot say of when it is what it knows, so nothing of it is shown: no process has ever said here that it runs';
const NOBODY_SIGNED_IN =
  'Nobody is signed in on this device, or no longer, and while nothing is written nobody can: sign in again when the nodes have each other back';

/**
 * Looks something up at a node that has lost the others, for whoever was signed in by then. Where the database is whole it is looked up nowhere: what is shown
 * then is shown as it is.
 */
export async function lookAsItWas<N extends gate.ReadName>(
  name: N,
  given: Parameters<typeof gate.look<N>>[1],
  headers: Headers,
): Promise<AsItWas<gate.ValueOf<N>>> {
  const state = await databaseState();
  if (state !== 'alone') return { state };
  const seen = await inDated(() => guarded(() => dated(name, given, headers)));
  return seen.ok ? { state, problems: null, ...seen.value } : { state, problems: seen.problems };
}

async function dated<N extends gate.ReadName>(
  name: N,
  given: Parameters<typeof gate.look<N>>[1],
  headers: Headers,
): Promise<Result<{ readonly at: string; readonly value: gate.ValueOf<N> }>> {
  const at = await lastHeard(database());
  if (at === null) return refuse('', NEVER_HEARD);
  // A session that is over is taken out when it is looked at, which is refused here: it is nobody's.
  const who = await signedIn(headers);
  if (!who.ok || who.value === null) return refuse('', NOBODY_SIGNED_IN);
  const seen = await gate.look(name, given, { id: who.value.id, name: who.value.name });
  return seen.ok ? ok({ at: at.toISOString(), value: seen.value }) : seen;
}
