'use client';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';

import { ACTOR_COOKIE } from './actor-cookie';

interface ActorState {
  readonly name: string;
  readonly setName: (name: string) => void;
  /** Puts the cursor into the name field when an action asked who it is. */
  readonly ask: () => void;
}

const ActorContext = createContext<ActorState>({ name: '', setName: () => undefined, ask: () => undefined });

export const useActor = () => useContext(ActorContext);

/** The name that every confirmation carries: typed once, kept in a cookie that the server reads. */
export function ActorProvider({
  initial,
  children,
}: {
  readonly initial: string;
  readonly children: ReactNode;
}) {
  const [name, setState] = useState(initial);
  const setName = useCallback((next: string) => {
    setState(next);
    document.cookie = `${ACTOR_COOKIE}=${encodeURIComponent(next.trim())}; path=/; max-age=31536000; samesite=strict`;
  }, []);
  const ask = useCallback(() => document.getElementById('actor-name')?.focus(), []);
  const value = useMemo(() => ({ name, setName, ask }), [name, setName, ask]);
  return <ActorContext.Provider value={value}>{children}</ActorContext.Provider>;
}
