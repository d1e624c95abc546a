import type { Insert, Position } from './insert';

/** What a fitter holds, and from where they look at it: the mating face in front, where the cores come in behind. */
export const FACES = ['pinsFront', 'pinsBack', 'socketsFront', 'socketsBack'] as const;
export type Face = (typeof FACES)[number];

export const FACE_WORDS: Readonly<Record<Face, string>> = {
  pinsFront: 'pins, from their mating face',
  pinsBack: 'pins, from behind',
  socketsFront: 'sockets, from their mating face',
  socketsBack: 'sockets, from behind',
};

/** Left and right change when one walks round the insert, and again when one looks at the half that it mates with. */
const MIRRORED: Readonly<Record<Face, boolean>> = {
  pinsFront: false,
  pinsBack: true,
  socketsFront: true,
  socketsBack: false,
};

/** A position as it lies on a face. */
export type Seen = Pick<Position, 'id' | 'xMm' | 'yMm'>;

/** Left for right, with the key staying on top. */
export const mirror = <P extends Seen>(positions: readonly P[]): P[] =>
  // Nought has no sign that anybody reads.
  positions.map((p) => ({ ...p, xMm: p.xMm === 0 ? 0 : -p.xMm }));

/** The positions of an insert as they are seen on a face, in the order of the insert. */
export const faceOf = ({ positions }: Pick<Insert, 'positions'>, face: Face): readonly Position[] =>
  MIRRORED[face] ? mirror(positions) : positions;
