import { readPlusMinus, type InstrumentKind } from '@/core/instrument';
import { trimNumber } from '@/core/units';

export const KIND_OPTIONS: readonly (readonly [InstrumentKind, string])[] = [
  ['caliper', 'caliper'],
  ['tape', 'tape'],
  ['torqueWrench', 'torque wrench'],
  ['angleGauge', 'angle gauge'],
  ['continuityTester', 'continuity tester'],
  ['lowResistanceTester', 'low-resistance tester'],
  ['insulationTester', 'insulation tester'],
  ['thermometer', 'thermometer'],
  ['gauge', 'feeler or depth gauge'],
];
export const kindWords = (kind: InstrumentKind): string =>
  KIND_OPTIONS.find(([k]) => k === kind)?.[1] ?? kind;

/** What a text of a certificate is counted as, said while it is typed: what cannot be read enters no interval. */
export function countsWords(uncertainty: string): string {
  if (uncertainty.trim() === '') return 'Unsaid: the profile’s figure counts';
  const read = readPlusMinus(uncertainty);
  return read === null
    ? 'Not a figure with its unit: the profile’s counts'
    : `Counts as ± ${trimNumber(read.value, 3)} ${read.unit}${read.unit === '%' ? ' of what it shows' : ''}`;
}

/** Said of a line of the register whose text cannot be counted with; nothing of one that can. */
export const countsShort = (uncertainty: string): string =>
  readPlusMinus(uncertainty) === null ? 'enters no interval of its own' : '';
