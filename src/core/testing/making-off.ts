import type { Family } from '@/core/catalogue';
import { generateSteps, rulesOfRecord, type TerminationPlan } from '@/core/procedure';
import { asHeld, decide, replay, type BenchAct, type ConfirmCommand, type Step } from '@/core/record';
import { MEASURING } from './measuring';

const NOW = '2026-11-24T08:00:00.000Z';
/** No procedure has as many steps. */
const MOST = 80;

/**
 * An end that is made off in memory, by a fitter who answers every step as planned. `answer` says what else they answer at a step; 50 mm are spare.
 */
export function makingOff(
  plan: TerminationPlan,
  family: Family,
  answer: (step: Step) => Partial<ConfirmCommand> = () => ({}),
) {
  const steps = generateSteps(plan, family);
  /** What the end says to the step whose turn it is: nothing when it was taken into the record, else why not. */
  const held = (
    acts: BenchAct[],
    more: Partial<ConfirmCommand> = {},
    across?: readonly BenchAct[],
  ): string => {
    const { next } = replay(steps, acts);
    if (next === null) throw new Error('all is done');
    const command = { ...asHeld(next), ...answer(next), ...more };
    const state = {
      steps,
      acts,
      stale: false,
      provisional: [],
      secondPerson: false,
      measuring: MEASURING,
      rules: rulesOfRecord(plan, { own: 50, other: 50 }, MEASURING),
      ...(across === undefined ? {} : { across }),
    };
    const decided = decide(state, command, { id: null, name: 'fitter' }, NOW);
    if (!decided.ok) return decided.problems.map((p) => p.message).join('; ');
    const { stepId, kind, body } = decided.value;
    acts.push({
      ...actOfFitter(stepId, kind),
      fingerprint: command.fingerprint,
      decision: command.decision ?? null,
      measured: command.measured ?? {},
      ...(command.chosen === undefined ? {} : { chosen: command.chosen }),
      ...('instrument' in body ? { instrument: body.instrument ?? '' } : {}),
    });
    return '';
  };
  /** Everything that was done before this step. */
  const until = (id: string): BenchAct[] => {
    const acts: BenchAct[] = [];
    for (let guard = 0; guard < MOST; guard += 1) {
      const at = replay(steps, acts).next?.id;
      if (at === id) return acts;
      const refused = held(acts);
      if (refused !== '') throw new Error(`${at ?? 'the end'}: ${refused}`);
    }
    throw new Error(`${id} is never reached`);
  };
  return { steps, held, until };
}

/** An act that says nothing but where it was done. */
export const actOfFitter = (
  stepId: string,
  kind: BenchAct['kind'],
  redo: readonly string[] = [],
): BenchAct => ({
  stepId,
  kind,
  fingerprint: null,
  decision: null,
  actor: 'fitter',
  person: null,
  at: NOW,
  mix: null,
  tempC: null,
  redo,
});
