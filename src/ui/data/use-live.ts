'use client';
import { hashKey, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { canonicalJson } from '@/core/kernel';
import { useShownKey } from './DataProvider';
import { listen } from './live-line';
import { isOwn, look } from './send';

/** What others do is looked up no more often than this. */
const LOOK_EVERY_MS = 700;
/** A connection that is away for less than this is not worth a word. */
const AWAY_MS = 3000;

/** Are hands in a form, a cell of a grid or a dialog? A page is not laid anew under them. */
const isTyping = (): boolean =>
  document.activeElement?.closest('form, [role="dialog"], [role="gridcell"]') !== null &&
  document.activeElement?.matches('input, textarea, select') === true;

/**
 * Follows what others do in a job. Lists and boards are looked up anew as it happens; the view that a page is about, into which hands may
 * be typing, is only compared: when it is another one by now, `newer` says so until somebody asks for it. `awaySince` says since when nothing is heard.
 * `readAt` is when the server read the page, by its own clock: what was done since is caught up with.
 */
export function useLive(job: string, readAt: number) {
  const client = useQueryClient();
  const shown = useShownKey();
  const router = useRouter();
  // Brought up to date, a page goes on listening on the same line.
  const [from] = useState(readAt);
  const [newer, setNewer] = useState(false);
  const [awaySince, setAwaySince] = useState<number | null>(null);

  useEffect(() => {
    let wanted = false;
    let timer: ReturnType<typeof setTimeout> | null = null;
    let away: ReturnType<typeof setTimeout> | null = null;
    const catchUp = async () => {
      const key = shown.get();
      const text = key === null ? null : JSON.stringify(key);
      void client.invalidateQueries({ predicate: (q) => JSON.stringify(q.queryKey) !== text });
      if (key === null) {
        if (isTyping()) {
          soon();
          return;
        }
        // A page without a view of its own came from the server as a whole.
        router.refresh();
        return;
      }
      const before = client.getQueryData(key);
      if (before === undefined) return;
      const seen = await look(key);
      // Asked for again, or answered to a command of this page, meanwhile: then it is the newest.
      if (!seen.ok || client.getQueryData(key) !== before) return;
      setNewer(canonicalJson(seen.value) !== canonicalJson(before));
    };
    const soon = () => {
      wanted = true;
      timer ??= setTimeout(() => {
        timer = null;
        if (!wanted) return;
        wanted = false;
        void catchUp();
      }, LOOK_EVERY_MS);
    };
    // What came meanwhile, with the answer to a command or because it was asked for, is the newest.
    const watched = client.getQueryCache().subscribe((event) => {
      const key = shown.get();
      if (key === null || event.type !== 'updated' || event.action.type !== 'success') return;
      if (event.query.queryHash === hashKey(key)) setNewer(false);
    });
    let missed = false;
    const leave = listen(job, from, (heard) => {
      switch (heard.kind) {
        case 'open':
          if (away !== null) clearTimeout(away);
          away = null;
          setAwaySince(null);
          // What was done while nothing was heard is not known.
          if (missed) soon();
          missed = false;
          break;
        case 'away':
          missed = true;
          away ??= setTimeout(() => setAwaySince(heard.since), AWAY_MS);
          break;
        case 'behind':
          soon();
          break;
        case 'changed':
          if (!heard.ids.every(isOwn)) soon();
      }
    });
    return () => {
      leave();
      watched();
      if (timer !== null) clearTimeout(timer);
      if (away !== null) clearTimeout(away);
    };
  }, [client, from, job, router, shown]);

  const show = useCallback(() => {
    setNewer(false);
    const key = shown.get();
    if (key !== null) void client.invalidateQueries({ queryKey: key, exact: true });
  }, [client, shown]);
  return { newer, awaySince, show };
}
