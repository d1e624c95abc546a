import type { Person } from '@/core/record';

/** Who does something: a person who is signed in, or by a typed name what was there before there were accounts. */
export type Actor = Person;

/** Longest name that the record keeps. */
export const MOST_NAME = 60;

export const actorName = (actor: Actor): string => actor.name.trim().slice(0, MOST_NAME);

/** What a row or an event keeps of who made it. */
export const madeBy = (actor: Actor): { readonly actor: string; readonly person: string | null } => ({
  actor: actorName(actor),
  person: actor.id,
});
