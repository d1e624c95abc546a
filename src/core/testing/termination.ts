import { measure, type Measurement, type Quantity } from '@/core/cable-measurement';
import { DEFAULT_PROFILE, type CableType, type Enclosure, type Entry } from '@/core/schedule';
import { NOTHING_MEASURED, type TerminationInput } from '@/core/gland-selection';

/** A plain, valid termination that the tests bend one way at a time. */
export const CABLE: CableType = {
  code: 'SWA-4x25',
  title: '4-core 25 mm², round-wire armour',
  armour: 'roundWire',
  cores: 4,
  coreSectionMm2: 25,
  jacketed: true,
  innerSheath: true,
  effectivelyFilled: true,
  coldFlow: false,
  screened: false,
  outerSheathThicknessMm: 1.8,
  innerSheathThicknessMm: 1.2,
  compact: true,
  armourMaterial: 'galvanisedSteel',
};

export const BOX: Enclosure = {
  tag: 'JB-1',
  title: 'Still pump 2',
  concept: 'Ex d',
  zone: 1,
  gasGroup: 'IIB',
  dustGroup: null,
  temperatureClass: 'T4',
  ip: '66',
  material: 'aluminium',
  wallEarthed: true,
  wet: false,
  freeVolumeCm3: 2500,
  ambientMinC: -20,
  entryMaxC: 60,
};

export const ENTRY: Entry = {
  label: 'E1',
  kind: 'threaded',
  thread: { form: 'metric', size: 'M32', pitchMm: 1.5 },
  wallMm: 16,
  chamferMm: 1,
  holeMm: null,
};

/** Interval `[min, max]` as if two calipers with no uncertainty and a tape had seen it. */
export function interval(quantity: Quantity, min: number, max: number): Measurement {
  const measured = measure(
    [
      { quantity, method: 'caliper', text: String(min), unit: 'mm', angleDeg: 0 },
      { quantity, method: 'caliper', text: String(max), unit: 'mm', angleDeg: 90 },
    ],
    quantity,
    {
      ...DEFAULT_PROFILE.measurement,
      uncertaintyMm: { caliper: 0, wrapTape: 0, diameterTape: 0, armourWire: 0 },
    },
  );
  if (!measured.ok || measured.value === null) throw new Error('fixture');
  return { ...measured.value, hasTape: true };
}

export const TERMINATION: TerminationInput = {
  ...NOTHING_MEASURED,
  cableLengthMm: 38_000,
  cableType: CABLE,
  outerSheath: interval('outerSheath', 28, 28.4),
  innerSheath: interval('innerSheath', 21.5, 21.8),
  armourWire: interval('armourWire', 1.6, 1.62),
  enclosure: BOX,
  entry: ENTRY,
  profile: DEFAULT_PROFILE,
};
