import type { Enclosure } from '@/core/schedule';
import type { Wall } from './entry-code';

/** What a kind of box usually is. The place it stands in is left out: it is asked for where a decision hangs on it. */
export interface BoxTemplate {
  readonly key: string;
  readonly title: string;
  readonly facts: Omit<Enclosure, 'tag' | 'title'>;
  readonly wall: Wall;
}

const AMBIENT = { ambientMinC: -20, entryMaxC: 60 } as const;

/**
 * Starting points, to be set right by the box in hand. A figure that a refusal hangs on is on the side of the refusal: walls thin, volumes large,
 * no earth through the wall.
 */
export const BOX_TEMPLATES: readonly BoxTemplate[] = [
  {
    key: 'sheetSteel',
    title: 'Sheet-steel enclosure with a gland plate',
    facts: {
      concept: 'none',
      ip: '54',
      material: 'steel',
      wallEarthed: false,
      freeVolumeCm3: 50_000,
      ...AMBIENT,
    },
    wall: { wallMm: 2, chamferMm: 0 },
  },
  {
    key: 'mouldedIncreased',
    title: 'Moulded junction box, increased safety',
    facts: {
      concept: 'Ex e',
      ip: '66',
      material: 'plastic',
      wallEarthed: false,
      freeVolumeCm3: 4000,
      ...AMBIENT,
    },
    wall: { wallMm: 4, chamferMm: 0.5 },
  },
  {
    key: 'castFlameproof',
    title: 'Cast box, flameproof',
    facts: {
      concept: 'Ex d',
      ip: '66',
      material: 'castIron',
      wallEarthed: true,
      freeVolumeCm3: 5000,
      ...AMBIENT,
    },
    wall: { wallMm: 14, chamferMm: 1 },
  },
  {
    key: 'motorTerminal',
    title: 'Terminal box of a motor, cast',
    facts: {
      concept: 'none',
      ip: '55',
      material: 'castIron',
      wallEarthed: true,
      freeVolumeCm3: 2500,
      ...AMBIENT,
      entryMaxC: 80,
    },
    wall: { wallMm: 8, chamferMm: 1 },
  },
];

export const boxTemplate = (key: string): BoxTemplate | null =>
  BOX_TEMPLATES.find((t) => t.key === key) ?? null;
