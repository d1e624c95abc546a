'use client';
import { createContext, useContext, useEffect, type ReactNode } from 'react';
import { rememberPerson, type SignedInPerson } from './last-person';

export type { SignedInPerson };

const ActorContext = createContext<SignedInPerson | null>(null);

export const useActor = (): SignedInPerson | null => useContext(ActorContext);

/** Tells the parts of a page who is signed in; the server knows it by the session. */
export function ActorProvider({
  person,
  children,
}: {
  readonly person: SignedInPerson | null;
  readonly children: ReactNode;
}) {
  useEffect(() => {
    if (person !== null) rememberPerson(person);
  }, [person]);
  return <ActorContext value={person}>{children}</ActorContext>;
}
