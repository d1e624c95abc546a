import type { CrossingSetup, FrameMember, SealMember } from '@/core/crossing';
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
function passing(prefix: string, count: number, seed: number, from: number): FrameMember[] {
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
): FrameMember[] =>
  members.map(([tag, circuit, mm], i) => ({
    tag,
    circuit,
    diameter: mm === undefined ? undefined : certain(mm),
    front: i,
    back: (i * 7) % members.length,
  }));

/** A cable through a soft seal as it was measured at the wall. */
const measured = (
  tag: string,
  circuit: (typeof CIRCUITS)[number],
  min: number,
  max: number,
  bundle?: string,
): SealMember => ({ tag, circuit, diameter: { min, max }, ...(bundle === undefined ? {} : { bundle }) });

/** Still house wall, deck above the grain intake, and the kiosk in the yard. */
export const QUILLMERE_CROSSINGS: readonly SeedCrossing[] = [
  {
    name: 'X-1',
    setup: {
      kind: 'frames',
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
      kind: 'frames',
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
      kind: 'frames',
      place: 'Outdoor kiosk, floor',
      rating: '',
      members: passing('Y', 120, 120, 301),
      apart: APART,
      spareShare: 0.2,
      sheet: SHEET,
      frames: ALL_FRAMES,
    },
  },
  {
    name: 'X-4',
    setup: {
      kind: 'sleeve',
      place: 'Stub through the boiler house wall',
      rating: 'fire 60 minutes, smoke tight',
      members: [
        measured('B-401', 'power', 27.4, 27.9),
        measured('B-402', 'power', 20.3, 20.8),
        measured('B-403', 'power', 20.2, 20.9),
        measured('B-404', 'control', 15.1, 15.4),
        measured('B-405', 'control', 15.0, 15.5),
        measured('B-406', 'signal', 9.4, 9.8),
        measured('B-407', 'signal', 9.5, 9.9),
      ],
      sheet: { code: 'PS', revision: 'B' },
      faces: 2,
      shape: 'circle',
      bore: { min: 128, max: 130 },
      width: undefined,
      height: undefined,
      depth: { min: 148, max: 152 },
      slantDeg: 0,
      tempC: 18,
      lies: 'level',
      school: 'afterPulling',
    },
  },
  {
    name: 'X-5',
    setup: {
      kind: 'plug',
      place: 'Bore into the spirit store, one cable',
      rating: 'fire 60 minutes, gas tight',
      members: [measured('S-501', 'power', 50.6, 51.4)],
      sheet: { code: 'RP', revision: 'A' },
      faces: 2,
      bore: { min: 99.4, max: 100.6 },
      depthMm: 120,
      angleDeg: 1,
      offsetMm: 1.5,
    },
  },
  {
    name: 'X-6',
    setup: {
      kind: 'wrap',
      place: 'Stub through the deck below the stills',
      rating: 'fire 60 minutes',
      members: [
        measured('D-601', 'power', 27.6, 28.2, 'power'),
        measured('D-602', 'power', 27.5, 28.1, 'power'),
        measured('D-603', 'power', 20.4, 20.9, 'power'),
        measured('D-604', 'control', 15.1, 15.4, 'control'),
        measured('D-605', 'control', 15.0, 15.5, 'control'),
        measured('D-606', 'control', 12.9, 13.3, 'control'),
      ],
      sheet: { code: 'FW', revision: 'C' },
      faces: 2,
      outside: { min: 158, max: 160 },
      inside: { min: 149, max: 151 },
      stubMm: 150,
      weldContinuous: true,
      centred: true,
      tempC: 18,
      cloth: 'openable',
      pulled: true,
    },
  },
  {
    name: 'X-7',
    setup: {
      kind: 'sleeve',
      place: 'Old stub through the mill wall',
      rating: 'fire 30 minutes, dust tight',
      members: [
        measured('M-701', 'power', 35.2, 35.8),
        measured('M-702', 'power', 27.4, 28.0),
        measured('M-703', 'power', 27.5, 27.9),
        measured('M-704', 'control', 15.1, 15.4),
        measured('M-705', 'control', 15.0, 15.5),
      ],
      sheet: { code: 'PS', revision: 'B' },
      faces: 2,
      shape: 'circle',
      bore: { min: 84, max: 86 },
      width: undefined,
      height: undefined,
      depth: { min: 120, max: 122 },
      slantDeg: 0,
      tempC: 12,
      lies: 'level',
      school: 'afterPulling',
    },
  },
];
