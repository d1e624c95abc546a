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

/** What an event says of the insulation; null where nothing. */
function insulationAct(
  act: BenchAct,
  { testV }: MineralEndPlan['test'],
  measuring: Measuring,
): InsulationAct | null {
  if (act.fingerprint === null) return null;
  const mohm = act.measured?.[INSULATION];
  switch (act.stepId) {
    case 'insulation':
    case 'insulationAgain':
      // Voltage and far end were ticked, or it would not be in the record.
      return mohm === undefined
        ? null
        : { kind: 'reading', mohm: lowest(mohm, measuring, act.instrument), volts: testV, farSealed: true };
    case 'clean':
      return { kind: 'heated' };
    case 'fillPot':
      return { kind: 'sealed' };
    default:
      return null;
  }
}

/** What is left of it when steps are taken back: a pot that was not filled after all, a proof that was none, a reading that counts no more. */
function takenBack(state: InsulationState, { stepId, redo }: BenchAct): InsulationState {
  const back = new Set([stepId, ...redo]);
  if (back.has('fillPot')) return UNTESTED;
  if (back.has('insulationAgain') && state.phase === 'proved') return { ...state, phase: 'sealed' };
  const read = back.has('insulation') || back.has('clean');
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
    else {
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
  const state = insulationOf(mineral, acts, measuring);
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
      const after = insulationStep(
        state,
        { kind: 'reading', mohm: least, volts: test.testV, farSealed: true },
        atMs,
        test,
      );
      if (after.refused === null) return ok(null);
      return refuse('insulation', state.phase === 'cut' ? CUT_IT : after.refused);
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
      const may = insulationStep(
        state,
        { kind: 'reading', mohm: lowest(mohm, measuring, instrument), volts: test.testV, farSealed: true },
        atMs,
        test,
      );
      return may.refused === null ? ok(null) : refuse(`measured.${INSULATION}`, may.refused);
    }
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
