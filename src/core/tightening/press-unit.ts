import { ok, refuse, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';

export interface PressUnitInput {
  readonly bolts: number;
  /** Travel from loose to the stop, mm. */
  readonly travelMm: number;
  /** How far one bolt is driven before the next takes its turn, mm. */
  readonly incrementMm: number;
}

export interface PressTurn {
  readonly bolt: number;
  /** Travel of this bolt when its turn is over, mm. */
  readonly toMm: number;
}

/** Bolts alternately in equal increments until all stand at the stop; no bolt is ever more than one increment ahead. */
export function pressUnitOrder({
  bolts,
  travelMm,
  incrementMm,
}: PressUnitInput): Result<readonly PressTurn[]> {
  if (!Number.isInteger(bolts) || bolts < 2 || bolts > 8) return refuse('bolts', 'must be 2 to 8', bolts);
  if (!(travelMm > 0)) return refuse('travelMm', 'is not a travel', travelMm);
  if (!(incrementMm > 0)) return refuse('incrementMm', 'is not an increment', incrementMm);
  const rounds = Math.ceil(travelMm / incrementMm - 1e-9);
  if (rounds > 200)
    return refuse('incrementMm', `would take ${rounds} rounds: take a larger one`, incrementMm);
  return ok(
    Array.from({ length: rounds }, (_, round) =>
      Array.from({ length: bolts }, (_b, i) => ({
        bolt: i + 1,
        toMm: Math.min(travelMm, (round + 1) * incrementMm),
      })),
    ).flat(),
  );
}

export interface PressUnitState {
  readonly travelledMm: number;
  readonly travelMm: number;
  readonly torqueNm: number;
  readonly maxTorqueNm: number;
}

/** Closed only at the stop. The maximum torque before the stop means not closed: the cause is looked for, not forced. */
export function pressUnitVerdict(state: PressUnitState): {
  readonly closed: boolean;
  readonly words: string;
} {
  const short = state.travelMm - state.travelledMm;
  if (short <= 0.05)
    return { closed: true, words: 'closed: it stands at the stop, the closing indicator fits' };
  const rest = `${trimNumber(short, 1)} mm before the stop`;
  if (state.torqueNm >= state.maxTorqueNm)
    return {
      closed: false,
      words: `not closed: the maximum torque of ${trimNumber(state.maxTorqueNm, 1)} N·m came ${rest}. Back off and look for the cause`,
    };
  return { closed: false, words: `not closed yet: ${rest}` };
}
