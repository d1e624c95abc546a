import type { IntervalMm } from '@/core/kernel';
import { trimNumber } from '@/core/units';

/** What was ordered of a device: supply V, frequency Hz (0 for direct current), power W. */
export interface DeviceOrder {
  readonly volts: number;
  readonly hz: number;
  readonly watts: number;
}

/** How far its plate may be from the order, as shares of it. */
export interface PlateTolerance {
  readonly supplyToleranceShare: number;
  readonly powerOverShare: number;
}

export const PLATE_FIGURES = ['volts', 'hz', 'watts'] as const;
export type PlateFigure = (typeof PLATE_FIGURES)[number];
export const PLATE_UNITS = { volts: 'V', hz: 'Hz', watts: 'W' } as const satisfies Record<
  PlateFigure,
  string
>;
export const PLATE_WORDS: Readonly<Record<PlateFigure, string>> = {
  volts: 'Supply',
  hz: 'Frequency',
  watts: 'Power',
};

/** Between what each figure of a plate may lie: supply each way by its share, frequency as ordered, power no more than ordered and its share. */
export const plateSpans = (
  { volts, hz, watts }: DeviceOrder,
  { supplyToleranceShare, powerOverShare }: PlateTolerance,
): Readonly<Record<PlateFigure, IntervalMm>> => ({
  volts: { min: volts * (1 - supplyToleranceShare), max: volts * (1 + supplyToleranceShare) },
  hz: { min: hz, max: hz },
  watts: { min: 0, max: watts * (1 + powerOverShare) },
});

export interface PlateFinding {
  readonly figure: PlateFigure;
  readonly verdict: 'holds' | 'fails' | 'ask';
  readonly words: string;
}

/** Sums of decimals do not end where they should. */
const TINY = 1e-9;

/** The plate as it was read against the order, figure by figure; what nobody has read is asked for. */
export function comparePlate(
  order: DeviceOrder,
  tolerance: PlateTolerance,
  plate: { readonly [F in PlateFigure]?: number | undefined },
): PlateFinding[] {
  const spans = plateSpans(order, tolerance);
  return PLATE_FIGURES.map((figure): PlateFinding => {
    const unit = PLATE_UNITS[figure];
    const name = PLATE_WORDS[figure].toLowerCase();
    const read = plate[figure];
    const { min, max } = spans[figure];
    if (read === undefined) return { figure, verdict: 'ask', words: `read the ${name} off the plate` };
    const said = `${name} ${trimNumber(read, 2)} ${unit}`;
    if (read >= min - TINY && read <= max + TINY) return { figure, verdict: 'holds', words: said };
    const off = read > max ? read - max : min - read;
    return {
      figure,
      verdict: 'fails',
      words: `${said}, ${trimNumber(order[figure], 2)} ${unit} ordered: ${trimNumber(off, 2)} ${unit} ${read > max ? 'more' : 'less'} than it may be`,
    };
  });
}
