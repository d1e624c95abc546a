'use client';
import { createContext, useContext, type ReactNode } from 'react';

/** Who is signed in, as every page shows it. */
export interface SignedInPerson {
  readonly name: string;
  /** Until when, ISO 8601. */
  readonly until: string;
  /** Of the whole application. */
  readonly administrator: boolean;
}

const ActorContext = createContext<SignedInPerson | null>(null);

export const useActor = (): SignedInPerson | null => useContext(ActorContext);

/** Tells the parts of a page who is signed in; the server knows it by the session. */
export const ActorProvider = ({
  person,
  children,
}: {
  readonly person: SignedInPerson | null;
  readonly children: ReactNode;
}) => <ActorContext value={person}>{children}</ActorContext>;
