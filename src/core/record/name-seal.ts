import { hashOf } from '@/core/kernel';

/**
 * How a record holds a name that may have to be forgotten: by a mark, which is the hash of the name with a salt. What events hash is the mark. Name and salt
 * lie elsewhere and can be taken out; then nobody can tell the name from the mark, and every hash still holds.
 */
export interface NameSeal {
  readonly mark: string;
  /** Null once the name is forgotten. */
  readonly salt: string | null;
}

/** The names of an event: of whoever made it, and of whoever they worked under. */
export interface EventNames {
  readonly by: NameSeal;
  readonly under: NameSeal | null;
}

/** The mark of a name. `salt` is random, and of that person alone. */
export const nameMark = (salt: string, name: string): string => hashOf(['name', salt, name]);

/** What stands in the place of a name that is forgotten: the same for all that one person did, so that it is still seen that it was one. */
export const pseudonymOf = (person: string | null, mark: string): string =>
  `person ${(person ?? mark).slice(0, 8)}`;

/** How whoever did something is shown: by the name beside it where it has no mark, else by the name that the mark stands for, or the pseudonym once that is forgotten. */
export const shownName = (
  by: { readonly actor: string; readonly mark: string | null; readonly person: string | null },
  sealed: string | null,
): string =>
  // Where a name stands beside a mark, somebody has put it there: it is shown, and the audit sees that it is another.
  by.mark === null || by.actor !== '' ? by.actor : (sealed ?? pseudonymOf(by.person, by.mark));

/** Whether a name is the one that was sealed, or stands for one that is forgotten. */
export const isSealed = ({ mark, salt }: NameSeal, person: string | null, name: string): boolean =>
  salt === null ? name === pseudonymOf(person, mark) : nameMark(salt, name) === mark;
