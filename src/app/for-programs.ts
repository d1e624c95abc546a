import * as gate from '@/server/gate';
import { currentActor } from './acting';
import { forThisRequest } from './this-request';

// The gate for whoever is signed in, for routes: without anybody the refusal is an answer like any other.

type More = Parameters<typeof gate.look>[3];

export const look = async <N extends gate.ReadName>(
  name: N,
  given: Parameters<typeof gate.look<N>>[1],
  more?: More,
): ReturnType<typeof gate.look<N>> =>
  forThisRequest(async () => {
    const who = await currentActor();
    return who.ok ? gate.look(name, given, who.value, more) : who;
  });

export const lookLoose = async (
  name: gate.ReadName,
  given: readonly unknown[],
  more?: More,
): ReturnType<typeof gate.lookLoose> =>
  forThisRequest(async () => {
    const who = await currentActor();
    return who.ok ? gate.lookLoose(name, given, who.value, more) : who;
  });

interface DoneAndSeen {
  readonly done: Awaited<ReturnType<typeof gate.actLoose>>;
  /** Null where nothing was asked for. */
  readonly seen: Awaited<ReturnType<typeof gate.lookLoose>> | null;
}

/** Does something and then, for the same person, looks up what `show` asks for in view of what came of it. */
export async function actAndLook(
  name: gate.WriteName,
  given: readonly unknown[],
  more: More,
  show: (
    done: DoneAndSeen['done'],
  ) => { readonly name: gate.ReadName; readonly given: readonly unknown[] } | null,
): Promise<DoneAndSeen> {
  return forThisRequest(async () => {
    const who = await currentActor();
    if (!who.ok) return { done: who, seen: null };
    return gate.inOneRequest(async () => {
      const done = await gate.actLoose(name, given, who.value, more);
      const asked = show(done);
      return { done, seen: asked && (await gate.lookLoose(asked.name, asked.given, who.value)) };
    });
  });
}

export const followJob = async (
  job: string,
  follower: Parameters<typeof gate.followJob>[2],
  readAt: number | null,
): ReturnType<typeof gate.followJob> =>
  forThisRequest(async () => {
    const who = await currentActor();
    return who.ok ? gate.followJob(job, who.value, follower, readAt) : who;
  });
