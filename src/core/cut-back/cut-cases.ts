import type { NoFigures, Said } from '@/core/kernel';

/** Where a thickness is known from. */
export type ThicknessSource =
  'datasheet' | 'overArmour' | 'laidUpCores' | 'innerSheath' | 'innerSheathAndArmour';

/** What lies under a rung of a phase, and no blade may mark. */
export type LadderLayer = 'semiconducting' | 'insulation' | 'conductor';

/** What a sheath lies on, and a blade must not reach. */
export type Under = 'cores' | 'armour';

/** How a strip of armour comes off once it is cut into. */
export type StripEnd = 'parts' | 'snapByBending' | 'snapByFlexing';

interface ThinSheath {
  readonly leastMm: number;
  readonly from: ThicknessSource;
  /** What the profile wants to stay uncut, mm. */
  readonly leftMm: number;
}

/** What a blade's depth goes by. */
export interface GuardCases {
  noThickness: { readonly under: Under };
  nothingToCut: ThinSheath;
  leftUncut: ThinSheath & { readonly under: Under };
  wireUnmeasured: NoFigures;
  shareOfWire: { readonly share: number; readonly wireMm: number };
  stripUnmeasured: { readonly end: StripEnd };
  shareOfStrip: { readonly share: number; readonly stripMm: number; readonly end: StripEnd };
  brokenOverEdge: NoFigures;
  snipsHeldFlat: NoFigures;
  bySection: NoFigures;
  bySheet: NoFigures;
  neverUnder: { readonly layer: LadderLayer };
}
export type GuardCase = Said<GuardCases>;

/** How deep a blade may go, in mm, rounded down to 0.1 mm; null when no thickness is known. */
export interface BladeGuard {
  readonly maxDepthMm: number | null;
  readonly case: GuardCase;
}

export const TOOL_IDS = [
  'knifeByHand',
  'knifeWithStop',
  'rotaryStripper',
  'sawOnWires',
  'pliers',
  'snips',
  'tinSnips',
  'rotaryCutter',
  'sawAcrossCrown',
  'tubeCutter',
  'sawRoundCrown',
  'wireStripper',
  'mineralStripper',
  'coreShears',
  'screenShears',
  'layerScorer',
  'insulationStripper',
] as const;
export type ToolId = (typeof TOOL_IDS)[number];

/** A tool, how deep its blade may go and how much it takes away. Where good fitters differ, both are offered. */
export interface CutTool {
  readonly tool: ToolId;
  /** Cable lost in the cut itself, mm. */
  readonly kerfMm: number;
  readonly guard: BladeGuard;
}

export const MARK_IDS = [
  'firstJacket',
  'outerSheath',
  'armour',
  'jacket',
  'innerSheath',
  'cores',
  'secondInner',
  'earthCores',
  'pilotCores',
  'screen',
  'semiconducting',
] as const;
export type MarkId = (typeof MARK_IDS)[number];

/** What the outermost cut takes off, by the cable: only the sheath of an unarmoured one has no other name. */
export type OuterCut = 'sheath' | 'outerSheath' | 'jacket' | 'metalSheath';

/** Rungs of a cut-back ladder: the phase from its end to the jacket, then earth and pilot cores from the jacket's edge. */
export const LADDER_RUNGS = ['bare', 'insulation', 'semiconducting', 'screened', 'earth', 'pilot'] as const;
export type LadderRungId = (typeof LADDER_RUNGS)[number];

/** A length on the way from the armour stop to the terminal. mm. */
export interface CutWorking {
  readonly code:
    | 'stopToShoulder'
    | 'washerUnderGland'
    | 'adaptor'
    | 'washersAndTag'
    | 'entryThread'
    | 'wall'
    | 'stubBeyondThread'
    | 'wallToTerminal'
    | 'bendSlack'
    | 'spare'
    | 'insertAtLeast'
    | 'insertAtMost'
    | LadderRungId;
  readonly mm: number;
}
