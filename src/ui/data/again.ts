import type { TerminationAgain, TerminationView } from '@/core/termination-view';
import type { LookKey } from './contract';

/** How a view is asked for by a page that has it already, and how what comes back becomes the whole view. */
interface Again {
  readonly key: LookKey;
  readonly whole: (told: unknown) => unknown;
}

const isTermination = (key: LookKey): key is LookKey<'viewTermination'> => key[0] === 'viewTermination';

/** What is left out because it is here comes from what is here. */
const completed = (told: TerminationAgain, { choice }: TerminationView): TerminationView => ({
  ...told,
  choice: told.choice === 'as before' ? choice : told.choice,
});

/** Asks for what `key` names; of an end that is shown already, without what has not changed. */
export function again(key: LookKey, here: unknown): Again {
  const before = here as TerminationView | undefined;
  if (!isTermination(key) || !before?.choiceHash) return { key, whole: (told) => told };
  return {
    key: ['viewTerminationAgain', key[1], before.choiceHash],
    whole: (told) => completed(told as TerminationAgain, before),
  };
}
