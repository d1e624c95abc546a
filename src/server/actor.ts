/** Who does something. Today a name typed once; every operation takes it, so that accounts will touch one place. */
export interface Actor {
  readonly name: string;
}

/** Longest name that the record keeps. */
export const MOST_NAME = 60;

export const actorName = (actor: Actor): string => actor.name.trim().slice(0, MOST_NAME);
