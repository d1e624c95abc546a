import { parseLength } from '@/core/units';
import type { Instrument } from './instrument';
import { plainCode } from './name';

/** What instruments are asked for here. */
export type MeasuredUnit = 'mm' | 'N·m' | 'MΩ' | '°' | PlateUnit;
/** What is read off a plate: a figure in print, with no instrument but the eye, and nothing that it is off by. */
const PLATE_UNITS = ['V', 'Hz', 'W'] as const;
export type PlateUnit = (typeof PLATE_UNITS)[number];
export const isPlateUnit = (unit: MeasuredUnit): unit is PlateUnit => PLATE_UNITS.some((u) => u === unit);

/** What electrical tests are read in. */
export type TestedUnit = 'Ω' | 'MΩ';

/** How far an instrument may be off, each way: in its own unit, or as a share of what it shows. */
export interface PlusMinus {
  readonly value: number;
  readonly unit: MeasuredUnit | TestedUnit | '%';
}

const FIGURE = /^(?:±|\+\/?-)?\s*(\d+(?:[.,]\d+)?)\s*(%|[Nn]·?[Mm]|[mM]?(?:Ω|\u2126|[Oo]hm))$/;

/** Units of a certificate, each as one of ours and what it is of that: a milliohm and a megohm are told apart by their letter. */
const unitOf = (said: string): { readonly unit: PlusMinus['unit']; readonly of: number } => {
  if (said === '%') return { unit: '%', of: 1 };
  if (/^n/i.test(said)) return { unit: 'N·m', of: 1 };
  if (said.startsWith('M')) return { unit: 'MΩ', of: 1 };
  return { unit: 'Ω', of: said.startsWith('m') ? 0.001 : 1 };
};

/** What a certificate says, read: `± 0.02 mm`, `4 %`, `± 1.5 N·m`, `20 mΩ`, `1/64 in`. Null where it says nothing that can be counted with. */
export function readPlusMinus(text: string): PlusMinus | null {
  const figure = FIGURE.exec(text.trim());
  if (figure !== null) {
    const { unit, of } = unitOf(figure[2] ?? '');
    const value = Number(figure[1]?.replace(',', '.')) * of;
    // Nothing is ever off by nothing.
    return value > 0 ? { value, unit } : null;
  }
  const bare = text.replace(/^\s*(?:±|\+\/?-)\s*/, '').trim();
  // A number without its unit might be of any.
  if (!/(?:mm|cm|in|")\s*$/i.test(bare)) return null;
  const length = parseLength(bare, 'mm');
  return length.ok && length.value.mm > 0 ? { value: length.value.mm, unit: 'mm' } : null;
}

/** An instrument of the register that says how far it may be off. */
export interface Worth {
  readonly code: string;
  readonly plusMinus: PlusMinus;
}

export const worthOf = (register: readonly Pick<Instrument, 'code' | 'uncertainty'>[]): Worth[] =>
  register.flatMap(({ code, uncertainty }) => {
    const plusMinus = readPlusMinus(uncertainty);
    return plusMinus === null ? [] : [{ code, plusMinus }];
  });

/** By what readings of a job are judged. */
export interface Measuring {
  readonly worth: readonly Worth[];
  /** Half-width of a length whose instrument says nothing, mm: the job's profile has it. */
  readonly lengthMm: number;
}

/** What a torque wrench may be off that says nothing of itself: the share that ISO 6789-1 allows most of them. */
export const WRENCH_SHARE = 0.04;

/** What an insulation tester may be off that says nothing of itself, as a share: a house figure. */
export const TESTER_SHARE = 0.05;

/** What the register says of an instrument in this unit, as a half-width at what it shows; null where it says nothing. */
export function registeredHalfWidth(
  worth: readonly Worth[],
  code: string | undefined,
  shown: number,
  unit: MeasuredUnit | TestedUnit,
): number | null {
  const found = worth.find((w) => plainCode(w.code) === plainCode(code ?? ''));
  if (found === undefined) return null;
  const { value, unit: its } = found.plusMinus;
  if (its === '%') return (Math.abs(shown) * value) / 100;
  return its === unit ? value : null;
}

/** Half-width of an angle that a gauge or an eye says, °: a house figure. */
const ANGLE_DEG = 1;
const printed = (): number => 0;

const FALLBACK: Readonly<Record<MeasuredUnit, (shown: number, lengthMm: number) => number>> = {
  mm: (_, lengthMm) => lengthMm,
  'N·m': (shown) => shown * WRENCH_SHARE,
  MΩ: (shown) => shown * TESTER_SHARE,
  '°': () => ANGLE_DEG,
  V: printed,
  Hz: printed,
  W: printed,
};

/** How far a reading may be off, each way. An instrument that nobody knows is worth what such instruments are worth, and never nothing. */
export function halfWidthOf(
  { worth, lengthMm }: Measuring,
  code: string | undefined,
  shown: number,
  unit: MeasuredUnit,
): number {
  return registeredHalfWidth(worth, code, shown, unit) ?? FALLBACK[unit](Math.abs(shown), lengthMm);
}
