import type { InstrumentKind } from '@/core/instrument';

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
