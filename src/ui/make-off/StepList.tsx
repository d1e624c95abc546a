import type { ArcStation } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import styles from './StepList.module.css';

/** Steps of one station as the bench will show them, with what is done. */
export function StepList({
  view,
  station,
}: {
  readonly view: TerminationView;
  readonly station: ArcStation;
}) {
  const done = new Set(view.done);
  return (
    <ol className={styles.list}>
      {view.steps.map((step, i) =>
        step.station === station ? (
          <li
            key={step.id}
            className={styles.step}
            data-state={done.has(step.id) ? 'done' : view.nextStep === step.id ? 'next' : undefined}
          >
            <span className={styles.number}>{i + 1}</span>
            <span className={styles.body}>
              <span className={styles.title}>
                {step.title}
                {step.kind === 'hold' || step.kind === 'look' || step.kind === 'cure' ? (
                  <span className={styles.hold}>hold point</span>
                ) : null}
                <span className={styles.state}>
                  {done.has(step.id) ? 'done' : view.nextStep === step.id ? 'next' : ''}
                </span>
              </span>
              {step.figure ? (
                <span className={styles.figure}>
                  {step.figure.value} {step.figure.unit}{' '}
                  <span className={styles.quiet}>{step.figure.second}</span>
                </span>
              ) : null}
              <span className={styles.detail}>{step.detail}</span>
              <span className={styles.quiet}>Why: {step.reason}</span>
              {step.list && step.list.length > 0 ? (
                <ol className={styles.parts}>
                  {step.list.map((item) => (
                    <li key={item}>{item}</li>
                  ))}
                </ol>
              ) : null}
              {step.checks && step.checks.length > 0 ? (
                <span className={styles.quiet}>See: {step.checks.join(' · ')}</span>
              ) : null}
              {step.caution ? <span className={styles.caution}>{step.caution}</span> : null}
            </span>
          </li>
        ) : null,
      )}
    </ol>
  );
}
