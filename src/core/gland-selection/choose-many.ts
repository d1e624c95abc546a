import type { CatalogueView } from './candidate';
import { decideBarrier } from './barrier';
import { chooseAmong, type Choice } from './choose';
import type { EntryFit } from './entry-fit';
import { judgeAll, unpackVerdict } from './judge-all';
import { placeKeys } from './place-identity';
import { provisionalReasons, type TerminationInput } from './termination-input';

/**
 * The choice for each of many terminations, one after the other, so that whoever asks may do something else in between. The columnar judge says first which sizes come into question at all, and only those are judged
 * with their reasons, so what fits, may fit or waits for an answer is there in the same order and words as from `choose`; the sizes that do
 * not fit are left out. Where nothing fits, `misfits` says how much is worked out: all of them with their reasons, because the nearest is
 * the answer, or no more than that nothing fits.
 */
export function* chooseEach(
  inputs: readonly TerminationInput[],
  catalogue: CatalogueView,
  misfits: 'explained' | 'counted' = 'explained',
): Generator<Choice, void> {
  const { packed, sizes } = judgeAll(inputs, catalogue);
  const empty = sizes.length === 0;
  const placeOf = placeKeys();
  const waysInto = new Map<string, Map<string, EntryFit>>();
  for (const [t, input] of inputs.entries()) {
    const inQuestion = sizes.filter((_, s) => unpackVerdict(packed[t * sizes.length + s] ?? 0) !== 'misfit');
    if (inQuestion.length === 0 && !empty && misfits === 'counted') {
      yield nothingFits(input);
      continue;
    }
    const place = placeOf(input);
    const ways = waysInto.get(place) ?? new Map<string, EntryFit>();
    waysInto.set(place, ways);
    yield chooseAmong(input, inQuestion.length > 0 ? inQuestion : sizes, catalogue, ways);
  }
}

function nothingFits(input: TerminationInput): Choice {
  const barrier = decideBarrier(input);
  const decided = barrier.outcome !== 'refused' && barrier.outcome !== 'ask';
  return {
    candidates: [],
    barrier,
    provisional: provisionalReasons(input),
    nearest: null,
    answer: decided ? { code: 'noSize' } : { code: 'barrier', conclusion: barrier.conclusion },
  };
}
