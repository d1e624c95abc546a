import {
  fail,
  hashOf,
  MAX_FILE_BYTES,
  MAX_FILE_WORDS,
  ok,
  refuse,
  type Problem,
  type Result,
} from '@/core/kernel';
import {
  catalogueFromTable,
  missingForProcedure,
  readCatalogue,
  type CatalogueFile,
  type Family,
} from '@/core/catalogue';
import { readCsv } from '@/formats/csv/read';
import {
  database,
  findImport,
  insertFamilyRevision,
  insertImport,
  insertPartRevision,
  listFamilyRevisions,
  loadCatalogue,
  loadCrossingSheets,
  type StoredCatalogue,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import type { ImportReportView } from '@/core/termination-view';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { sheetsOfFile, storedSheets, type SheetInFile } from './catalogue-sheets';

/** A catalogue file, or a table of sizes that is read against what is in force. Both end in the same validation. */
export function readUpload(text: string, inForce: readonly Family[], today: string): Result<CatalogueFile> {
  if (Buffer.byteLength(text) > MAX_FILE_BYTES) return refuse('file', `is larger than ${MAX_FILE_WORDS}`);
  const isTable = !/^\s*[[{"]/.test(text) && text.slice(0, 2000).includes('family') && /[,;\t]/.test(text);
  if (isTable) {
    const table = readCsv(new TextEncoder().encode(text));
    if (!table.ok) return table;
    const file = catalogueFromTable(table.value.rows, inForce, 'table of sizes', today);
    return file.ok ? readCatalogue(file.value) : file;
  }
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return refuse('file', `is neither JSON nor a table of sizes: ${(error as Error).message}`);
  }
  return readCatalogue(json);
}

/**
 * Takes a catalogue file in, as a whole or not at all. A family revision that is already there must be the same to the last figure:
 * a sheet's figures never change under a revision that plans stand on. A family that lacks procedure data comes in as plan only.
 */
export function importCatalogue(text: string, actor: Actor, now: Date): Promise<Result<ImportReportView>> {
  return operation<ImportReportView>(async (tx) => {
    const inForce = (await loadCatalogue(tx)).families.map((f) => f.family);
    const read = readUpload(text, inForce, now.toISOString().slice(0, 10));
    if (!read.ok) return read;
    const file = read.value;
    const hash = hashOf(file);
    const there = new Map((await listFamilyRevisions(tx)).map((r) => [`${r.code} ${r.revision}`, r.hash]));
    const problems: Problem[] = [];
    const families = file.families.map((family, i) => {
      const known = there.get(`${family.code} ${family.sheet.revision}`);
      const own = hashOf(family);
      if (known !== undefined && known !== own) {
        problems.push({
          path: `families[${i}].sheet.revision`,
          message: `${family.code} revision ${family.sheet.revision} is in the catalogue with other figures; a changed sheet needs its own revision`,
          value: family.sheet.revision,
        });
      }
      return {
        family,
        hash: own,
        state: known === undefined ? ('new' as const) : ('there' as const),
        missing: missingForProcedure(family),
      };
    });
    const sheets = await newSheets(tx, file, problems);
    if (problems.length > 0) return fail(problems);
    const already = (await findImport(tx, hash)) !== null;
    if (!already) {
      const importId = await insertImport(tx, {
        name: file.name,
        hash,
        ...madeBy(actor),
        importedAt: now,
      });
      for (const { family, hash: own, state, missing } of families) {
        if (state === 'there') continue;
        await insertFamilyRevision(tx, {
          importId,
          code: family.code,
          revision: family.sheet.revision,
          hash: own,
          planOnly: missing.length > 0 ? 1 : 0,
          body: JSON.stringify(family),
        });
      }
      for (const part of file.adaptors)
        await insertPartRevision(tx, {
          importId,
          kind: 'adaptor',
          partNumber: part.partNumber,
          hash: hashOf(part),
          body: JSON.stringify(part),
        });
      for (const part of file.accessories)
        await insertPartRevision(tx, {
          importId,
          kind: 'accessory',
          partNumber: part.partNumber,
          hash: hashOf(part),
          body: JSON.stringify(part),
        });
      for (const compound of file.compounds ?? [])
        await insertPartRevision(tx, {
          importId,
          kind: 'compound',
          partNumber: compound.product,
          hash: hashOf(compound),
          body: JSON.stringify(compound),
        });
      for (const { kind, sheet } of sheets)
        await insertPartRevision(tx, {
          importId,
          kind,
          partNumber: sheet.code,
          hash: hashOf(sheet),
          body: JSON.stringify(sheet),
        });
    }
    return ok({
      name: file.name,
      already,
      families: families.map(({ family, state, missing }) => ({
        code: family.code,
        revision: family.sheet.revision,
        sizes: family.sizes.length,
        state,
        missing: missing.map((m) => `${m.path}: ${m.message}`),
      })),
      parts: file.adaptors.length + file.accessories.length + (file.compounds ?? []).length,
      sheets: sheetsOfFile(file).map(
        ({ words, sheet: s }) => `${words} ${s.code} revision ${s.sheet.revision}`,
      ),
    });
  });
}

/** Sheets of crossings in a file that are not there yet. One that is there with other figures is a problem: crossings stand on it. */
async function newSheets(tx: Tx, file: CatalogueFile, problems: Problem[]): Promise<SheetInFile[]> {
  const stored = storedSheets(await loadCrossingSheets(tx));
  const nameOf = ({ kind, sheet }: Pick<SheetInFile, 'kind' | 'sheet'>) =>
    `${kind} ${sheet.code} ${sheet.sheet.revision}`;
  const known = new Map(stored.map((s) => [nameOf(s), hashOf(s.sheet)]));
  return sheetsOfFile(file).filter((one) => {
    const there = known.get(nameOf(one));
    const { sheet, path } = one;
    if (there !== undefined && there !== hashOf(sheet))
      problems.push({
        path: `${path}.sheet.revision`,
        message: `${sheet.code} revision ${sheet.sheet.revision} is in the catalogue with other figures; a changed sheet needs its own revision`,
        value: sheet.sheet.revision,
      });
    return there === undefined;
  });
}

/** The catalogue in force. */
export const viewCatalogue = (): Promise<Result<StoredCatalogue>> =>
  guarded(async () => ok(await loadCatalogue(database())));
