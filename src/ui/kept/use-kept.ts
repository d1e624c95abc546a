'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { subjectKey } from '@/core/kept-work';
import type { SubjectRef } from '@/core/record';
import { inReach, subscribeReach } from '../data/contact';
import { look } from '../data/send';
import { useActor } from '../shell/actor';
import { putAlong, type Along, type StoredDeed } from './kept-db';
import { shownKept, subscribeKept } from './kept-store';
import { heldNow, sendKept, subscribeHeld, type AllHeld } from './sender';

const NOTHING: readonly StoredDeed[] = [];
const NONE: AllHeld = new Map();

/** Everything that this device keeps, in the order in which it was done. */
export const useKept = (): readonly StoredDeed[] =>
  useSyncExternalStore(subscribeKept, shownKept, () => NOTHING);

/** What is kept for one subject. */
export function useKeptOf(subject: SubjectRef): readonly StoredDeed[] {
  const all = useKept();
  const key = subjectKey(subject);
  return useMemo(() => all.filter((d) => d.key === key), [all, key]);
}

/** What of it somebody has to see before it goes in, by subject. */
export const useHeld = (): AllHeld => useSyncExternalStore(subscribeHeld, heldNow, () => NONE);

/** Is the server there, as far as this window knows? */
export const useInReach = (): boolean => useSyncExternalStore(subscribeReach, inReach, () => true);

const AGAIN_MS = 3000;

/** Sends what is kept as soon as the server is there, and asks after a server that is away, as long as a page is open. */
export function useSender(): void {
  const client = useQueryClient();
  const me = useActor()?.id ?? null;
  const any = useKept().length > 0;
  const reached = useInReach();
  useEffect(() => {
    if (!any && reached) return undefined;
    let busy = false;
    const send = () => {
      if (busy) return;
      busy = true;
      // A store that cannot be read now is read again at the next turn.
      void (any ? sendKept(client, me) : look(['viewMe']).then(() => undefined))
        .catch(() => undefined)
        .finally(() => {
          busy = false;
        });
    };
    send();
    const timer = setInterval(send, AGAIN_MS);
    window.addEventListener('online', send);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', send);
    };
  }, [client, me, any, reached]);
}

type Seen = Along extends infer A ? (A extends Along ? Pick<A, 'subject' | 'view'> : never) : never;

/** Keeps what is on the bench with this device, as the server showed it last, so that it goes on without one. */
export function useAlong(seen: Seen): void {
  const me = useActor();
  const { subject, view } = seen;
  const id = me?.id ?? null;
  const name = me?.name ?? '';
  useEffect(() => {
    if (name === '') return;
    const along = {
      subject,
      view,
      key: subjectKey(subject),
      seenAt: Date.now(),
      person: { id, name },
    } as Along;
    // A browser that keeps nothing works with the server only, and says so when something is to be kept.
    putAlong(along).catch(() => undefined);
  }, [subject, view, id, name]);
}
