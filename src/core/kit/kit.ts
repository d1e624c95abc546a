import { number, object, type InferType } from 'yup';
import type { CrossingPart } from '@/core/crossing';
import type { PlanPart, PlanPartKind } from '@/core/procedure';
import { compareTags } from '@/core/schedule';

/** Spares by a share of what is needed, rounded up, but at least so many of each part. */
export const spareRuleSchema = object({
  percent: number().min(0).max(200).required(),
  minimum: number().integer().min(0).max(1000).required(),
})
  .noUnknown()
  .required();
export type SpareRule = InferType<typeof spareRuleSchema>;
export const DEFAULT_SPARES: SpareRule = { percent: 5, minimum: 1 };

/** What is drawn for terminations, and what closes a crossing. */
export type KitPartKind = PlanPartKind | 'crossing';

export interface KitPart extends Omit<PlanPart, 'kind'> {
  readonly kind: KitPartKind;
}

/** What one termination, one entry that nobody uses, or one crossing takes from the store. */
export interface KitDemand {
  readonly area: string;
  /** Who needs it: a termination's tag, an entry's label, or a crossing's name. */
  readonly user: string;
  readonly parts: readonly KitPart[];
}

/** The area under which crossings stand: they belong to a wall between two. */
export const CROSSINGS_AREA = 'Crossings';

/** What a crossing takes, as lines of the kit. Lengths and volumes are counted in the unit that is named behind. */
export const crossingDemand = (name: string, parts: readonly CrossingPart[]): KitDemand => ({
  area: CROSSINGS_AREA,
  user: name,
  parts: parts.map(({ id, what, count, unit }) => ({
    part: id,
    kind: 'crossing',
    name: unit === 'piece' ? what : `${what}, ${unit === 'ml' ? 'mL' : unit}`,
    quantity: count,
  })),
});

export interface KitLine {
  readonly part: string;
  readonly kind: KitPartKind;
  readonly name: string;
  readonly needed: number;
  readonly spare: number;
  readonly total: number;
  /** Null when no stock file was given. */
  readonly stock: number | null;
  readonly short: number | null;
  /** Needed by area, in the order of `Kit.areas`. */
  readonly byArea: readonly number[];
  readonly users: readonly string[];
}

export interface Kit {
  readonly areas: readonly string[];
  readonly lines: readonly KitLine[];
}

const KINDS: readonly KitPartKind[] = [
  'gland',
  'ring',
  'adaptor',
  'accessory',
  'shroud',
  'compound',
  'blankingPlug',
  'crossing',
];

/** Spares of one part. A hair is taken off before rounding up, so that 5 % of 20 is one and not two. */
export const sparesOf = (needed: number, rule: SpareRule): number =>
  needed === 0 ? 0 : Math.max(rule.minimum, Math.ceil((needed * rule.percent) / 100 - 1e-9));

/** Everything a job takes from the store, with spares, and what is short against the stock. Parts in the order of the trade, then by number. */
export function kitOf(
  demands: readonly KitDemand[],
  rule: SpareRule,
  stock: ReadonlyMap<string, number> | null = null,
): Kit {
  const areas = [...new Set(demands.map((d) => d.area))].sort((a, b) => a.localeCompare(b));
  const found = new Map<string, { part: KitPart; byArea: number[]; needed: number; users: string[] }>();
  for (const demand of demands) {
    const at = areas.indexOf(demand.area);
    for (const part of demand.parts) {
      const line = found.get(part.part) ?? { part, byArea: areas.map(() => 0), needed: 0, users: [] };
      const quantity = part.quantity ?? 1;
      line.byArea[at] = (line.byArea[at] ?? 0) + quantity;
      line.needed += quantity;
      line.users.push(demand.user);
      found.set(part.part, line);
    }
  }
  const lines = [...found.values()].map(({ part, byArea, needed, users }): KitLine => {
    users.sort(compareTags);
    const spare = sparesOf(needed, rule);
    const inStock = stock === null ? null : (stock.get(part.part) ?? 0);
    const { part: number, kind, name } = part;
    return {
      part: number,
      kind,
      name,
      needed,
      spare,
      total: needed + spare,
      stock: inStock,
      short: inStock === null ? null : Math.max(0, needed + spare - inStock),
      byArea,
      users,
    };
  });
  lines.sort((a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind) || compareTags(a.part, b.part));
  return { areas, lines };
}

/** The kit as a table of text and numbers: what the CSV and the spreadsheet hold. */
export function kitTable(kit: Kit): (string | number)[][] {
  const head = ['part', 'kind', 'name', ...kit.areas, 'needed', 'spare', 'total', 'stock', 'short', 'for'];
  return [
    head,
    ...kit.lines.map((l) => [
      l.part,
      KIND_WORDS[l.kind],
      l.name,
      ...l.byArea,
      l.needed,
      l.spare,
      l.total,
      l.stock ?? '',
      l.short ?? '',
      l.users.join(' '),
    ]),
  ];
}

export const KIND_WORDS: Readonly<Record<KitPartKind, string>> = {
  gland: 'gland',
  ring: 'alternative ring',
  adaptor: 'adaptor',
  accessory: 'accessory',
  shroud: 'shroud',
  compound: 'compound',
  blankingPlug: 'blanking plug',
  crossing: 'crossing',
};
