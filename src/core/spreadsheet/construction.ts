import type { ArmourKind, Material } from '@/core/catalogue';
import { parseNumber } from './number';

/** What a line of text tells of a cable. What it does not say is null: nobody knows it yet. */
export interface Construction {
  readonly cores: number | null;
  readonly sectionMm2: number | null;
  readonly armour: ArmourKind | null;
  readonly armourMaterial: Material | null;
  readonly jacketed: boolean | null;
  readonly innerSheath: boolean | null;
  readonly screened: boolean | null;
}

interface Said {
  readonly pattern: RegExp;
  readonly tells: Partial<Construction>;
}

// What is said by the usual abbreviations. The more special goes first.
const ARMOURS: readonly Said[] = [
  {
    pattern: /\b(unarmou?red|non[- ]?armou?red|unbewehrt|non arm[ée])(?!\w)/i,
    tells: { armour: 'none' },
  },
  {
    pattern: /\b(SWA|steel wire|round wire|GSWA|RM|R|drahtbewehr\w*)\b/i,
    tells: { armour: 'roundWire', armourMaterial: 'galvanisedSteel' },
  },
  { pattern: /\b(AWA|alumini?um wire)\b/i, tells: { armour: 'roundWire', armourMaterial: 'aluminium' } },
  {
    pattern: /\b(SWB|GSWB|wire braid|braided|steel braid|stahlgeflecht|tresse)\b/i,
    tells: { armour: 'braid', armourMaterial: 'galvanisedSteel' },
  },
  {
    pattern: /\b(TCWB|copper braid|kupfergeflecht)\b/i,
    tells: { armour: 'braid', armourMaterial: 'copper' },
  },
  {
    pattern: /\b(DSTA|STA|steel tape|bandbewehr\w*|feuillard)\b/i,
    tells: { armour: 'tape', armourMaterial: 'galvanisedSteel' },
  },
  { pattern: /\b(interlocked|MC cable|AIA|GSIA)\b/i, tells: { armour: 'interlocked' } },
  { pattern: /\b(corrugated|CWA|CCW|MC-?HL)\b/i, tells: { armour: 'corrugated' } },
];

const JACKETS = /\b(PVC|LSZH|LSOH|LS0H|HFFR|PE|PUR|CSPE|EVA|SHF\d?)\b/gi;

/**
 * Reads what a line tells of a cable: `4x25mm2 SWA`, `3 x 2,5 mm² XLPE/PVC/SWA/PVC`, `4C 10 BRAID`, `2 pr 1.5 screened`. Only what is said is
 * told.
 */
export function readConstruction(text: string): Construction {
  const plain = text.replace(/\s+/g, ' ').trim();
  const armour = ARMOURS.find((a) => a.pattern.test(plain))?.tells ?? {};
  const pairs = /(\d+)\s*(?:[x×]\s*2\s*[x×]|pr\b|pairs?\b|paare?\b|paires?\b)\s*([\d.,]+)?/i.exec(plain);
  const counted = /(\d+)\s*(?:[x×*]|c\b|cores?\b|core\b|adrig|G(?=\s?\d)|cond\w*)\s*([\d.,]+)?/i.exec(plain);
  const found = pairs ?? counted;
  const section = found?.[2] ?? /([\d.,]+)\s*(?:mm2|mm²|qmm|sq\.? ?mm|mm\^2)/i.exec(plain)?.[1] ?? '';
  const cores = found ? Number(found[1]) * (pairs ? 2 : 1) : null;
  const mm2 = parseNumber(section);
  // What stands after the armour is over it, what stands between is under it.
  const parts = plain.split(/[/,+]/).map((p) => p.trim());
  const at = parts.findIndex((p) => ARMOURS.some((a) => a.pattern.test(p)));
  const listed = at >= 0 && parts.length >= 3;
  const known = armour.armour !== undefined && armour.armour !== 'none';
  return {
    cores: cores !== null && cores >= 1 && cores <= 200 ? cores : null,
    sectionMm2: mm2 !== null && mm2 >= 0.2 && mm2 <= 1000 ? mm2 : null,
    armour: armour.armour ?? null,
    armourMaterial: armour.armourMaterial ?? null,
    jacketed: listed && known ? parts.slice(at + 1).some((p) => p.match(JACKETS) !== null) : null,
    innerSheath: listed && known ? parts.slice(1, at).some((p) => p.match(JACKETS) !== null) : null,
    screened: /\b(screen(ed)?|shield(ed)?|geschirmt|blind[ée]|OS|IS|OSCR|ISCR)\b/i.test(plain) ? true : null,
  };
}

/** A line of text as the code of a cable type: as it stands, shortened at a word. */
export const typeCode = (text: string): string => {
  const plain = text.replace(/\s+/g, ' ').trim();
  return plain.length <= 40 ? plain : plain.slice(0, 40).replace(/\s\S*$/, '');
};
