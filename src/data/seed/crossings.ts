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

/** Cables that only pass through, with a diameter of their own: mostly thin, a few thick. */
function passing(prefix: string, count: number, seed: number, from: number): CrossingMember[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, i) => {
    const middle = 6 + 42 * random() ** 2.3;
    const half = 0.1 + random() * 0.15;
    return {
      tag: `${prefix}-${from + i}`,
      circuit: CIRCUITS[Math.floor(random() * CIRCUITS.length)] ?? 'control',
      diameter: { min: Number((middle - half).toFixed(1)), max: Number((middle + half).toFixed(1)) },
      front: 100 + i,
      back: 100 + Math.floor(random() * count),
    };
  });
}

const fromSchedule = (
  circuits: readonly (readonly [tag: string, circuit: (typeof CIRCUITS)[number]])[],
): CrossingMember[] =>
  circuits.map(([tag, circuit], i) => ({
    tag,
    circuit,
    diameter: undefined,
    front: i,
    back: (i * 7) % circuits.length,
  }));

/** Still house wall, deck above the grain intake, and the kiosk in the yard. */
export const QUILLMERE_CROSSINGS: readonly SeedCrossing[] = [
  {
    name: 'X-1',
    setup: {
      place: 'Process wall, still house to switch room',
      rating: 'fire 60 minutes, gas tight',
      members: fromSchedule([
        ['K-101', 'power'],
        ['K-102', 'power'],
        ['K-104', 'power'],
        ['K-105', 'control'],
        ['K-106', 'power'],
        ['K-107', 'power'],
        ['K-108', 'control'],
        ['K-109', 'power'],
        ['K-110', 'signal'],
        ['K-112', 'signal'],
        ['K-113', 'power'],
        ['K-117', 'power'],
        ['K-119', 'power'],
        ['K-120', 'control'],
        ['K-124', 'power'],
        ['K-125', 'signal'],
        ['K-128', 'power'],
        ['K-130', 'power'],
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
          ['K-118', 'power'],
          ['K-121', 'control'],
          ['K-122', 'power'],
          ['K-131', 'control'],
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
