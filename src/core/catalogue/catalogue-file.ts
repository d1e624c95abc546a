import { array, object, string, type InferType } from 'yup';
import { fail, validate, type Problem, type Result } from '@/core/kernel';
import { accessorySchema, adaptorSchema } from './adaptor';
import { compoundSchema } from './compound';
import { familySchema, type Family } from './family';
import { frameSheetProblems, frameSheetSchema } from './frame-sheet';
import { SEAL_LISTS, SEAL_SHEETS, sealSheetProblems, type SealSheet } from './seal-sheets';

export const CATALOGUE_FORMAT = 'amber-collar/catalogue@1';

/** A catalogue as a file: one company's own transcription of the sheets it works to. */
export const catalogueFileSchema = object({
  format: string().oneOf([CATALOGUE_FORMAT]).required(),
  name: string().min(2).max(80).required(),
  issued: string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'is not a date such as 2026-03-01')
    .required(),
  families: array().of(familySchema).max(200).required(),
  adaptors: array().of(adaptorSchema).max(1000).required(),
  accessories: array().of(accessorySchema).max(5000).required(),
  /** Sealing compounds; a file without them leaves those of the catalogue as they are. */
  compounds: array().of(compoundSchema).max(200).optional(),
  /** Systems of transit frames; a file without them leaves those of the catalogue as they are. */
  frameSheets: array().of(frameSheetSchema).max(40).optional(),
  /** Sheets of soft seals, likewise. */
  plugSheets: array().of(SEAL_SHEETS.plugSheets.schema).max(40).optional(),
  sleeveSheets: array().of(SEAL_SHEETS.sleeveSheets.schema).max(40).optional(),
  wrapSheets: array().of(SEAL_SHEETS.wrapSheets.schema).max(40).optional(),
})
  .noUnknown()
  .test(
    'something',
    'holds nothing: no family, no part, no compound, no sheet of crossings',
    ({ families, adaptors, accessories, compounds, frameSheets, ...seals }) =>
      [
        families,
        adaptors,
        accessories,
        compounds,
        frameSheets,
        ...SEAL_LISTS.map((list) => seals[list]),
      ].some((list) => (list?.length ?? 0) > 0),
  )
  .required();

export type CatalogueFile = InferType<typeof catalogueFileSchema>;

/**
 * Reads a catalogue from parsed JSON. Errors name path and value: a figure out of its bounds, an unknown key, a size code or
 * part number that stands twice, a stage that names a part the family does not have.
 */
export function readCatalogue(json: unknown): Result<CatalogueFile> {
  const read = validate(catalogueFileSchema, json);
  if (!read.ok) return read;
  const problems = catalogueFaults(read.value);
  return problems.length > 0 ? fail(problems) : read;
}

/** What no shape can say of a file that has the right one: repeats, names of nothing, figures for stages that do not exist. */
export const catalogueFaults = (file: CatalogueFile): Problem[] => [
  ...repeats(file),
  ...danglingParts(file),
  ...file.families.flatMap((family, f) => strangeStages(family, `families[${f}]`)),
  ...(file.frameSheets ?? []).flatMap((sheet, i) => frameSheetProblems(sheet, `frameSheets[${i}]`)),
  ...SEAL_LISTS.flatMap((list) =>
    sealsOf(file, list).flatMap((sheet, i) => sealSheetProblems(sheet, `${list}[${i}]`)),
  ),
];

/** The sheets of one kind of soft seal in a file. */
const sealsOf = (file: CatalogueFile, list: (typeof SEAL_LISTS)[number]): readonly SealSheet[] =>
  file[list] ?? [];

/** Figures of a size for a stage that its family does not have would never be used. */
function strangeStages(family: Family, path: string): Problem[] {
  const stages = new Set(family.stages.map((s) => s.id));
  return family.sizes.flatMap((size, s) =>
    Object.keys(size.stageMethods ?? {})
      .filter((id) => !stages.has(id))
      .map((id) => ({
        path: `${path}.sizes[${s}].stageMethods`,
        message: `${family.code} has no such stage (${[...stages].join(', ')})`,
        value: id,
      })),
  );
}

