import type { ArmourKind } from '@/core/catalogue';
import type { Measurement } from '@/core/cable-measurement';
import type { CodeProfile } from '@/core/schedule';
import { byEye, isSettable, shareOfStrip, shareOfWire, type DepthGuard } from './depth-guard';

/** The schools of parting an armour; see `armourTools`. `usual` is named first where nobody chose. */
export const TOOL_SCHOOLS = ['usual', 'other'] as const;

/** A tool with the way it is used, how deep its blade may go and how much it takes away. Where good fitters differ, both are offered. */
export interface ToolChoice {
  readonly tool: string;
  readonly technique: string;
  /** Cable lost in the cut itself, mm. */
  readonly kerfMm: number;
  readonly guard: DepthGuard;
}

/** Two ways to open a sheath or jacket that stop at the same depth; by hand alone where there is no depth to set. */
export const sheathTools = (guard: DepthGuard): ToolChoice[] =>
  isSettable(guard) ? setTools(guard) : [byHand(guard)];

const byHand = (guard: DepthGuard): ToolChoice => ({
  tool: 'Cable knife by hand',
  technique:
    'Score lightly round the mark, bend until it opens, peel back by hand; no blade through the sheath.',
  kerfMm: 0,
  guard,
});

const setTools = (guard: DepthGuard): ToolChoice[] => [
  {
    tool: 'Cable knife with a depth stop',
    technique: 'Ring at the mark, then one straight cut to the end; bend to open.',
    kerfMm: 0,
    guard,
  },
  {
    tool: 'Rotary sheath stripper',
    technique: 'Set the blade to the depth, two turns round the mark, draw to the end.',
    kerfMm: 0.5,
    guard,
  },
];

/**
 * How an armour is parted, first the usual way, then the other school's. `thickness` is one wire or strip; null when not measured: then a
 * tool that is set to a depth is not among them.
 */
export function armourTools(
  armour: ArmourKind,
  thickness: Measurement | null,
  profile: CodeProfile,
): ToolChoice[] {
  const tools = waysToPart(armour, thickness, profile);
  return tools.filter((t) => !SET_TO_DEPTH.has(t.tool) || isSettable(t.guard));
}

/** Tools whose wheel or blade is set, and that go as deep as they are set whatever lies under it. */
const ROTARY = 'Rotary armour cutter';
const TUBE_CUTTER = 'Tube cutter';
const SET_TO_DEPTH: ReadonlySet<string> = new Set([ROTARY, TUBE_CUTTER]);

function waysToPart(armour: ArmourKind, thickness: Measurement | null, profile: CodeProfile): ToolChoice[] {
  switch (armour) {
    case 'roundWire':
      return [
        {
          tool: 'Fine hacksaw',
          technique: 'Saw part-way round all wires at the mark, then snap them a few at a time.',
          kerfMm: 1,
          guard: shareOfWire(thickness, profile),
        },
        {
          tool: 'Pliers',
          technique:
            'Take two or three wires at once over the edge of the ring tie and work them until they part at the mark.',
          kerfMm: 0,
          guard: byEye('no blade: the wires break where they are bent over the edge of the sheath'),
        },
      ];
    case 'braid':
      return [
        {
          tool: 'Snips',
          technique:
            'Loosen the braid first, keep its lay, then cut level at the mark; trim again after the look.',
          kerfMm: 0,
          guard: byEye('cut with snips held flat, never with a blade against the inner sheath'),
        },
      ];
    case 'tape':
      return [
        {
          tool: 'Tin snips',
          technique: 'Nick the edge at the mark and tear along it; dress the corner down.',
          kerfMm: 0,
          guard: byEye('cut with snips held flat, never with a blade against the inner sheath'),
        },
      ];
    case 'interlocked':
      return [
        {
          tool: ROTARY,
          technique: 'Cut one turn along its crown, twist against the lay and draw off.',
          kerfMm: 0.8,
          guard: shareOfStrip(thickness, 1, 'stop when the strip parts'),
        },
        {
          tool: 'Fine hacksaw at an angle',
          technique: 'Saw across one crown at about 60°, stop before it is through, snap by bending.',
          kerfMm: 1,
          guard: shareOfStrip(thickness, profile.cut.wireDepthShare, 'then snap by bending'),
        },
      ];
    case 'corrugated':
      return [
        {
          tool: TUBE_CUTTER,
          technique:
            'Notch round the crown at the mark, a quarter turn deeper each time, then snap by flexing.',
          kerfMm: 0.5,
          guard: shareOfStrip(thickness, profile.cut.wireDepthShare, 'then snap by flexing'),
        },
        {
          tool: 'Fine hacksaw',
          technique: 'A notch on the crown all round, not through, then snap by flexing.',
          kerfMm: 1,
          guard: shareOfStrip(thickness, profile.cut.wireDepthShare, 'then snap by flexing'),
        },
      ];
    case 'none':
      return [];
  }
}

/** Insulation off the end of a core that goes into a contact. */
export const coreTools = (guard: DepthGuard): ToolChoice[] => [
  {
    tool: 'Wire stripper set to the section',
    technique: 'Every core alike, by the gauge of the insert; no strand cut or spread.',
    kerfMm: 0,
    guard,
  },
];
