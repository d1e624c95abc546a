'use client';
import { useState } from 'react';
import { sentBackBy, type BenchAct, type Step } from '@/core/record';
import { Caution } from '../common/Caution';
import { HoldButton } from './HoldButton';
import styles from './Bench.module.css';

/** A step that was held by mistake: why, and what has to be done again with it. It stays in the record. */
export function TakeBack({
  steps,
  acts,
  step,
  signedBy,
  busy,
  onTakeBack,
  onClose,
}: {
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly step: Step;
  readonly signedBy: string | null;
  readonly busy: boolean;
  readonly onTakeBack: (reason: string) => void;
  readonly onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const back = sentBackBy(steps, acts, step.id);
  const signature = signedBy !== null && back.some((s) => s.kind === 'sign');
  return (
    <>
      <section className={styles.recut} aria-label="Take back a step that was held by mistake">
        <Caution>
          {signature ? `The signature of ${signedBy} goes. ` : ''}
          {back.length === 1
            ? 'This step has to be done again.'
            : `${back.length} steps have to be done again, to “${back[back.length - 1]?.title ?? ''}”.`}{' '}
          What was held stays in the record, with your reason.
        </Caution>
        <label className={styles.accept}>
          <span className={styles.acceptName}>Why</span>
          <input
            ref={(field) => field?.focus()}
            className={styles.instrument}
            name="reason"
            autoComplete="off"
            maxLength={200}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
        </label>
      </section>
      <div className={styles.buttons}>
        <button type="button" className={styles.back} onClick={onClose}>
          It stands
        </button>
        <HoldButton disabled={busy || reason.trim().length < 4} onConfirm={() => onTakeBack(reason)}>
          Hold: take it back
        </HoldButton>
      </div>
    </>
  );
}
