import { strFromU8, unzipSync } from 'fflate';

/** A block of merged cells of a sheet; rows and columns from 0, both ends in it. */
export interface Merged {
  readonly top: number;
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
}

/** Parts of a workbook that are larger than this are not looked into. */
const MOST_BYTES = 80 * 1024 * 1024;

const columnOf = (letters: string): number =>
  Array.from(letters).reduce((n, letter) => n * 26 + (letter.charCodeAt(0) - 64), 0) - 1;

const attribute = (tag: string, name: string): string | undefined =>
  new RegExp(`(?:^|[\\s:])${name}="([^"]*)"`).exec(tag)?.[1];

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };
const plain = (text: string): string =>
  text
    .replace(/&#x([0-9a-f]+);/gi, (_, hex: string) => String.fromCodePoint(parseInt(hex, 16)))
    .replace(/&#(\d+);/g, (_, number: string) => String.fromCodePoint(Number(number)))
    .replace(/&(amp|lt|gt|quot|apos);/g, (_, name: string) => ENTITIES[name] ?? '');

/**
 * The merged cells of a workbook (ECMA-376, `mergeCells`) by the name of their sheet: a reader of values hands out only the first of them. Throws
 * where the file is no workbook.
 */
export function mergedCells(bytes: Uint8Array): Map<string, Merged[]> {
  const parts = unzipSync(bytes, {
    filter: ({ name, originalSize }) =>
      originalSize <= MOST_BYTES &&
      /^xl\/(workbook\.xml|_rels\/workbook\.xml\.rels|worksheets\/[^/]+\.xml)$/.test(name),
  });
  const text = (name: string): string => {
    const part = parts[name];
    return part === undefined ? '' : strFromU8(part);
  };
  const targets = new Map(
    [...text('xl/_rels/workbook.xml.rels').matchAll(/<Relationship\b([^>]*)>/g)].map(([, tag = '']) => [
      attribute(tag, 'Id') ?? '',
      attribute(tag, 'Target') ?? '',
    ]),
  );
  const merged = new Map<string, Merged[]>();
  for (const [, tag = ''] of text('xl/workbook.xml').matchAll(/<(?:\w+:)?sheet\b([^>]*)>/g)) {
    const target = targets.get(attribute(tag, 'id') ?? '') ?? '';
    const sheet = text(target.startsWith('/') ? target.slice(1) : `xl/${target}`);
    merged.set(plain(attribute(tag, 'name') ?? ''), [
      ...[...sheet.matchAll(/<(?:\w+:)?mergeCell\b[^>]*\bref="([A-Z]+)(\d+):([A-Z]+)(\d+)"/g)].map(
        ([, left = '', top = '', right = '', bottom = '']) => ({
          top: Number(top) - 1,
          left: columnOf(left),
          bottom: Number(bottom) - 1,
          right: columnOf(right),
        }),
      ),
    ]);
  }
  return merged;
}

const MOST_ROWS = 20_000;

/**
 * Cells merged downwards say in every row what stands in the first: a tag written once over the rows of its two ends. Merged across, they say it
 * once, where it stands.
 */
export function filledDown(
  grid: readonly (readonly string[])[],
  merged: readonly Merged[],
): readonly (readonly string[])[] {
  const rows = grid.map((row) => [...row]);
  for (const { top, left, bottom } of merged) {
    const said = rows[top]?.[left] ?? '';
    if (said === '') continue;
    for (let r = top + 1; r <= Math.min(bottom, rows.length - 1, top + MOST_ROWS); r += 1) {
      const row = rows[r];
      if (!row || (row[left] ?? '') !== '') continue;
      while (row.length < left) row.push('');
      row[left] = said;
    }
  }
  return rows;
}
