import { ok, refuse, type Result } from '@/core/kernel';
import type { InstrumentKind } from './instrument';

/** Units in which instruments of the hand speak. */
export const SHOWN_UNITS = ['mm', 'in', 'N·m', '°', '°C'] as const;
export type ShownUnit = (typeof SHOWN_UNITS)[number];

/** One figure as an instrument shows it. `unit` is null where it does not say: then whoever reads it does. */
export interface Shown {
  readonly text: string;
  readonly unit: ShownUnit | null;
}

/** Where figures come from: an instrument on a cable, or one that ships. */
export interface InstrumentPort {
  /** As it goes into the field that asks with what was measured. */
  readonly name: string;
  /** Listens, until what it returns is called. A line that is no figure is heard as a refusal. */
  readonly listen: (heard: (shown: Result<Shown>) => void) => () => void;
}

/** What an instrument of a kind says when it says no unit; null where there are several. */
export const USUAL_UNIT: Readonly<Record<InstrumentKind, ShownUnit | null>> = {
  caliper: null,
  tape: null,
  gauge: null,
  torqueWrench: 'N·m',
  angleGauge: '°',
  thermometer: '°C',
  continuityTester: null,
  lowResistanceTester: null,
  insulationTester: null,
};

const UNITS: readonly (readonly [RegExp, ShownUnit])[] = [
  [/^mm$/i, 'mm'],
  [/^(?:in|inch|")$/i, 'in'],
  [/^n[·.*\- ]?m$/i, 'N·m'],
  [/^(?:°|deg)$/i, '°'],
  [/^(?:°c|c|degc)$/i, '°C'],
];

const LINE = /^([+-]?)\s*0*(\d+(?:[.,]\d+)?)\s*(\D*)$/;

/** Longer than this is no figure. */
const LONGEST = 40;

/**
 * Reads one line of an instrument: a figure, and its unit where it says one. Signs and leading noughts of its display go; a unit that nobody knows,
 * and a line with anything else in it, is refused, since a figure that is half understood would be worse than none.
 */
export function readShown(line: string): Result<Shown> {
  const bare = line.trim();
  const found = bare.length > LONGEST ? null : LINE.exec(bare);
  if (found === null) return refuse('line', 'is no figure that an instrument shows', bare.slice(0, LONGEST));
  const [, sign = '', digits = '', said = ''] = found;
  const word = said.trim();
  const unit = word === '' ? null : (UNITS.find(([pattern]) => pattern.test(word))?.[1] ?? undefined);
  if (unit === undefined) return refuse('line', `shows a unit that is not known here: ${word}`, bare);
  return ok({ text: `${sign === '-' ? '-' : ''}${digits.replace(',', '.')}`, unit });
}

/** What is shown as a figure of a field in mm; null where it is no length. One that says no unit is taken as the field's own. */
export function shownMm({ text, unit }: Shown): number | null {
  const value = Number(text);
  if (unit === 'mm' || unit === null) return value;
  return unit === 'in' ? Math.round(value * 25_400) / 1000 : null;
}

/**
 * Hears what an instrument of a kind sends, piece by piece: each whole line as a figure, in the usual unit of its kind where it says none, or as a
 * refusal.
 */
export function hearLines(
  kind: InstrumentKind,
  heard: (shown: Result<Shown>) => void,
): (piece: string) => void {
  let rest = '';
  return (piece) => {
    const cut = wholeLines(rest, piece);
    rest = cut.rest;
    for (const line of cut.lines) {
      const shown = readShown(line);
      heard(shown.ok ? ok({ ...shown.value, unit: shown.value.unit ?? USUAL_UNIT[kind] }) : shown);
    }
  };
}

/** Cuts what came over a line into whole lines; the rest waits for what comes next. Either line end will do, and one alone. */
export function wholeLines(
  before: string,
  came: string,
): { readonly lines: string[]; readonly rest: string } {
  const parts = `${before}${came}`.split(/[\r\n]+/);
  const rest = parts.pop() ?? '';
  // What never ends is no line of an instrument.
  return { lines: parts.filter((p) => p.trim() !== ''), rest: rest.slice(-4 * LONGEST) };
}
