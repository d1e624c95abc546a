import * as gate from '@/server/gate';
import { currentActor } from './acting';

// The gate for whoever is signed in, for routes: without anybody the refusal is an answer like any other.

type More = Parameters<typeof gate.look>[3];

export const look = async <N extends gate.ReadName>(
  name: N,
  given: Parameters<typeof gate.look<N>>[1],
  more?: More,
): ReturnType<typeof gate.look<N>> => {
  const who = await currentActor();
  return who.ok ? gate.look(name, given, who.value, more) : who;
};

export const lookLoose = async (
  name: gate.ReadName,
  given: readonly unknown[],
  more?: More,
): ReturnType<typeof gate.lookLoose> => {
  const who = await currentActor();
  return who.ok ? gate.lookLoose(name, given, who.value, more) : who;
};

export const actLoose = async (
  name: gate.WriteName,
  given: readonly unknown[],
  more?: More,
): ReturnType<typeof gate.actLoose> => {
  const who = await currentActor();
  return who.ok ? gate.actLoose(name, given, who.value, more) : who;
};

export const followJob = async (
  job: string,
  follower: Parameters<typeof gate.followJob>[2],
): ReturnType<typeof gate.followJob> => {
  const who = await currentActor();
  return who.ok ? gate.followJob(job, who.value, follower) : who;
};
