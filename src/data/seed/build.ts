import type { Method, Quantity, Reading } from '@/core/cable-measurement';
import type { CableType, CodeProfile, Enclosure, End, Entry } from '@/core/schedule';

/** A made-up job as it is loaded. */
export interface SeedJob {
  readonly slug: string;
  readonly name: string;
  readonly unit: 'mm' | 'in';
  readonly secondPerson: boolean;
  readonly profile: CodeProfile;
  readonly types: readonly CableType[];
  readonly enclosures: readonly SeedEnclosure[];
  readonly cables: readonly SeedCable[];
}

// Short hands that the made-up jobs are written with.

export const type = (
  code: string,
  title: string,
  cores: number,
  section: number,
  more: Partial<CableType> = {},
): CableType => ({
  code,
  title,
  armour: 'roundWire',
  cores,
  coreSectionMm2: section,
  jacketed: true,
  innerSheath: true,
  effectivelyFilled: true,
  coldFlow: false,
  screened: false,
  compact: true,
  armourMaterial: 'galvanisedSteel',
  ...more,
});

export interface SeedEnclosure {
  readonly area: string;
  readonly enclosure: Enclosure;
  readonly entries: readonly Entry[];
}

const metric = (size: string) => ({ form: 'metric' as const, size, pitchMm: 1.5 });
export const threaded = (label: string, size: string, wallMm: number): Entry => ({
  label,
  kind: 'threaded',
  thread: metric(size),
  wallMm,
  chamferMm: 1,
  holeMm: null,
});
const hole = (label: string, holeMm: number, wallMm = 3): Entry => ({
  label,
  kind: 'clearance',
  thread: null,
  wallMm,
  chamferMm: 0,
  holeMm,
});

export const box = (tag: string, title: string, more: Partial<Enclosure>): Enclosure => ({
  tag,
  title,
  concept: 'none',
  zone: null,
  temperatureClass: null,
  ip: '54',
  material: 'steel',
  wallEarthed: true,
  wet: false,
  freeVolumeCm3: 8000,
  ambientMinC: -10,
  entryMaxC: 55,
  ...more,
});

export const plate = (sizes: readonly number[]): Entry[] => sizes.map((mm, i) => hole(`P${i + 1}`, mm));

export interface SeedReading {
  readonly end: End | null;
  readonly reading: Reading;
}

export interface SeedCable {
  readonly tag: string;
  readonly type: string;
  readonly routeM: number;
  readonly note?: string;
  readonly a: { readonly place: string; readonly tailMm: number | null };
  readonly b: { readonly place: string; readonly tailMm: number | null };
  readonly readings: readonly SeedReading[];
}

const QUANTITIES: Readonly<Record<'outer' | 'inner' | 'wire' | 'over' | 'bundle' | 'core', Quantity>> = {
  outer: 'outerSheath',
  inner: 'innerSheath',
  wire: 'armourWire',
  over: 'overArmour',
  bundle: 'laidUpCores',
  core: 'core',
};
type Short = keyof typeof QUANTITIES;

/** Caliper readings of one quantity at an end, 90° apart. */
export function calipers(
  end: End,
  what: Short,
  values: readonly (number | string)[],
  minute: number,
  unit: 'mm' | 'in' = 'mm',
): SeedReading[] {
  return values.map((value, i) => ({
    end,
    reading: reading('caliper', what, String(value), minute + i, unit, i * 90),
  }));
}

function reading(
  method: Method,
  what: Short,
  text: string,
  minute: number,
  unit: 'mm' | 'in',
  angleDeg?: number,
): Reading {
  const hour = 7 + Math.floor(minute / 60);
  return {
    quantity: QUANTITIES[what],
    method,
    text,
    unit,
    instrument: method === 'caliper' ? 'caliper C-07' : 'tape T-02',
    person: 'fitter 1',
    at: `2026-11-02T${String(hour).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}:00.000Z`,
    ...(angleDeg === undefined ? {} : { angleDeg }),
  };
}

const tape = (end: End, circumference: number, minute: number): SeedReading => ({
  end,
  reading: reading('wrapTape', 'outer', String(circumference), minute, 'mm'),
});

export function datasheet(outer: string, inner: string, wire: string): SeedReading[] {
  return (
    [
      ['outer', outer],
      ['inner', inner],
      ['wire', wire],
    ] as const
  ).map(([what, text]) => ({
    end: null,
    reading: {
      quantity: QUANTITIES[what],
      method: 'datasheet',
      text,
      unit: 'mm',
      person: 'planner',
      at: '2026-10-20T09:00:00.000Z',
      ...(what === 'wire' ? { tolerance: '0.03' } : {}),
    },
  }));
}

/** A full set at one end: two calipers and a tape on the outer sheath, two calipers inside, one on a wire. */
export function full(
  end: End,
  outer: readonly [number, number],
  inner: readonly [number, number],
  wire: number,
  minute: number,
): SeedReading[] {
  const middle = (outer[0] + outer[1]) / 2;
  // What a wrap tape of 0.2 mm would read round that cable.
  const circumference = Math.round(Math.PI * (middle + 0.2) * 10) / 10;
  return [
    ...calipers(end, 'outer', outer, minute),
    tape(end, circumference, minute + 2),
    ...calipers(end, 'inner', inner, minute + 3),
    ...calipers(end, 'wire', [wire], minute + 5),
  ];
}

let minute = 0;
export const both = (
  outer: readonly [number, number],
  inner: readonly [number, number],
  wire: number,
): SeedReading[] => {
  minute += 12;
  return [
    ...full('A', outer, inner, wire, minute),
    ...full('B', [outer[1], outer[0]], inner, wire, minute + 6),
  ];
};
export const cable = (
  tag: string,
  typeCode: string,
  routeM: number,
  [a, b]: readonly [placeOfA: string, placeOfB: string],
  readings: readonly SeedReading[],
  more: { note?: string; tailA?: number | null; tailB?: number | null } = {},
): SeedCable => ({
  tag,
  type: typeCode,
  routeM,
  ...(more.note ? { note: more.note } : {}),
  a: { place: a, tailMm: more.tailA === undefined ? 620 : more.tailA },
  b: { place: b, tailMm: more.tailB === undefined ? 180 : more.tailB },
  readings,
});

/** Both ends alike: each quantity by two calipers, and a tape round the outer sheath. */
export function measured(
  values: Readonly<Partial<Record<Short, readonly [number, number]>>>,
  ends: readonly End[] = ['A', 'B'],
): SeedReading[] {
  return ends.flatMap((end) => {
    minute += 8;
    const [low, high] = values.outer ?? [0, 0];
    const round = Math.round(Math.PI * ((low + high) / 2 + 0.2) * 10) / 10;
    return [
      ...Object.entries(values).flatMap(([what, pair], i) => calipers(end, what as Short, pair, minute + i)),
      ...(values.outer ? [tape(end, round, minute + 7)] : []),
    ];
  });
}

/** A tapered entry with the threads that its sheet says engage wrench-tight. */
export const tapered = (
  label: string,
  size: '1/2' | '3/4' | '1' | '1 1/4',
  wallMm: number,
  taperedTurns?: number,
): Entry => ({
  label,
  kind: 'threaded',
  thread: { form: 'npt', size, pitchMm: size === '1/2' || size === '3/4' ? 1.814 : 2.209 },
  wallMm,
  chamferMm: 1,
  holeMm: null,
  ...(taperedTurns === undefined ? {} : { taperedTurns }),
});
