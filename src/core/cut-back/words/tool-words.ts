import type { CutTool, ToolId } from '../cut-cases';
import { guardWords, type DepthGuard } from './guard-words';

/** A tool with the way it is used, how deep its blade may go and how much it takes away (`kerfMm`). */
export interface ToolChoice {
  readonly tool: string;
  readonly technique: string;
  readonly kerfMm: number;
  readonly guard: DepthGuard;
}

const TOOLS: Readonly<Record<ToolId, readonly [tool: string, technique: string]>> = {
  knifeByHand: [
    'Cable knife by hand',
    'Score lightly round the mark, bend until it opens, peel back by hand; no blade through the sheath.',
  ],
  knifeWithStop: [
    'Cable knife with a depth stop',
    'Ring at the mark, then one straight cut to the end; bend to open.',
  ],
  rotaryStripper: [
    'Rotary sheath stripper',
    'Set the blade to the depth, two turns round the mark, draw to the end.',
  ],
  sawOnWires: ['Fine hacksaw', 'Saw part-way round all wires at the mark, then snap them a few at a time.'],
  pliers: [
    'Pliers',
    'Take two or three wires at once over the edge of the ring tie and work them until they part at the mark.',
  ],
  snips: [
    'Snips',
    'Loosen the braid first, keep its lay, then cut level at the mark; trim again after the look.',
  ],
  tinSnips: ['Tin snips', 'Nick the edge at the mark and tear along it; dress the corner down.'],
  rotaryCutter: ['Rotary armour cutter', 'Cut one turn along its crown, twist against the lay and draw off.'],
  sawAcrossCrown: [
    'Fine hacksaw at an angle',
    'Saw across one crown at about 60°, stop before it is through, snap by bending.',
  ],
  tubeCutter: [
    'Tube cutter',
    'Notch round the crown at the mark, a quarter turn deeper each time, then snap by flexing.',
  ],
  sawRoundCrown: ['Fine hacksaw', 'A notch on the crown all round, not through, then snap by flexing.'],
  mineralStripper: [
    'Stripper for mineral-insulated cable',
    'Grip at the grip mark by its own offset, turn square on the sheath down to the strip mark; ring the mark first so that it ends there.',
  ],
  coreShears: ['Cable shears', 'One clean cut across the core at the mark; its end square.'],
  screenShears: [
    'Shears for a screen',
    'Bind the screen at the mark, open it from the end, fold it back and cut it level at the binding.',
  ],
  layerScorer: [
    'Scorer set to the layer',
    'Ring at the mark, lines to the end, and peel; what will not peel is warmed, never cut deeper.',
  ],
  insulationStripper: [
    'Insulation stripper with a stop',
    'Set on a piece that is cut off anyway; one turn at the mark, draw to the end.',
  ],
  wireStripper: [
    'Wire stripper set to the section',
    'Every core alike, by the gauge of the insert; no strand cut or spread.',
  ],
};

/** A tool, put in words. */
export function toolWords({ tool: id, kerfMm, guard }: CutTool): ToolChoice {
  const [tool, technique] = TOOLS[id];
  return { tool, technique, kerfMm, guard: guardWords(guard) };
}
