/**
 * Something that is to be said: a code and the figures that belong to it, without words. `C` names every code with its figures, so that
 * whoever makes words of it is complete by type, in any language.
 */
export type Said<C> = { readonly [K in keyof C]: { readonly code: K } & Readonly<C[K]> }[keyof C];

/** How each code is put, from its figures; `T` is text, or several texts where one case is shown in several places. */
export type Wording<C, T = string> = { readonly [K in keyof C]: (said: Readonly<C[K]>) => T };

/** For codes that need no figures. */
export type NoFigures = object;

/** What is said, put by a table of words. */
export function worded<C, T>(table: Wording<C, T>, said: Said<C>): T {
  // The table has an entry for each code, and that entry takes the figures of its code.
  const put = table[said.code] as (figures: unknown) => T;
  return put(said);
}
