import { Answer } from '../kit-of-parts/Answer';
import { Caution } from '../kit-of-parts/Caution';
import type { StationProps } from '../termination/station-props';
import { StepList } from './StepList';

const sentence = (words: string): string => `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}.`;

const loopWords = (loops: number): string =>
  loops === 0
    ? 'Undo, look, decide: once it is closed, nobody sees it again.'
    : `The look has sent the fitter back ${loops === 1 ? 'once' : `${loops} times`}; the record keeps each.`;

/** What goes on first, how the armour is made off, and the look that never comes again. */
export function MakeOffStation({ view }: StationProps) {
  const plan = view.plan?.plan ?? null;
  if (view.steps.length === 0) {
    const why = plan === null ? null : (plan.planOnly[0]?.message ?? view.collar.blockedBy);
    return (
      <Answer
        words={plan ? 'No steps can be led.' : 'Choose a gland first.'}
        lead={why ? sentence(why) : 'The order of work follows from the gland.'}
      />
    );
  }
  return (
    <>
      <Answer words={plan?.ringWords ? sentence(plan.ringWords) : 'Make off.'} lead={loopWords(view.loops)} />
      <StepList view={view} station="makeOff" />
      {(plan?.cautions ?? []).map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
    </>
  );
}