function repeats(file: CatalogueFile): Problem[] {
  const problems: Problem[] = [];
  const seen = new Map<string, string>();
  const note = (key: string, path: string, value: string) => {
    const first = seen.get(key);
    if (first === undefined) seen.set(key, path);
    else problems.push({ path, message: `stands already at ${first}`, value });
  };
  file.families.forEach((family, f) => {
    note(
      `family ${family.code} ${family.sheet.revision}`,
      `families[${f}].code`,
      `${family.code} revision ${family.sheet.revision}`,
    );
    family.parts.forEach((p, i) => note(`part ${f} ${p.id}`, `families[${f}].parts[${i}].id`, p.id));
    family.stages.forEach((p, i) => note(`stage ${f} ${p.id}`, `families[${f}].stages[${i}].id`, p.id));
    family.sizes.forEach((size, s) => {
      const revision = `${family.code} ${family.sheet.revision}`;
      note(`size ${revision} ${size.code}`, `families[${f}].sizes[${s}].code`, size.code);
      note(`part ${revision} ${size.partNumber}`, `families[${f}].sizes[${s}].partNumber`, size.partNumber);
      for (const [half, part] of Object.entries(size.insert?.halves ?? {}))
        note(`part ${revision} ${part}`, `families[${f}].sizes[${s}].insert.halves.${half}`, part);
    });
  });
  file.adaptors.forEach((a, i) => note(`adaptor ${a.partNumber}`, `adaptors[${i}].partNumber`, a.partNumber));
  file.accessories.forEach((a, i) =>
    note(`accessory ${a.partNumber}`, `accessories[${i}].partNumber`, a.partNumber),
  );
  (file.compounds ?? []).forEach((c, i) => {
    note(`compound ${c.product}`, `compounds[${i}].product`, c.product);
    c.packs.forEach((p, k) => note(`pack ${i} ${p.part}`, `compounds[${i}].packs[${k}].part`, p.part));
  });
  (file.frameSheets ?? []).forEach((s, i) => {
    const revision = `${s.code} revision ${s.sheet.revision}`;
    note(`frames ${revision}`, `frameSheets[${i}].code`, revision);
  });
  for (const list of SEAL_LISTS)
    sealsOf(file, list).forEach((s, i) => {
      const revision = `${s.code} revision ${s.sheet.revision}`;
      note(`${list} ${revision}`, `${list}[${i}].code`, revision);
    });
  return problems;
}

function danglingParts(file: CatalogueFile): Problem[] {
  const problems: Problem[] = [];
  file.families.forEach((family, f) => {
    const parts = new Set(family.parts.map((p) => p.id));
    family.stages.forEach((stage, s) => {
      for (const key of ['member', 'held'] as const) {
        const id = stage[key];
        if (id !== 'cable' && id !== 'box' && !parts.has(id)) {
          problems.push({
            path: `families[${f}].stages[${s}].${key}`,
            message: 'names no part of this family',
            value: id,
          });
        }
      }
    });
    const stages = new Set(family.stages.map((s) => s.id));
    for (const key of ['fillAfter', 'cureAfter'] as const) {
      const id = family.seal?.[key];
      if (id !== undefined && !stages.has(id))
        problems.push({
          path: `families[${f}].seal.${key}`,
          message: 'names no stage of this family',
          value: id,
        });
    }
    for (const key of ['clampStage', 'innerStage'] as const) {
      const id = family.makeOff[key];
      if (id !== undefined && !stages.has(id)) {
        problems.push({
          path: `families[${f}].makeOff.${key}`,
          message: 'names no stage of this family',
          value: id,
        });
      }
    }
  });
  return problems;
}

/** Is sheet `a` in force rather than `b`? The later issue leads; of one date, the one that was entered later. */
export const isLaterSheet = (a: { readonly issued: string }, b: { readonly issued: string }): boolean =>
  a.issued >= b.issued;

/** The revision of every family that is in force, in the order of the file; older ones only stand behind plans made by them. */
export function inForce(families: readonly Family[]): Family[] {
  const newest = new Map<string, Family>();
  for (const family of families) {
    const known = newest.get(family.code);
    if (known === undefined || isLaterSheet(family.sheet, known.sheet)) newest.set(family.code, family);
  }
  return families.filter((f) => newest.get(f.code) === f);
}

/** The revision of every sheet that is in force, by code. */
export function sheetsInForce<
  T extends { readonly code: string; readonly sheet: { readonly issued: string } },
>(sheets: readonly T[]): T[] {
  const newest = new Map<string, T>();
  for (const one of sheets) {
    const known = newest.get(one.code);
    if (known === undefined || isLaterSheet(one.sheet, known.sheet)) newest.set(one.code, one);
  }
  return [...newest.values()].sort((a, b) => (a.code < b.code ? -1 : 1));
}
