import { rectangle, type Drawing, type DrawingItem, type Point, type Role } from '@/core/kernel';
import type { LookDecision } from '@/core/record';

// What is seen at a look, drawn once as each decision means it. Sketches of a face, not to scale: what counts is what differs between them.

const SIZE = 120;
const MIDDLE = SIZE / 2;
const ROUND = 40;
const WIRES = 18;

const at = (angle: number, radius: number, x = MIDDLE, y = MIDDLE): Point => ({
  x: x + radius * Math.cos(angle),
  y: y + radius * Math.sin(angle),
});

const disk = (role: Role, radius: number, x = MIDDLE, y = MIDDLE): DrawingItem => ({
  kind: 'polygon',
  role,
  points: Array.from({ length: ROUND }, (_, i) => at((2 * Math.PI * i) / ROUND, radius, x, y)),
});

/** A wire from the ring outwards, from its foot to its end. */
const wire = (angle: number, to: number, lean = 0): DrawingItem => ({
  kind: 'polyline',
  role: 'armour',
  strokeWidth: 5,
  points: [at(angle, 27), at(angle + lean, to)],
});

const turn = (i: number): number => (2 * Math.PI * i) / WIRES;

/** The armour on its cone, from the front: every wire under the ring, ends that stand out, or a part of the round without any. */
function armour(wires: readonly DrawingItem[], marks: readonly DrawingItem[] = []): readonly DrawingItem[] {
  const ring: DrawingItem = {
    kind: 'polyline',
    role: 'metal',
    strokeWidth: 6,
    points: Array.from({ length: ROUND + 1 }, (_, i) => at((2 * Math.PI * i) / ROUND, 44)),
  };
  return [disk('body', 27), disk('innerSheath', 18), ...wires, ring, ...marks];
}

/** A ring round the place that is wrong. */
const ringed = (place: Point): DrawingItem => ({
  kind: 'polyline',
  role: 'mark',
  strokeWidth: 3,
  points: Array.from({ length: ROUND + 1 }, (_, i) => at((2 * Math.PI * i) / ROUND, 9, place.x, place.y)),
});

/** Cores in hardened compound, with holes beside them or without. */
function compound(voids: readonly Point[]): readonly DrawingItem[] {
  const cores = [0, 1, 2].map((i) => at((2 * Math.PI * i) / 3 - Math.PI / 2, 19));
  return [
    disk('metal', 52),
    disk('compound', 46),
    ...cores.map((c) => disk('core1', 12, c.x, c.y)),
    ...voids.flatMap((v) => [disk('ground', 5, v.x, v.y), ringed(v)]),
  ];
}

/** Powder with its conductors in the metal sheath, with damp places or without. */
function mineralFace(damp: readonly Point[]): readonly DrawingItem[] {
  const conductors = [0, 1].map((i) => at(Math.PI * i, 18));
  return [
    disk('metal', 52),
    disk('body', 45),
    ...conductors.map((c) => disk('core1', 8, c.x, c.y)),
    ...damp.flatMap((p) => [disk('ground', 5, p.x, p.y), ringed(p)]),
  ];
}

/** A housing seen from outside, its entry turned away from where the cable comes (below). */
function housing(away: number): readonly DrawingItem[] {
  const entry = at(Math.PI / 2 + away, 46);
  const cable = at(Math.PI / 2, 60);
  return [
    disk('metal', 40),
    disk('body', 30),
    disk('metal', 9, entry.x, entry.y),
    disk('outerSheath', 6, cable.x, cable.y),
    ...(away === 0 ? [] : [ringed(entry)]),
  ];
}

/** The plant's half from its front: contacts bare, or under their cap with the sign of what is live. */
function capped(live: boolean): readonly DrawingItem[] {
  const contacts = [0, 1, 2, 3].map((i) => at((2 * Math.PI * i) / 4 - Math.PI / 4, 20));
  const bolt: Point[] = [
    { x: 64, y: 34 },
    { x: 46, y: 64 },
    { x: 58, y: 64 },
    { x: 54, y: 88 },
    { x: 76, y: 54 },
    { x: 62, y: 54 },
  ];
  return live
    ? [disk('metal', 52), disk('body', 44), { kind: 'polygon', role: 'mark', points: bolt }]
    : [disk('metal', 52), disk('ground', 40), ...contacts.map((c) => disk('conductor', 7, c.x, c.y))];
}

