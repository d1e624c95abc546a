import { array, object, string, type InferType, type ObjectSchema } from 'yup';
import { plugBody, sleeveBody, wrapBody } from '@/core/soft-seal';
import { eachOnce, type Problem } from '@/core/kernel';
import { sheetSchema } from './family';

/** What every sheet of a soft seal has besides its figures. */
const head = {
  code: string()
    .matches(/^[A-Z0-9-]{1,20}$/, 'is not a short code such as PS')
    .required(),
  sheet: sheetSchema,
};
const tail = { cautions: array().of(string().min(3).max(240).required()).required() };

/** Sheets of soft seals, as a maker gives them. */
export const plugSealSheetSchema = object({ ...head, ...plugBody, ...tail })
  .noUnknown()
  .required();
export const sleeveSealSheetSchema = object({ ...head, ...sleeveBody, ...tail })
  .noUnknown()
  .required();
export const wrapSealSheetSchema = object({ ...head, ...wrapBody, ...tail })
  .noUnknown()
  .required();
export type PlugSealSheet = InferType<typeof plugSealSheetSchema>;
export type SleeveSealSheet = InferType<typeof sleeveSealSheetSchema>;
export type WrapSealSheet = InferType<typeof wrapSealSheetSchema>;

/** Every kind of sheet that crossings stand on besides frames, by the list of a catalogue that holds it. */
export const SEAL_SHEETS = {
  plugSheets: { words: 'plugs', schema: plugSealSheetSchema as ObjectSchema<PlugSealSheet> },
  sleeveSheets: { words: 'packed sleeves', schema: sleeveSealSheetSchema as ObjectSchema<SleeveSealSheet> },
  wrapSheets: { words: 'fire wraps', schema: wrapSealSheetSchema as ObjectSchema<WrapSealSheet> },
} as const;
export const SEAL_LISTS = ['plugSheets', 'sleeveSheets', 'wrapSheets'] as const;
export type SealList = (typeof SEAL_LISTS)[number];

/** The sheets of soft seals in a catalogue, every revision. */
export interface SealSheets {
  readonly plugSheets: readonly PlugSealSheet[];
  readonly sleeveSheets: readonly SleeveSealSheet[];
  readonly wrapSheets: readonly WrapSealSheet[];
}
export type SealSheet = PlugSealSheet | SleeveSealSheet | WrapSealSheet;

/** The sheet as a planner takes it: its figures, under its code and revision. */
export const plugOffer = ({ code, sheet, cautions: _, ...body }: PlugSealSheet) => ({
  code,
  revision: sheet.revision,
  ...body,
});
export const sleeveOffer = ({ code, sheet, cautions: _, ...body }: SleeveSealSheet) => ({
  code,
  revision: sheet.revision,
  ...body,
});
export const wrapOffer = ({ code, sheet, cautions: _, ...body }: WrapSealSheet) => ({
  code,
  revision: sheet.revision,
  ...body,
});

/** What the shape of a sheet cannot say: parts that stand twice. Path by path. */
export function sealSheetProblems(sheet: SealSheet, path: string): Problem[] {
  const lists: readonly (readonly [string, readonly { readonly id: string }[]])[] =
    'plugs' in sheet
      ? [['plugs', sheet.plugs]]
      : 'cloths' in sheet
        ? [['cloths', sheet.cloths]]
        : [
            ['sleeves', sheet.sleeves],
            ['fillers', sheet.fillers],
            ['punches', sheet.punches ?? []],
          ];
  return lists
    .filter(([, list]) => !eachOnce(list, 'id'))
    .map(([name]) => ({ path: `${path}.${name}`, message: 'names a part twice' }));
}
