import type { ArmourKind } from '@/core/catalogue';
import type { Measurement } from '@/core/cable-measurement';
import type { CodeProfile } from '@/core/schedule';
import type { BladeGuard, CutTool, ToolId } from './cut-cases';
import { byEye, isSettable, shareOfStrip, shareOfWire } from './depth-guard';

/** The schools of parting an armour; see `armourTools`. `usual` is named first where nobody chose. */
export const TOOL_SCHOOLS = ['usual', 'other'] as const;

/** Two ways to open a sheath or jacket that stop at the same depth; by hand alone where there is no depth to set. */
export const sheathTools = (guard: BladeGuard): CutTool[] =>
  isSettable(guard)
    ? [
        { tool: 'knifeWithStop', kerfMm: 0, guard },
        { tool: 'rotaryStripper', kerfMm: 0.5, guard },
      ]
    : [{ tool: 'knifeByHand', kerfMm: 0, guard }];

/** Tools whose wheel or blade is set, and that go as deep as they are set whatever lies under it. */
const SET_TO_DEPTH: ReadonlySet<ToolId> = new Set<ToolId>(['rotaryCutter', 'tubeCutter']);

/**
 * How an armour is parted, first the usual way, then the other school's. `thickness` is one wire or strip; null when not measured: then a
 * tool that is set to a depth is not among them.
 */
export function armourTools(
  armour: ArmourKind,
  thickness: Measurement | null,
  profile: CodeProfile,
): CutTool[] {
  const tools = waysToPart(armour, thickness, profile);
  return tools.filter((t) => !SET_TO_DEPTH.has(t.tool) || isSettable(t.guard));
}

function waysToPart(armour: ArmourKind, thickness: Measurement | null, profile: CodeProfile): CutTool[] {
  const share = profile.cut.wireDepthShare;
  const flat = byEye({ code: 'snipsHeldFlat' });
  switch (armour) {
    case 'roundWire':
      return [
        { tool: 'sawOnWires', kerfMm: 1, guard: shareOfWire(thickness, profile) },
        { tool: 'pliers', kerfMm: 0, guard: byEye({ code: 'brokenOverEdge' }) },
      ];
    case 'braid':
      return [{ tool: 'snips', kerfMm: 0, guard: flat }];
    case 'tape':
      return [{ tool: 'tinSnips', kerfMm: 0, guard: flat }];
    case 'interlocked':
      return [
        { tool: 'rotaryCutter', kerfMm: 0.8, guard: shareOfStrip(thickness, 1, 'parts') },
        { tool: 'sawAcrossCrown', kerfMm: 1, guard: shareOfStrip(thickness, share, 'snapByBending') },
      ];
    case 'corrugated':
      return [
        { tool: 'tubeCutter', kerfMm: 0.5, guard: shareOfStrip(thickness, share, 'snapByFlexing') },
        { tool: 'sawRoundCrown', kerfMm: 1, guard: shareOfStrip(thickness, share, 'snapByFlexing') },
      ];
    case 'none':
      return [];
  }
}

/** Insulation off the end of a core that goes into a contact. */
export const coreTools = (guard: BladeGuard): CutTool[] => [{ tool: 'wireStripper', kerfMm: 0, guard }];

/** A metal sheath is turned off; how deep the blade goes is the tool's own, for this sheath. */
export const mineralTools: readonly CutTool[] = [
  { tool: 'mineralStripper', kerfMm: 0, guard: byEye({ code: 'bySheet' }) },
];
