/** Words of the trade that several records share. */

export const ARMOUR_KINDS = ['roundWire', 'braid', 'tape', 'interlocked', 'corrugated', 'none'] as const;
export type ArmourKind = (typeof ARMOUR_KINDS)[number];

export const ARMOUR_WORDS: Readonly<Record<ArmourKind, string>> = {
  roundWire: 'round-wire armour',
  braid: 'wire braid',
  tape: 'tape armour',
  interlocked: 'interlocked armour',
  corrugated: 'corrugated armour',
  none: 'no armour',
};

/** The same in a word, for heads of columns. */
export const ARMOUR_NAMES: Readonly<Record<ArmourKind, string>> = {
  roundWire: 'round wire',
  braid: 'braid',
  tape: 'tape',
  interlocked: 'interlocked',
  corrugated: 'corrugated',
  none: 'none',
};

/** Constructions that only families made for them take; any other cable is told by its armour and its sheaths. */
export const CONSTRUCTIONS = ['mineralInsulated', 'screenedTrailing'] as const;
export type Construction = (typeof CONSTRUCTIONS)[number];

export const CONSTRUCTION_WORDS: Readonly<Record<Construction, string>> = {
  mineralInsulated: 'mineral-insulated with a metal sheath',
  screenedTrailing: 'trailing cable with screened phases',
};

/** Faces of a clamping ring. A plain ring has one face, `plain`. */
export const RING_FACES = ['plain', 'coarse', 'fine', 'flat'] as const;

/** Protection concepts of boxes. `explosionproof` is the word of division-style codes for what zones call flameproof. */
export const CONCEPTS = ['none', 'Ex d', 'Ex e', 'Ex t', 'Ex nR', 'explosionproof'] as const;

export const GAS_GROUPS = ['IIA', 'IIB', 'IIC'] as const;

export const DUST_GROUPS = ['IIIA', 'IIIB', 'IIIC'] as const;

export const HAZARD_CLASSES = ['I', 'II', 'III'] as const;
export const DIVISIONS = [1, 2] as const;
/** Groups of division-style codes: A to D gases, E to G dusts. A certificate names each it covers. */
export const CLASS_GROUPS = ['A', 'B', 'C', 'D', 'E', 'F', 'G'] as const;

export const MATERIALS = [
  'brass',
  'nickelPlatedBrass',
  'stainlessSteel',
  'aluminium',
  'steel',
  'castIron',
  'bronze',
  'copper',
  'galvanisedSteel',
  'plastic',
] as const;
export type Material = (typeof MATERIALS)[number];

export const MATERIAL_WORDS: Readonly<Record<Material, string>> = {
  brass: 'brass',
  nickelPlatedBrass: 'nickel-plated brass',
  stainlessSteel: 'stainless steel',
  aluminium: 'aluminium',
  steel: 'steel',
  castIron: 'cast iron',
  bronze: 'bronze',
  copper: 'copper',
  galvanisedSteel: 'galvanised steel',
  plastic: 'plastic',
};

export const COMPOUND_KINDS = ['resin', 'putty'] as const;

export const THREAD_FORMS = ['metric', 'npt'] as const;
export type ThreadForm = (typeof THREAD_FORMS)[number];

/** Stages carry a phase: the make-off is undone again, a seat only locates, a final one stays. */
export const STAGE_PHASES = ['makeOff', 'seat', 'final'] as const;
export type StagePhase = (typeof STAGE_PHASES)[number];

export const PROCEDURE_KINDS = [
  'entryFirst',
  'madeOffFirst',
  'sealingFitting',
  'plugIn',
  'inLine',
  'mineralSeal',
  'ownClamp',
  'coupler',
] as const;
export type ProcedureKind = (typeof PROCEDURE_KINDS)[number];

/** How the cable is cut for a family: see the cut-back capability. */
export const CUT_KINDS = [
  'stub',
  'level',
  'metalClad',
  'unarmoured',
  'sealingFitting',
  'plugIn',
  'mineral',
  'ladder',
] as const;
export type CutKind = (typeof CUT_KINDS)[number];
