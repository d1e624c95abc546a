import {
  SEAL_LISTS,
  SEAL_SHEETS,
  type CatalogueFile,
  type FrameSheet,
  type SealSheet,
} from '@/core/catalogue';
import type { CrossingSheets } from '@/data';

/** In which kind of row sheets of a list are kept. */
const ROWS = {
  plugSheets: 'plugSheet',
  sleeveSheets: 'sleeveSheet',
  wrapSheets: 'wrapSheet',
} as const;

/** A sheet that crossings stand on: of what kind, and where in its file it stood. */
export interface SheetInFile {
  readonly kind: 'frameSheet' | (typeof ROWS)[keyof typeof ROWS];
  readonly words: string;
  readonly path: string;
  readonly sheet: FrameSheet | SealSheet;
}

const listed = (
  frames: readonly FrameSheet[],
  seals: (list: keyof typeof ROWS) => readonly SealSheet[],
): SheetInFile[] => [
  ...frames.map((sheet, i) => ({
    kind: 'frameSheet' as const,
    words: 'transit frames',
    path: `frameSheets[${i}]`,
    sheet,
  })),
  ...SEAL_LISTS.flatMap((list) =>
    seals(list).map((sheet, i) => ({
      kind: ROWS[list],
      words: SEAL_SHEETS[list].words,
      path: `${list}[${i}]`,
      sheet,
    })),
  ),
];

/** Every sheet of a file that crossings can stand on. */
export const sheetsOfFile = (file: CatalogueFile): SheetInFile[] =>
  listed(file.frameSheets ?? [], (list) => file[list] ?? []);

/** Every such sheet of the catalogue. */
export const storedSheets = ({ frames, seals }: CrossingSheets): SheetInFile[] =>
  listed(frames, (list) => seals[list]);

/** The parts that a sheet names, each as it is described. */
export function partsOfSheet(sheet: FrameSheet | SealSheet): Map<string, string> {
  const named = Object.values(sheet).flatMap((value: unknown) =>
    Array.isArray(value) ? (value as unknown[]) : [value],
  );
  return new Map(
    named.flatMap((part) =>
      typeof part === 'object' && part !== null && 'id' in part && typeof part.id === 'string'
        ? [[part.id, JSON.stringify(part)] as const]
        : [],
    ),
  );
}
