import type { CrossingView } from '@/core/crossing';
import { Caution } from '../kit-of-parts/Caution';

const unruledIn = (view: CrossingView): readonly string[] =>
  view.kind === 'frames' ? view.asked.unruled : [];

/** What must be known before anything is built here, in place: the wall's rating, guesses, what is left out, what has changed. */
export function CrossingCautions({ view }: { readonly view: CrossingView }) {
  const unruled = unruledIn(view);
  return (
    <>
      {view.setup.rating === '' ? (
        <Caution>
          Nobody has said which fire, gas and water rating this wall has: ask before anything is built.
        </Caution>
      ) : null}
      {unruled.length > 0 ? (
        <Caution tone="hold">
          In no rule: {unruled.join(', ')}. Nothing is kept apart from {unruled.length === 1 ? 'it' : 'them'}.
        </Caution>
      ) : null}
      {view.asked.provisional.length > 0 ? (
        <Caution tone="marginal">
          Provisional: {view.asked.provisional.slice(0, 3).join('; ')}
          {view.asked.provisional.length > 3 ? ` and ${view.asked.provisional.length - 3} more` : ''}. Measure
          before it is built.
        </Caution>
      ) : null}
      {view.kind === 'frames' && view.asked.missing.length > 0 ? (
        <Caution>
          Left out:{' '}
          {view.asked.missing
            .slice(0, 5)
            .map((m) => `${m.tag}, ${m.reason}`)
            .join('; ')}
        </Caution>
      ) : null}
      {view.state === 'stale' ? (
        <Caution tone="marginal">
          Cables or measurements have changed since this was planned: plan again.
        </Caution>
      ) : null}
    </>
  );
}
