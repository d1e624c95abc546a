import type { Bound, Shape } from '@/core/circle-packing';
import type { Finding, NoFigures, Said, Verdict } from '@/core/kernel';

/** What can be said of a soft seal; lengths in mm. */
export interface SealCases {
  annulus: { min: number; max: number; from: number; to: number };
  noPlug: { annulusMin: number; annulusMax: number };
  angle: { deg: number; most: number };
  askAngle: { most: number };
  offset: { mm: number; most: number };
  askOffset: { most: number };
  bothPlugs: { need: number; depth: number };
  bothFaces: { reachable: number };
  askFaces: NoFigures;
  weld: NoFigures;
  askWeld: NoFigures;
  centred: NoFigures;
  askCentred: NoFigures;
  stubLength: { mm: number; least: number };
  cloth: { kind: 'openable' | 'closed'; stubMin: number; stubMax: number };
  clothOn: NoFigures;
  layers: { mm: number };
  inStub: { mm: number; inside: number };
  lies: { count: number; percent: number };
  never: { bound: Bound; shape: Shape };
  notFound: { by: number };
  depth: { need: number; depth: number };
  open: { percent: number; most: number };
  noSleeve: { tag: string; min: number; max: number };
  slant: { deg: number; most: number };
  askSlant: NoFigures;
  openTime: { c: number; minutes: number };
  sealantCold: { c: number; from: number; to: number };
  askTemperature: NoFigures;
  rating: NoFigures;
  askRating: NoFigures;
}
export type SealFinding = Finding<SealCases>;

/** What a part is for. */
export const SEAL_PART_KINDS = ['plug', 'sleeve', 'strip', 'filler', 'sealant', 'cloth', 'tie'] as const;
export type SealPartKind = (typeof SEAL_PART_KINDS)[number];

/** A part and how many of it: pieces, or mm of what is cut from a roll. */
export interface SealPart {
  readonly id: string;
  readonly kind: SealPartKind;
  readonly count: number;
  readonly unit: 'piece' | 'mm';
}

export type SealAnswer = 'closes' | 'refused' | 'ask';

/** `closes` only when every finding holds. */
export const answerOf = (findings: readonly SealFinding[]): SealAnswer => {
  if (findings.some((f) => f.verdict === 'fails')) return 'refused';
  return findings.some((f) => f.verdict === 'ask') ? 'ask' : 'closes';
};

export const finding = <K extends keyof SealCases>(
  verdict: Verdict,
  code: K,
  figures: SealCases[K],
): SealFinding => ({ verdict, case: { code, ...figures } as unknown as Said<SealCases> });

/** Whether both faces are reached: asked for where nobody has said. */
export const facesFinding = (faces: number | undefined): SealFinding =>
  faces === undefined
    ? finding('ask', 'askFaces', {})
    : finding(faces === 2 ? 'holds' : 'fails', 'bothFaces', { reachable: faces });

/** Whether the rating of the wall is known, and the seal approved for it. */
export const ratingFinding = (known: boolean | undefined): SealFinding =>
  known === true ? finding('holds', 'rating', {}) : finding('ask', 'askRating', {});

/** Cartridges for a volume that goes in, mL, with what is lost on the way. */
export const cartridgesFor = (
  ml: number,
  { mlPerCartridge, wasteShare }: { readonly mlPerCartridge: number; readonly wasteShare: number },
): number => Math.ceil((ml * (1 + wasteShare)) / mlPerCartridge - 1e-9);