/** A phase seen from its side, its end on the left: bare, or in a stem with a gap to the insulation that is open or filled. */
function phaseEnd(gap: number | null, wrong: readonly Point[], filled = false): readonly DrawingItem[] {
  const bar = (role: Role, x1: number, x2: number, half: number): DrawingItem => ({
    kind: 'polygon',
    role,
    points: rectangle(x1, MIDDLE - half, x2 - x1, half * 2),
  });
  const mouth = 56 - (gap ?? 0);
  return [
    bar('conductor', 20, 60, 7),
    ...(gap === null ? [] : [bar('metal', 4, mouth, 13)]),
    ...(filled ? [bar('outerSheath', mouth, 56, 16)] : []),
    bar('core0', 56, 92, 16),
    bar('outerSheath', 92, 104, 18),
    bar('armour', 104, 118, 20),
    ...wrong.map(ringed),
  ];
}

const STANDING = new Set([2, 3, 11]);
const GAP = new Set([4, 5, 6, 7]);

const FACES: Readonly<
  Record<LookDecision, { readonly items: readonly DrawingItem[]; readonly words: string }>
> = {
  clamped: {
    items: armour(Array.from({ length: WIRES }, (_, i) => wire(turn(i), 47))),
    words: 'All of it under the ring, side by side, nothing beyond it',
  },
  trim: {
    items: armour(
      Array.from({ length: WIRES }, (_, i) => wire(turn(i), STANDING.has(i) ? 57 : 47)),
      [ringed(at(turn(2.5), 52)), ringed(at(turn(11), 52))],
    ),
    words: 'All of it held, some ends stand out beyond the ring',
  },
  spreadAgain: {
    items: armour(
      Array.from({ length: WIRES }, (_, i) =>
        GAP.has(i) ? wire(turn(i < 6 ? 3 : 8), 47, i < 6 ? 0.22 : -0.22) : wire(turn(i), 47),
      ),
      [ringed(at(turn(5.5), 38))],
    ),
    words: 'A part of the round without any, the rest lies over itself',
  },
  sound: { items: compound([]), words: 'One mass round every core, no hole, no crack' },
  repair: {
    items: compound([at(Math.PI / 2, 14), at(-Math.PI / 6, 33)]),
    words: 'Holes beside or between the cores',
  },
  dry: { items: mineralFace([]), words: 'Powder level and pale all round, conductors bright' },
  dryOut: {
    items: mineralFace([at(Math.PI / 4, 30), at((5 * Math.PI) / 4, 28)]),
    words: 'Reads low: damp in the powder, seen or not',
  },
  stands: { items: housing(0), words: 'Its entry where the cable comes from' },
  turnOn: { items: housing(Math.PI / 2), words: 'Its entry elsewhere' },
  smooth: { items: phaseEnd(null, []), words: 'No step, no scratch, no dust on any phase' },
  rubAgain: { items: phaseEnd(null, [{ x: 74, y: 44 }]), words: 'A step, a dent or a scratch is felt' },
  gapHolds: { items: phaseEnd(3, []), words: 'Stem close up to the insulation on every phase' },
  gapTaped: { items: phaseEnd(12, [], true), words: 'Filled up to the insulation, none on it' },
  capOff: { items: capped(false), words: 'Lock on, contacts dead, cap in the hand' },
  energised: { items: capped(true), words: 'Cap on: it was live since the proof' },
  trimmed: { items: phaseEnd(26, [{ x: 41, y: 60 }]), words: 'Too wide for tape' },
};

/** The face as a decision means it, with what to see in words. */
export const lookDrawing = (decision: LookDecision): Drawing => ({
  width: SIZE,
  height: SIZE,
  items: FACES[decision].items,
  description: FACES[decision].words,
});
