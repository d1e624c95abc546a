'use client';
import { useState } from 'react';
import { OUTCOME_WORDS, type BarrierTrail } from '@/core/gland-selection';
import { Problems } from '../common/Problems';
import type { StationProps } from '../termination/actions';
import { useRun } from '../termination/use-run';
import { MissingFact } from './MissingFact';
import styles from './BarrierPath.module.css';

/** The barrier decision as the path that led to it: question, answer and where it came from, until one settles it. */
export function BarrierPath({ view, actions }: Pick<StationProps, 'view' | 'actions'>) {
  const trail = view.barrier;
  const [open, setOpen] = useState(false);
  const { run, busy, problems } = useRun();
  if (trail === null) return null;
  const asks = trail.missing !== null;
  const shown = open || asks;
  return (
    <section className={styles.box} aria-label="Barrier decision" data-outcome={trail.outcome}>
      <div className={styles.line}>
        <b className={styles.outcome}>{OUTCOME_WORDS[trail.outcome]}</b>
        <span className={styles.conclusion}>
          {trail.conclusion === view.choice?.answer ? '' : trail.conclusion}
        </span>
        {asks ? null : (
          <button type="button" className={styles.why} aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'close' : 'why'}
          </button>
        )}
      </div>
      {shown ? <Path trail={trail} /> : null}
      {trail.missing ? (
        <MissingFact
          missing={trail.missing}
          view={view}
          busy={busy}
          onAnswer={(field, value) =>
            void run(
              () =>
                actions.answerFact({ job: view.job.slug, cable: view.cable, end: view.end }, field, value),
              'Answered. Everything was judged again.',
            )
          }
        />
      ) : null}
      <Problems problems={problems} />
    </section>
  );
}

function Path({ trail }: { readonly trail: BarrierTrail }) {
  return (
    <>
      <ol className={styles.path}>
        {trail.steps.map((step, i) => {
          const last = i === trail.steps.length - 1;
          return (
            <li key={step.question} className={styles.step} data-last={last ? trail.outcome : undefined}>
              <span className={styles.question}>{step.question}</span>
              <span className={styles.answer}>
                {step.answer} <span className={styles.from}>({step.from})</span>
              </span>
            </li>
          );
        })}
      </ol>
      <p className={styles.rule}>
        {trail.steps[0]?.rule}. {trail.caution}
      </p>
    </>
  );
}
