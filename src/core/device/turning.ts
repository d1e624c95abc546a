import type { TurnWay } from '@/core/catalogue';
import { ok, refuse, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';

export interface TurnRule {
  readonly limitDeg: number;
  readonly way: TurnWay;
}

/** Between what the sum of all turns may lie, from where the housing stood; clockwise counts up, seen from outside. */
export const turnSpan = ({ limitDeg, way }: TurnRule): { readonly min: number; readonly max: number } => ({
  min: way === 'clockwise' ? 0 : -limitDeg,
  max: way === 'counterClockwise' ? 0 : limitDeg,
});

const TINY = 1e-9;

/** Where a housing stands after these turns, °. Refused at the turn that takes it beyond its limit, or the way that it may not go, with how far. */
export function turned(turns: readonly number[], rule: TurnRule): Result<number> {
  const { min, max } = turnSpan(rule);
  let sum = 0;
  for (const [i, turn] of turns.entries()) {
    if (!Number.isFinite(turn)) return refuse(`turns[${i}]`, 'is no angle', String(turn));
    sum += turn;
    if (sum < min - TINY || sum > max + TINY) {
      const over = sum > max ? sum - max : min - sum;
      return refuse(
        `turns[${i}]`,
        `it would stand at ${trimNumber(sum, 1)}°, and ${trimNumber(min, 1)}° to ${trimNumber(max, 1)}° is allowed from where it stood: ${trimNumber(over, 1)}° too far`,
        turn,
      );
    }
  }
  return ok(sum);
}
