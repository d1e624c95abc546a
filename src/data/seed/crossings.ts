import type { CrossingMember, CrossingSetup } from '@/core/crossing';
import { seededRandom } from '@/core/kernel';

export interface SeedCrossing {
  readonly name: string;
  readonly setup: CrossingSetup;
}

const CIRCUITS = ['control', 'power', 'signal'] as const;
const SHEET = { code: 'TF', revision: 'A' };
const ALL_FRAMES = [
  'TF-1-150',
  'TF-1-222',
  'TF-1-294',
  'TF-2-222',
  'TF-2-294',
  'TF-3-294',
  'TR-1-222',
  'TR-2-294',
];
const APART = [{ a: 'power', b: 'signal', by: 'row' as const }];

/** Every so many of them is measured so coarsely that its layers are in doubt. */
const COARSE_EACH = 13;

/** A diameter near one that is thought of, where a module of the demo's sheet takes it with a gap that is certain: see `peelFor`. */
function certain(middle: number): { min: number; max: number } {
  const [base, layer] =
    middle > 57 ? [62, 1.5] : middle > 37.5 ? [34, 1.2] : middle > 27.5 ? [23, 1.1] : [0, 1];
  const bore = base + Math.floor((middle - base) / layer) * layer;
  const at = (mm: number) => Number((bore + mm).toFixed(2));
  return { min: at(0.72), max: at(0.86) };
}

/** Cables that only pass through, with a diameter of their own: mostly thin, a few thick. */
function passing(prefix: string, count: number, seed: number, from: number): CrossingMember[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, i) => {
    const middle = 6 + 42 * random() ** 2.3;
    const half = 0.1 + random() * 0.15;
    const coarse = { min: Number((middle - half).toFixed(1)), max: Number((middle + half).toFixed(1)) };
    return {
      tag: `${prefix}-${from + i}`,
      circuit: CIRCUITS[Math.floor(random() * CIRCUITS.length)] ?? 'control',
      diameter: i % COARSE_EACH === 0 ? coarse : certain(middle),
      front: 100 + i,
      back: 100 + Math.floor(random() * count),
    };
  });
}

/** Cables of the schedule; `mm` is what was measured where they cross, and where nobody has, the schedule's readings stand. */
const fromSchedule = (
  members: readonly (readonly [tag: string, circuit: (typeof CIRCUITS)[number], mm?: number])[],
): CrossingMember[] =>
  members.map(([tag, circuit, mm], i) => ({
    tag,
    circuit,
    diameter: mm === undefined ? undefined : certain(mm),
    front: i,
    back: (i * 7) % members.length,
  }));

/** Still house wall, deck above the grain intake, and the kiosk in the yard. */
export const QUILLMERE_CROSSINGS: readonly SeedCrossing[] = [
  {
    name: 'X-1',
    setup: {
      place: 'Process wall, still house to switch room',
      rating: 'fire 60 minutes, gas tight',
      members: fromSchedule([
        ['K-101', 'power', 20.8],
        ['K-102', 'power', 15.2],
        ['K-104', 'power', 28.1],
        ['K-105', 'control', 21.5],
        ['K-106', 'power', 28.2],
        ['K-107', 'power', 20.9],
        ['K-108', 'control', 14.6],
        ['K-109', 'power', 18.4],
        ['K-110', 'signal', 13.3],
        ['K-112', 'signal', 13.2],
        ['K-113', 'power', 24.7],
        ['K-117', 'power', 35.5],
        ['K-119', 'power', 26.9],
        ['K-120', 'control', 15.1],
        ['K-124', 'power', 20.7],
        ['K-125', 'signal'],
        ['K-128', 'power', 28],
        ['K-130', 'power', 20.9],
      ]),
      apart: APART,
      spareShare: 0.2,
      sheet: SHEET,
      frames: ALL_FRAMES,
    },
  },
  {
    name: 'X-2',
    setup: {
      place: 'Floor above the grain intake',
      rating: 'dust tight, fire 30 minutes',
      members: [
        ...fromSchedule([
          ['K-115', 'signal'],
          ['K-118', 'power', 28.2],
          ['K-121', 'control', 15.2],
          ['K-122', 'power', 35.4],
          ['K-131', 'control', 14.7],
          ['K-132', 'control'],
        ]),
        ...passing('G', 40, 46, 201),
      ],
      apart: APART,
      spareShare: 0.2,
      sheet: SHEET,
      frames: ALL_FRAMES,
    },
  },
  {
    name: 'X-3',
    setup: {
      place: 'Outdoor kiosk, floor',
      rating: '',
      members: passing('Y', 120, 120, 301),
      apart: APART,
      spareShare: 0.2,
      sheet: SHEET,
      frames: ALL_FRAMES,
    },
  },
];
