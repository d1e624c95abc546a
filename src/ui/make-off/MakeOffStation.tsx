import { Caution } from '../kit-of-parts/Caution';
import type { StationProps } from '../termination/station-props';
import { StepList } from './StepList';
import styles from '../cut/CutStation.module.css';

/** What goes on first, how the armour is made off, and the look that never comes again. */
export function MakeOffStation({ view }: StationProps) {
  if (view.steps.length === 0) {
    const why = view.plan?.plan.planOnly[0]?.message ?? view.plan?.plan.cutRefusal[0]?.message;
    return (
      <>
        <h2 className={styles.headline}>{view.plan ? 'No steps can be led.' : 'Choose a gland first.'}</h2>
        <p className={styles.lead}>
          {why
            ? `${why[0]?.toUpperCase() ?? ''}${why.slice(1)}.`
            : 'The order of work follows from the gland.'}
        </p>
      </>
    );
  }
  return (
    <>
      <h2 className={styles.headline}>
        {view.plan?.plan.ringWords
          ? `${view.plan.plan.ringWords[0]?.toUpperCase() ?? ''}${view.plan.plan.ringWords.slice(1)}.`
          : 'Make off.'}
      </h2>
      <p className={styles.lead}>
        {view.loops === 0
          ? 'Undo, look, decide: once it is closed, nobody sees it again.'
          : `The look has sent the fitter back ${view.loops === 1 ? 'once' : `${view.loops} times`}; the record keeps each.`}
      </p>
      <StepList view={view} station="makeOff" />
      {(view.plan?.plan.cautions ?? []).map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
    </>
  );
}
