import { readHole, boxTemplate, type Hole } from '@/core/boxes';
import type { ArmourKind } from '@/core/catalogue';
import type { CableType, Enclosure, Entry } from '@/core/schedule';
import type { MappedTable } from './map-grid';
import { SCHEDULE_COLUMNS } from '@/core/schedule';
import type { Grid } from './mapping';

/** A cable type that a list speaks of, as far as it tells, to be completed by who has the cable or its datasheet before them. */
export interface TypeDraft {
  readonly code: string;
  readonly title: string;
  readonly cores: string;
  readonly section: string;
  /** Empty while nobody has said. */
  readonly armour: ArmourKind | '';
  readonly jacketed: boolean;
  readonly innerSheath: boolean;
  readonly effectivelyFilled: boolean;
  readonly coldFlow: boolean;
  readonly screened: boolean;
}

/** What a list tells of the types that the job has not. What it does not tell stands on the side that refuses: not filled, and creeping. */
export function typeDrafts(table: MappedTable, known: ReadonlySet<string>): TypeDraft[] {
  return table.types
    .filter((t) => !known.has(t.code))
    .map(({ code, text, told }) => ({
      code,
      title: text.slice(0, 120),
      cores: told.cores === null ? '' : String(told.cores),
      section: told.sectionMm2 === null ? '' : String(told.sectionMm2),
      armour: told.armour ?? '',
      jacketed: told.jacketed ?? true,
      innerSheath: told.innerSheath ?? (told.armour !== null && told.armour !== 'none'),
      effectivelyFilled: false,
      coldFlow: true,
      screened: told.screened ?? false,
    }));
}

/** What keeps a draft from being a type; null when nothing does. */
export function typeLacks({ cores, section, armour }: TypeDraft): string | null {
  const lacks = [
    ...(/^\d{1,3}$/.test(cores.trim()) ? [] : ['the number of cores']),
    ...(/^\d{1,4}([.,]\d+)?$/.test(section.trim()) ? [] : ['the section of a core']),
    ...(armour === '' ? ['the armour'] : []),
  ];
  return lacks.length === 0 ? null : lacks.join(' and ');
}

const typeOf = (d: TypeDraft, armour: ArmourKind): CableType => ({
  code: d.code,
  title: d.title === '' ? d.code : d.title,
  armour,
  cores: Number(d.cores),
  coreSectionMm2: Number(d.section.replace(',', '.')),
  jacketed: d.jacketed,
  innerSheath: d.innerSheath,
  effectivelyFilled: d.effectivelyFilled,
  coldFlow: d.coldFlow,
  screened: d.screened,
});

/** What the new boxes are, all alike until each is looked at. */
export interface BoxDraft {
  readonly template: string;
  readonly area: string;
  /** The hole of entries of which the list says none; empty when they are not made. */
  readonly hole: string;
}

export interface NewBox {
  readonly box: string;
  /** Is the box itself new, or only some of its entries? */
  readonly isNew: boolean;
  readonly entries: readonly {
    readonly label: string;
    readonly hole: Hole | null;
    readonly unread: string | null;
  }[];
}

/** Boxes and entries that a list speaks of and the job has not. `known` holds `box/entry`. */
export function newBoxes(table: MappedTable, known: ReadonlySet<string>): NewBox[] {
  const boxes = new Set([...known].map((at) => at.slice(0, at.lastIndexOf('/'))));
  const found = new Map<string, NewBox>();
  for (const { box, entry, hole, unread } of table.places) {
    if (known.has(`${box}/${entry}`)) continue;
    const before = found.get(box) ?? { box, isNew: !boxes.has(box), entries: [] };
    found.set(box, { ...before, entries: [...before.entries, { label: entry, hole, unread }] });
  }
  return [...found.values()];
}

export interface SheetSetup {
  readonly types: readonly CableType[];
  readonly boxes: readonly {
    readonly area: string;
    readonly box: Enclosure;
    readonly entries: readonly Entry[];
  }[];
}

/** Everything that is made on the way: of drafts that lack nothing, and of holes that can be read. */
export function setupOf(types: readonly TypeDraft[], boxes: readonly NewBox[], draft: BoxDraft): SheetSetup {
  const template = boxTemplate(draft.template);
  const rest = draft.hole.trim() === '' ? null : readHole(draft.hole);
  return {
    types: types.flatMap((t) => (t.armour === '' || typeLacks(t) !== null ? [] : [typeOf(t, t.armour)])),
    boxes:
      template === null
        ? []
        : boxes.map(({ box, entries }) => ({
            area: draft.area,
            box: { tag: box, title: template.title, ...template.facts },
            entries: entries.flatMap(({ label, hole }) => {
              const is = hole ?? (rest?.ok ? rest.value : null);
              return is === null ? [] : [{ label, ...is, ...template.wall }];
            }),
          })),
  };
}

const OWN: ReadonlySet<string> = new Set([...SCHEDULE_COLUMNS, 'line', 'reason']);
/** A heading as the name of a column of ours. */
export const headed = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, '_');

/** Our own file, as it was exported: its columns are known, and nothing has to be mapped. Null for anybody else's. */
export function ownTable(
  grid: Grid,
): { columns: readonly string[]; rows: readonly (readonly string[])[]; lines: readonly number[] } | null {
  const headings = (grid[0] ?? []).map(headed);
  if (!headings.includes('cable') || !headings.every((h) => h === '' || OWN.has(h))) return null;
  // A list with no more than a tag and a type may be anybody's, and is mapped alike.
  const at = headings.flatMap((h, i) => (h === '' || h === 'line' || h === 'reason' ? [] : [i]));
  const body = grid.slice(1).map((row, i) => ({ row, line: i + 2 }));
  const filled = body.filter(({ row }) => row.some((c) => c.trim() !== ''));
  return {
    columns: at.map((i) => headings[i] ?? ''),
    rows: filled.map(({ row }) => at.map((i) => row[i] ?? '')),
    lines: filled.map((r) => r.line),
  };
}
