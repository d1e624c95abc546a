'use client';
import Link from '@mui/material/Link';
import { useState } from 'react';
import { OUTCOME_WORDS, type TrailView } from '@/core/gland-selection';
import type { StationProps } from '../termination/station-props';
import styles from './BarrierPath.module.css';

/** The barrier decision as the path that led to it: question, answer and where it came from, until one settles it. */
export function BarrierPath({ view }: Pick<StationProps, 'view'>) {
  const trail = view.barrier;
  const [open, setOpen] = useState(false);
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
          <Link component="button" type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'close' : 'why'}
          </Link>
        )}
      </div>
      {shown ? <Path trail={trail} /> : null}
    </section>
  );
}

function Path({ trail }: { readonly trail: TrailView }) {
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
