'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CrossingLine } from '@/core/crossing';
import { trimNumber } from '@/core/units';
import { RecordFaults } from '../common/RecordFaults';
import { Problems } from '../kit-of-parts/Problems';
import { useRun } from '../termination/use-run';
import { crossingPath, STATE_WORDS } from './words';
import styles from './Crossing.module.css';
import { useSend } from '../data/use-send';

/** Every crossing of a job: how full, what is spare, how far it is. */
export function CrossingsPage({
  job,
  lines,
}: {
  readonly job: string;
  readonly lines: readonly CrossingLine[];
}) {
  const [name, setName] = useState('');
  const send = useSend();
  const { run, busy, problems } = useRun();
  const router = useRouter();
  return (
    <main className={styles.list}>
      <div className={styles.title}>
        <h1>Crossings</h1>
      </div>
      <p className={styles.lead}>Where cables go through a wall or a deck in transit frames.</p>
      {lines.length === 0 ? (
        <p className={styles.empty}>No crossing yet. Give the first one a name.</p>
      ) : (
        <ul className={styles.cards}>
          {lines.map((line) => (
            <li key={line.name} className={styles.card}>
              <Link href={crossingPath(job, line.name)} className={styles.cardHead}>
                <b>{line.name}</b>
                <span>{line.place}</span>
              </Link>
              <div className={styles.cardFacts}>
                <span data-state={line.state} className={styles.state}>
                  {STATE_WORDS[line.state]}
                  {line.state === 'building' ? `, ${line.done} of ${line.steps} steps` : ''}
                </span>
                <span>{line.cables} cables</span>
                {line.provisional ? <span className={styles.provisional}>provisional</span> : null}
                <span>{line.frames.join(' + ')}</span>
              </div>
              <RecordFaults faults={line.faults} />
              {line.fill ? (
                <div
                  className={styles.fills}
                  aria-label={`${line.fill.taken} of ${line.fill.places} places taken`}
                >
                  {line.fill.bySize.map((s) => (
                    <div key={`${s.size} ${s.corner}`} className={styles.fill}>
                      <span className={styles.fillName}>
                        {trimNumber(s.size, 1)}
                        {s.corner ? ' corner' : ''}
                      </span>
                      <span className={styles.track}>
                        <span style={{ width: `${(s.taken / Math.max(1, s.taken + s.spare)) * 100}%` }} />
                      </span>
                      <span className={styles.fillCount}>
                        {s.taken} taken, {s.spare} spare
                      </span>
                    </div>
                  ))}
                </div>
              ) : (
                <p className={styles.lead}>No plan yet.</p>
              )}
            </li>
          ))}
        </ul>
      )}
      <form
        className={styles.apart}
        onSubmit={(e) => {
          e.preventDefault();
          void run(() => send('addCrossing', job, name)).then(
            (r) => r.ok && router.push(crossingPath(job, r.value.name)),
          );
        }}
      >
        <input
          className={styles.field}
          aria-label="name of a new crossing"
          placeholder="X-4"
          value={name}
          onChange={(e) => setName(e.target.value)}
          maxLength={40}
        />
        <Button type="submit" variant="outlined" disabled={busy || name.trim() === ''}>
          Add a crossing
        </Button>
      </form>
      <Problems problems={problems} />
    </main>
  );
}
