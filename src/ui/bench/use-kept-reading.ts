'use client';
import type { Reading } from '@/core/cable-measurement';
import { deedAt, mayKeep, type Base } from '@/core/kept-work';
import { ok, refuse, type Result } from '@/core/kernel';
import type { SubjectRef } from '@/core/record';
import { inReach, lastContact, lostContact } from '../data/contact';
import type { StoredDeed } from '../kept/kept-db';
import { keep } from '../kept/kept-store';
import { useActor } from '../shell/actor';

type Kept = Result<{ readonly id: number }>;

interface At {
  readonly subject: SubjectRef;
  readonly base: Base;
  readonly kept: readonly StoredDeed[];
}

/** A reading at the bench: sent where the server is in reach, else kept on this device in its turn. It has no number before the server has it. */
export function useKeptReading({ subject, base, kept }: At) {
  const me = useActor();
  return async (reading: Reading, send: () => Promise<Kept>): Promise<Kept> => {
    if (kept.length === 0 && inReach()) {
      const sent = await send();
      if (sent.ok || sent.problems.every((p) => p.path !== '')) return sent;
      lostContact();
    }
    if (me === null) return refuse('person', 'nobody is signed in on this device: the record says who');
    const contact = lastContact();
    const at = new Date().toISOString();
    const last = kept[kept.length - 1];
    const may = mayKeep(at, contact, last === undefined ? null : deedAt(last.deed));
    if (!may.ok) return may;
    if (contact === null) throw new Error('nothing is kept where the server was never heard');
    await keep(
      {
        subject,
        base,
        contact,
        person: { id: me.id, name: me.name },
        title: `Reading ${reading.text} ${reading.unit}`,
        deed: { kind: 'reading', id: crypto.randomUUID(), at, reading },
      },
      false,
    );
    return ok({ id: 0 });
  };
}
