import type { ArmourKind } from '@/core/catalogue';

/** A tool with the way it is used. Where good fitters differ, the second is offered beside the first. */
export interface ToolChoice {
  readonly tool: string;
  readonly technique: string;
}

export const SHEATH_TOOLS: readonly ToolChoice[] = [
  {
    tool: 'Cable knife with a depth stop',
    technique: 'Ring at the mark, then one straight cut to the end; bend to open.',
  },
  {
    tool: 'Rotary sheath stripper',
    technique: 'Set the blade to the depth, two turns round the mark, draw to the end.',
  },
];

export const ARMOUR_TOOLS: Readonly<Record<ArmourKind, readonly ToolChoice[]>> = {
  roundWire: [
    {
      tool: 'Fine hacksaw',
      technique: 'Saw part-way round all wires at the mark, then snap them a few at a time.',
    },
    { tool: 'Pliers', technique: 'Bend the strands up and down to break them, a few at a time.' },
  ],
  braid: [{ tool: 'Snips', technique: 'Loosen the braid, keep its lay, cut level at the mark.' }],
  tape: [
    { tool: 'Tin snips', technique: 'Nick the edge at the mark and tear along it; dress the corner down.' },
  ],
  interlocked: [
    { tool: 'Rotary armour cutter', technique: 'Cut one turn along its crown, twist and draw off.' },
  ],
  corrugated: [{ tool: 'Pipe cutter', technique: 'Notch on the crown, then snap by flexing.' }],
  none: [],
};
