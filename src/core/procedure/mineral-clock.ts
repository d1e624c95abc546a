import { halfWidthOf, type Measuring } from '@/core/instrument';
import { ok, refuse, type Result } from '@/core/kernel';
import {
  insulationStep,
  isDrying,
  UNTESTED,
  type InsulationAct,
  type InsulationState,
  type MineralEndPlan,
} from '@/core/mineral-insulated';
import type { BenchAct, ConfirmCommand, Step } from '@/core/record';
import { trimNumber } from '@/core/units';

/** What was read at the steps of the insulation. */
const INSULATION = 'insulation';

/** The lowest that a reading may mean: by as much as its tester may be off. */
const lowest = (mohm: number, measuring: Measuring, instrument: string | undefined): number =>
  mohm - halfWidthOf(measuring, instrument, mohm, 'MΩ');

/** Voltage and far end are ticked at both steps, or they pass nothing. */
const readingAt = (mohm: number, volts: number): InsulationAct => ({
  kind: 'reading',
  mohm,
  volts,
  farSealed: true,
});

/** What an event says of the insulation; null where nothing. */
function insulationAct(
  act: BenchAct,
  { testV }: MineralEndPlan['test'],
  measuring: Measuring,
): InsulationAct | null {
  const mohm = act.measured?.[INSULATION];
  switch (act.stepId) {
    case 'insulation':
    case 'insulationAgain':
      return mohm === undefined ? null : readingAt(lowest(mohm, measuring, act.instrument), testV);
    case 'clean':
      return { kind: 'heated' };
    case 'fillPot':
      return { kind: 'sealed' };
    default:
      return null;
  }
}

/**
 * The end as a step finds it whose turn it is. One from before the seal that comes again on a sealed end means that the end was sent back, by
 * whatever: the seal, and the reading that it stood on, count no more. A proof that comes again proves the seal anew.
 */
function foundBy(stepId: string, state: InsulationState): InsulationState {
  if (state.phase !== 'sealed' && state.phase !== 'proved') return state;
  if (BEFORE_SEAL.has(stepId)) return UNTESTED;
  return stepId === 'insulationAgain' ? { ...state, phase: 'sealed' } : state;
}
const BEFORE_SEAL: ReadonlySet<string> = new Set(['clean', 'insulation', 'pot', 'fillPot']);

/** A reading that is taken back counts no more. */
function takenBack(state: InsulationState, { stepId, redo }: BenchAct): InsulationState {
  const back = [stepId, ...redo];
  const read = back.includes('insulation') || back.includes('clean');
  return read && state.phase === 'dry' ? { ...state, phase: 'wet', good: null } : state;
}

/** What the record says of the insulation of an end. What it does not count changes nothing; an end that is cut back begins anew. */
export function insulationOf(
  mineral: MineralEndPlan,
  acts: readonly BenchAct[],
  measuring: Measuring,
): InsulationState {
  let state = UNTESTED;
  for (const act of acts) {
    if (act.kind === 'recut') state = UNTESTED;
    else if (act.kind === 'correct') state = takenBack(state, act);
    else if (act.fingerprint !== null) {
      state = foundBy(act.stepId, state);
      const said = insulationAct(act, mineral.test, measuring);
      if (said !== null) state = insulationStep(state, said, Date.parse(act.at), mineral.test).state;
    }
  }
  return state;
}

/** Until when the reading that counts may be sealed on, ms; null where none counts. */
export const sealUntilMs = (mineral: MineralEndPlan, state: InsulationState): number | null =>
  state.phase === 'dry' && state.good !== null ? state.good.atMs + mineral.test.holdsMs : null;

const CUT_IT = 'it does not dry: three readings after heat did not rise. Cut the end back and begin again';
const NOT_SEALED =
  'by what is known today the pot was not filled on a reading that counts: take its filling back, and begin at the reading';
const NOT_READ = 'say what was read: nothing is sealed on a reading that nobody took';

/** May this step of a mineral-insulated end be confirmed now? What it is not about passes. */
export function mayConfirmMineral(
  mineral: MineralEndPlan,
  step: Step,
  { decision = null, measured = {}, instrument }: ConfirmCommand,
  acts: readonly BenchAct[],
  now: string,
  measuring: Measuring,
): Result<null> {
  const state = foundBy(step.id, insulationOf(mineral, acts, measuring));
  const { test } = mineral;
  const atMs = Date.parse(now);
  const mohm = measured[INSULATION];
  switch (step.id) {
    case 'insulation': {
      if (mohm === undefined) return refuse(`measured.${INSULATION}`, NOT_READ);
      const least = lowest(mohm, measuring, instrument);
      const good = least >= test.leastMohm;
      if (decision === 'dry' && !good)
        return refuse(
          `measured.${INSULATION}`,
          `${trimNumber(mohm, 1)} MΩ, ${trimNumber(least, 1)} MΩ at the lowest that its tester may mean: ${trimNumber(test.leastMohm - least, 1)} MΩ less than needed. Dry it out`,
        );
      if (decision === 'dryOut' && good)
        return refuse('decision', `${trimNumber(mohm, 1)} MΩ is enough: there is nothing to dry out`);
      if (state.phase === 'cut') return refuse('insulation', CUT_IT);
      const may = insulationStep(state, readingAt(least, test.testV), atMs, test);
      return may.refused === null ? ok(null) : refuse('insulation', may.refused);
    }
    case 'clean':
      return state.phase === 'cut' ? refuse('insulation', CUT_IT) : ok(null);
    case 'pot':
    case 'fillPot': {
      const may = insulationStep(state, { kind: 'sealed' }, atMs, test);
      return may.refused === null ? ok(null) : refuse('insulation', may.refused);
    }
    case 'insulationAgain': {
      if (mohm === undefined) return refuse(`measured.${INSULATION}`, NOT_READ);
      // Only a seal on a reading that counts can be proved against it.
      if (state.phase !== 'sealed') return refuse('insulation', NOT_SEALED);
      const least = lowest(mohm, measuring, instrument);
      const may = insulationStep(state, readingAt(least, test.testV), atMs, test);
      return may.refused === null ? ok(null) : refuse(`measured.${INSULATION}`, may.refused);
    }
    case 'sign':
      return state.phase === 'proved' ? ok(null) : refuse('insulation', NOT_SEALED);
    default:
      return ok(null);
  }
}

/** Does it dry? Null while fewer than three readings say nothing yet. */
export const dries = (state: InsulationState): boolean | null =>
  state.phase === 'wet' ? isDrying(state.readings) : null;

/** One reading before the pot is filled. */
export interface InsulationReading {
  readonly atMs: number;
  readonly mohm: number;
}

/** What was read since the end was last cut back, in its order. */
export function insulationReadings(acts: readonly BenchAct[]): InsulationReading[] {
  const from = acts.findLastIndex((a) => a.kind === 'recut') + 1;
  return acts.slice(from).flatMap((a) => {
    const mohm = a.stepId === 'insulation' && a.fingerprint !== null ? a.measured?.[INSULATION] : undefined;
    return mohm === undefined ? [] : [{ atMs: Date.parse(a.at), mohm }];
  });
}
