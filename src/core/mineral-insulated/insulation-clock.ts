/** What is recorded of the insulation of an end, in order. */
export type InsulationAct =
  | {
      readonly kind: 'reading';
      readonly mohm: number;
      readonly volts: number;
      readonly farSealed: boolean | null;
    }
  | { readonly kind: 'heated' }
  | { readonly kind: 'cutBack' }
  | { readonly kind: 'sealed' };

/** What a reading is judged by. */
export interface InsulationLimits {
  readonly testV: number;
  readonly leastMohm: number;
  readonly holdsMs: number;
  readonly mayFallShare: number;
}

export interface InsulationState {
  readonly phase: 'untested' | 'wet' | 'dry' | 'sealed' | 'proved' | 'cut';
  /** Good readings that count, the last one; null where none does. */
  readonly good: { readonly mohm: number; readonly atMs: number } | null;
  /** Low readings since the end was last cut back, one after each heat. */
  readonly readings: readonly number[];
  /** Heated since the last of them. */
  readonly heated: boolean;
}

export const UNTESTED: InsulationState = { phase: 'untested', good: null, readings: [], heated: true };

export interface InsulationAnswer {
  readonly state: InsulationState;
  /** Why the act does not count, or may not be; null where it does. */
  readonly refused: string | null;
}

const CUT = 'it does not dry: it is cut back first';

/** So many readings after heat tell whether it dries. */
const TREND = 3;

/** Does it dry? The last of three readings must be above the first of them; fewer say nothing yet. */
export const isDrying = (readings: readonly number[]): boolean | null => {
  const last = readings.slice(-TREND);
  const [first = 0] = last;
  return last.length < TREND ? null : (last[TREND - 1] ?? 0) > first;
};

/**
 * What an act makes of an end at a time (ms). A reading counts only with the far end sealed and at the voltage of the sheet. Low is wet: it is heated and
 * read again, until three readings no longer rise, and the end is cut. Good starts a clock; nothing is sealed on a reading that is low, that
 * has aged, or that nobody took.
 */
export function insulationStep(
  state: InsulationState,
  act: InsulationAct,
  atMs: number,
  limits: InsulationLimits,
): InsulationAnswer {
  const no = (refused: string): InsulationAnswer => ({ state, refused });
  const yes = (next: InsulationState): InsulationAnswer => ({ state: next, refused: null });
  if (state.phase === 'proved') return no('it is sealed and proved');
  switch (act.kind) {
    case 'cutBack':
      return state.phase === 'sealed' ? no('it is sealed') : yes(UNTESTED);
    case 'heated':
      if (state.phase === 'sealed') return no('it is sealed');
      if (state.phase === 'cut') return no(CUT);
      // What was read of it cold says nothing of it warm.
      return yes({ ...state, phase: state.phase === 'dry' ? 'wet' : state.phase, good: null, heated: true });
    case 'sealed': {
      if (state.phase === 'sealed') return no('it is sealed');
      if (state.phase === 'cut') return no(CUT);
      if (state.good === null) return no('no good reading: test it first');
      const age = atMs - state.good.atMs;
      if (age < 0) return no('this is before its reading');
      return age > limits.holdsMs
        ? no(
            `the reading is ${Math.ceil(age / 60_000)} min old and counts for ${limits.holdsMs / 60_000}: test it again`,
          )
        : yes({ ...state, phase: 'sealed' });
    }
    case 'reading':
      return reading(state, act, atMs, limits);
  }
}

function reading(
  state: InsulationState,
  { mohm, volts, farSealed }: Extract<InsulationAct, { readonly kind: 'reading' }>,
  atMs: number,
  { testV, leastMohm, mayFallShare }: InsulationLimits,
): InsulationAnswer {
  const no = (refused: string): InsulationAnswer => ({ state, refused });
  if (state.phase === 'cut') return no(CUT);
  if (farSealed === null)
    return no('is the far end sealed? Open, it draws water and the reading means nothing');
  if (!farSealed) return no('the far end is open: it draws water and the reading means nothing');
  if (volts < testV) return no(`${volts} V are ${testV - volts} V less than the test asks for`);
  if (volts > testV) return no(`${volts} V are ${volts - testV} V more than the cable may see`);
  if (state.phase === 'sealed') {
    const least = Math.max(leastMohm, (state.good?.mohm ?? Infinity) * (1 - mayFallShare));
    return mohm >= least
      ? { state: { ...state, phase: 'proved' }, refused: null }
      : no(`${mohm} MΩ after sealing, ${least} MΩ at least by the test before: the seal has let water in`);
  }
  // Read again without heat it says nothing of whether it dries.
  const readings = state.heated ? [...state.readings, mohm] : state.readings;
  if (mohm >= leastMohm)
    return { state: { phase: 'dry', good: { mohm, atMs }, readings, heated: false }, refused: null };
  return {
    state: { phase: isDrying(readings) === false ? 'cut' : 'wet', good: null, readings, heated: false },
    refused: null,
  };
}
