import { ARMOUR_NAMES, type ArmourKind, type Family, type Size } from '@/core/catalogue';

export type Path = readonly (string | number)[];

/** One column of the editor's table of sizes: where its figure stands in a size. */
export interface SizeColumnView {
  readonly group: string;
  readonly title: string;
  readonly path: Path;
  /** Inches are kept as text, as the sheet prints them. */
  readonly text: boolean;
}

const column = (group: string, title: string, path: Path, text = false): SizeColumnView => ({
  group,
  title,
  path,
  text,
});

const range = (group: string, path: Path, inches = false): SizeColumnView[] => [
  column(group, 'min', [...path, 'min']),
  column(group, 'max', [...path, 'max']),
  ...(inches
    ? [column(group, 'min in', [...path, 'inMin'], true), column(group, 'max in', [...path, 'inMax'], true)]
    : []),
];

const namesOf = (armour: readonly ArmourKind[]): string => armour.map((a) => ARMOUR_NAMES[a]).join(' or ');

/** The columns that a family's sizes need: what at least one of them has. */
export function sizeColumns(family: Family): SizeColumnView[] {
  const some = (has: (size: Size) => boolean) => family.sizes.some(has);
  const rings = Math.max(0, ...family.sizes.map((s) => s.rings.length));
  const lengths = Math.max(0, ...family.sizes.map((s) => s.armourLengths.length));
  const ringName = (i: number) => {
    const ring = family.sizes.find((s) => s.rings[i])?.rings[i];
    return ring ? `Ring ${ring.face === 'plain' ? namesOf(ring.armour) : ring.face}` : 'Ring';
  };
  const lengthName = (i: number) =>
    `Armour length, ${namesOf(family.sizes.find((s) => s.armourLengths[i])?.armourLengths[i]?.armour ?? [])}`;
  return [
    ...(some((s) => s.outerSeal !== undefined) ? range('Outer seal', ['outerSeal'], true) : []),
    ...(some((s) => s.innerSeal !== undefined) ? range('Inner seal', ['innerSeal'], true) : []),
    ...Array.from({ length: rings }, (_, i) => range(ringName(i), ['rings', i, 'range'])).flat(),
    ...Array.from({ length: lengths }, (_, i) => [
      column(lengthName(i), 'min', ['armourLengths', i, 'minMm']),
      column(lengthName(i), 'max', ['armourLengths', i, 'maxMm']),
    ]).flat(),
    ...(some((s) => s.chamber !== undefined)
      ? [
          column('Chamber', 'bore', ['chamber', 'boreMm']),
          column('Chamber', 'length', ['chamber', 'lengthMm']),
          column('Chamber', 'volume ml', ['chamber', 'volumeMl']),
          column('Chamber', 'cores', ['chamber', 'maxCores']),
          column('Chamber', 'over cores', ['chamber', 'maxOverCoresMm']),
        ]
      : []),
    ...(some((s) => s.endStop?.stays !== undefined) ? range('End stop stays', ['endStop', 'stays']) : []),
    ...(some((s) => s.endStop?.boreMm !== undefined)
      ? [column('End stop', 'bore', ['endStop', 'boreMm'])]
      : []),
    column('Entry', 'thread length', ['entry', 'lengthMm']),
    column('Entry', 'undercut', ['entry', 'undercutMm']),
    ...(some((s) => s.entry.taperedTurns !== undefined)
      ? [column('Entry', 'turns', ['entry', 'taperedTurns'])]
      : []),
    column('Body', 'flats', ['hexFlatsMm']),
    column('Body', 'corners', ['hexCornersMm']),
    column('Body', 'inside', ['innerLengthMm']),
    column('Body', 'stands off', ['protrusionMm']),
  ];
}

/** The value at a path; undefined where something on the way is not there. */
export function valueAt(value: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (v, key) =>
      v === null || typeof v !== 'object' ? undefined : (v as Record<string | number, unknown>)[key],
    value,
  );
}

/** A path as problems name it: `sizes[2].outerSeal.max`. */
export const pathName = (path: Path): string =>
  path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i === 0 ? p : `.${p}`)).join('');
