'use client';
import { useState } from 'react';
import { formatInchFraction, trimNumber } from '@/core/units';
import { Problems } from '../common/Problems';
import type { StationProps } from '../termination/actions';
import { useRun } from '../termination/use-run';
import styles from './CutStation.module.css';

/** Where the terminals differ, core by core, in one line: `L1 220, L2 240; PE 300`. Empty means one length for all. */
export function TerminalsField({ view, actions }: Pick<StationProps, 'view' | 'actions'>) {
  const say = (mm: number) => (view.job.unit === 'mm' ? trimNumber(mm, 1) : formatInchFraction(mm, 16));
  const shown = view.terminals.map((t) => `${t.core} ${say(t.routeMm)}`).join('; ');
  const [text, setText] = useState(shown);
  const { run, problems, clear } = useRun();
  const save = () => {
    if (text.trim() === shown) {
      clear();
      return;
    }
    void run(() =>
      actions.setTerminals(
        { job: view.job.slug, cable: view.cable, end: view.end },
        view.versions[view.end],
        text,
      ),
    );
  };
  return (
    <div className={styles.field}>
      <label className={styles.label}>
        Terminals that differ, core by core
        <span className={styles.entry}>
          <input
            className={styles.terminals}
            name="Terminals"
            value={text}
            onChange={(e) => setText(e.target.value)}
            onBlur={save}
            onKeyDown={(e) => {
              if (e.key === 'Enter') save();
              if (e.key === 'Escape') setText(shown);
            }}
            placeholder="L1 220; L2 240; PE 300"
            aria-invalid={problems.length > 0}
            autoComplete="off"
          />
          <span className={styles.second}>{view.job.unit}</span>
        </span>
      </label>
      <Problems problems={problems} />
    </div>
  );
}
