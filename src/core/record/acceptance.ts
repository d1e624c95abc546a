import { halfWidthOf, isPlateUnit, type MeasuredUnit, type Measuring } from '@/core/instrument';
import { trimNumber } from '@/core/units';
import type { Acceptance } from './step';

/** What was read at a step, and once more where it was asked for. */
export interface ReadTwice {
  readonly value: number;
  readonly again?: number | undefined;
}

export const unitOf = ({ unit }: Acceptance): MeasuredUnit => unit ?? 'mm';

/** Is all that is asked for read off a plate, with no instrument? */
export const isReadOffPlate = (accepts: readonly Acceptance[]): boolean =>
  accepts.every((a) => isPlateUnit(unitOf(a)));

const LARGEST: Readonly<Record<MeasuredUnit, number>> = {
  mm: 5000,
  'N·m': 2000,
  MΩ: 1e6,
  V: 1e6,
  Hz: 1e4,
  W: 1e8,
  '°': 3600,
};
const NO_FIGURE: Readonly<Record<MeasuredUnit, string>> = {
  mm: 'is not a length in mm',
  'N·m': 'is not a torque in N·m',
  MΩ: 'is not a resistance in MΩ',
  V: 'is not a voltage in V',
  Hz: 'is not a frequency in Hz',
  W: 'is not a power in W',
  '°': 'is not an angle in degrees',
};
/** Sums of decimals do not end where they should. */
const TINY = 1e-9;

const figure = (value: number): string => trimNumber(value, 2);

/** Is it in, out, or so near to a limit that the instrument cannot tell? `plusMinus` is the half-width of the reading. */
export function fitOf(
  { min, max }: Pick<Acceptance, 'min' | 'max'>,
  value: number,
  plusMinus: number,
): 'in' | 'marginal' | 'out' {
  if (!Number.isFinite(value) || value < min - TINY || value > max + TINY) return 'out';
  return value - plusMinus >= min - TINY && value + plusMinus <= max + TINY ? 'in' : 'marginal';
}

/** Does this reading ask for a second one? */
export const asksAgain = (
  accept: Acceptance,
  value: number,
  measuring: Measuring,
  instrument: string | undefined,
): boolean => fitOf(accept, value, halfWidthOf(measuring, instrument, value, unitOf(accept))) === 'marginal';

/**
 * Why what was read is not taken; null when it is. Out of its span never is. Where the instrument cannot tell whether it is in, it is read a
 * second time: both must lie in the span, and no farther apart than the instrument may be off each way.
 */
export function refusalOf(
  accept: Acceptance,
  { value, again }: ReadTwice,
  measuring: Measuring,
  instrument: string | undefined,
): string | null {
  const unit = unitOf(accept);
  if (![value, again ?? 0].every((v) => Number.isFinite(v) && Math.abs(v) <= LARGEST[unit]))
    return NO_FIGURE[unit];
  const out = outOfSpan(accept, value) ?? (again === undefined ? null : outOfSpan(accept, again));
  if (out !== null) return out;
  const plusMinus = halfWidthOf(measuring, instrument, value, unit);
  if (fitOf(accept, value, plusMinus) === 'in') return null;
  const { label, min, max } = accept;
  if (again === undefined)
    return `${label} ${figure(value)} ${unit} is within ± ${figure(plusMinus)} ${unit} of its limit (${figure(min)}–${figure(max)} ${unit}): read it a second time`;
  const apart = Math.abs(again - value);
  return apart > 2 * plusMinus + TINY
    ? `${label}: ${figure(value)} and ${figure(again)} ${unit} are ${figure(apart)} ${unit} apart, more than ± ${figure(plusMinus)} ${unit} explains: measure both anew`
    : null;
}

function outOfSpan(accept: Acceptance, value: number): string | null {
  const { label, min, max, over, under } = accept;
  if (fitOf(accept, value, 0) !== 'out') return null;
  const unit = unitOf(accept);
  const off = value > max ? value - max : min - value;
  const what = value > max ? (over ?? 'too long, trim it') : (under ?? 'too short, cut back and start again');
  return `${label} ${figure(value)} ${unit}; ${figure(min)}–${figure(max)} ${unit} asked for: ${figure(off)} ${unit} ${what}`;
}
