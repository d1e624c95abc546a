import { worded, type Wording } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { BladeGuard, GuardCases, LadderLayer, StripEnd, ThicknessSource, Under } from '../cut-cases';

/** A blade's depth with its reason in words. Depth in mm, rounded down to 0.1 mm; null when no thickness is known. */
export interface DepthGuard {
  readonly maxDepthMm: number | null;
  readonly reason: string;
}

const UNDER: Readonly<Record<Under, string>> = { cores: 'the cores', armour: 'the armour' };

const SOURCES: Readonly<Record<ThicknessSource, string>> = {
  datasheet: 'datasheet',
  overArmour: 'over armour',
  laidUpCores: 'laid-up cores',
  innerSheath: 'inner sheath',
  innerSheathAndArmour: 'inner sheath and armour',
};

const STRIP_ENDS: Readonly<Record<StripEnd, string>> = {
  parts: 'stop when the strip parts',
  snapByBending: 'then snap by bending',
  snapByFlexing: 'then snap by flexing',
};

const LADDER_LAYERS: Readonly<Record<LadderLayer, string>> = {
  semiconducting: 'the semiconducting layer',
  insulation: 'the insulation',
  conductor: 'the conductor',
};

const thick = ({ leastMm, from }: { leastMm: number; from: ThicknessSource }): string =>
  `${Math.max(0, leastMm).toFixed(2)} mm (${SOURCES[from]})`;
const percent = (share: number): string => `${Math.round(share * 100)} %`;

const GUARDS: Wording<GuardCases> = {
  noThickness: ({ under }) =>
    `no sheath thickness is known: no tool that is set to a depth; score lightly, bend to open, and keep off ${UNDER[under]}`,
  nothingToCut: (g) =>
    `sheath may be only ${thick(g)}, less than the ${trimNumber(g.leftMm)} mm that stay uncut: no powered tool and none that is set to a depth; score and bend to open`,
  leftUncut: (g) =>
    `sheath at least ${thick(g)}, ${trimNumber(g.leftMm)} mm left uncut over ${UNDER[g.under]}`,
  wireUnmeasured: () => 'the wire is not measured: saw lightly, then snap',
  shareOfWire: ({ share, wireMm }) =>
    `${percent(share)} of a ${wireMm.toFixed(2)} mm wire, then snap; the inner sheath lies under it`,
  stripUnmeasured: ({ end }) => `the strip is not measured: ${STRIP_ENDS[end]}; the conductors lie under it`,
  shareOfStrip: ({ share, stripMm, end }) =>
    `${percent(share)} of a ${stripMm.toFixed(2)} mm strip, ${STRIP_ENDS[end]}; the conductors lie under it`,
  brokenOverEdge: () => 'no blade: the wires break where they are bent over the edge of the sheath',
  snipsHeldFlat: () => 'cut with snips held flat, never with a blade against the inner sheath',
  bySection: () => 'set the stripper to the section, not by depth',
  bySheet: () => 'as the sheet says',
  neverUnder: ({ layer }) =>
    `never through: ${LADDER_LAYERS[layer]} lies under it, and a mark in it grows until it breaks down`,
};

/** A blade's depth, put in words. */
export const guardWords = ({ maxDepthMm, case: said }: BladeGuard): DepthGuard => ({
  maxDepthMm,
  reason: worded(GUARDS, said),
});
