import type { NoFigures, Said } from '@/core/kernel';

/** What was looked at: it holds, it does not, or somebody has to say something first. What is not known never holds. */
export type Verdict = 'holds' | 'fails' | 'ask';

export interface Finding<Cases extends object> {
  readonly verdict: Verdict;
  readonly case: Said<Cases>;
}

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
  lies: { count: number; percent: number };
  never: { words: string };
  notFound: { by: number };
  depth: { need: number; depth: number };
  open: { percent: number; most: number };
  noSleeve: { tag: string; min: number; max: number };
  rating: NoFigures;
}
export type SealFinding = Finding<SealCases>;

/** A part and how many of it. */
export interface SealPart {
  readonly id: string;
  readonly name: string;
  readonly count: number;
}

export interface SealStep {
  readonly title: string;
  readonly detail: string;
  /** Looked at before anything goes on. */
  readonly hold: boolean;
}

/** `closes` only when every finding holds. */
export const answerOf = (findings: readonly SealFinding[]): 'closes' | 'refused' | 'ask' => {
  if (findings.some((f) => f.verdict === 'fails')) return 'refused';
  return findings.some((f) => f.verdict === 'ask') ? 'ask' : 'closes';
};

export const finding = <K extends keyof SealCases>(
  verdict: Verdict,
  code: K,
  figures: SealCases[K],
): SealFinding => ({ verdict, case: { code, ...figures } as unknown as Said<SealCases> });

/** Cartridges for a volume that goes in, mL, with what is lost on the way. */
export const cartridgesFor = (
  ml: number,
  { mlPerCartridge, wasteShare }: { readonly mlPerCartridge: number; readonly wasteShare: number },
): number => Math.ceil((ml * (1 + wasteShare)) / mlPerCartridge - 1e-9);
