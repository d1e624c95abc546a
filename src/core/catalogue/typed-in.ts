import type { ObjectSchema, SchemaDescription } from 'yup';
import type { Problem } from '@/core/kernel';
import { accessorySchema, adaptorSchema } from './adaptor';
import { CATALOGUE_FORMAT, readCatalogue } from './catalogue-file';
import { compoundSchema } from './compound';
import { familySchema } from './family';
import { frameSheetSchema } from './frame-sheet';
import { SEAL_SHEETS, type SealList } from './seal-sheets';
import { stageMethodSchema } from './stage';
import { ARMOUR_NAMES, MATERIAL_WORDS } from './vocabulary';

/** What of a catalogue is typed in by itself. */
export const RECORD_KINDS = [
  'family',
  'adaptor',
  'accessory',
  'compound',
  'frames',
  'sleeves',
  'plugs',
  'wraps',
] as const;
export type RecordKind = (typeof RECORD_KINDS)[number];

interface RecordShape {
  readonly words: string;
  readonly list: 'families' | 'adaptors' | 'accessories' | 'compounds' | 'frameSheets' | SealList;
  /** The field that it is called by. */
  readonly key: string;
  readonly schema: ObjectSchema<object>;
}

export const RECORDS: Readonly<Record<RecordKind, RecordShape>> = {
  family: { words: 'gland family', list: 'families', key: 'code', schema: familySchema },
  adaptor: { words: 'adaptor', list: 'adaptors', key: 'partNumber', schema: adaptorSchema },
  accessory: { words: 'accessory', list: 'accessories', key: 'partNumber', schema: accessorySchema },
  compound: { words: 'compound', list: 'compounds', key: 'product', schema: compoundSchema },
  frames: { words: 'transit frames', list: 'frameSheets', key: 'code', schema: frameSheetSchema },
  sleeves: { list: 'sleeveSheets', key: 'code', ...SEAL_SHEETS.sleeveSheets },
  plugs: { list: 'plugSheets', key: 'code', ...SEAL_SHEETS.plugSheets },
  wraps: { list: 'wrapSheets', key: 'code', ...SEAL_SHEETS.wrapSheets },
};

export const isRecordKind = (text: string): text is RecordKind => RECORD_KINDS.some((k) => k === text);

/** A field of a record, as its schema says it: what it takes, and whether the sheet may be silent on it. */
export type RecordField = { readonly optional: boolean } & (
  | { readonly kind: 'text' | 'number' | 'yesNo' }
  | { readonly kind: 'choice'; readonly options: readonly (string | number)[] }
  | { readonly kind: 'group'; readonly fields: readonly (readonly [name: string, field: RecordField])[] }
  | { readonly kind: 'list'; readonly item: RecordField; readonly least: number }
  /** Numbers by names that the record itself gives, such as spanners by part. */
  | { readonly kind: 'numbers' }
  /** How far to tighten by the name of a stage, where a size has figures of its own. */
  | { readonly kind: 'methods'; readonly method: RecordField }
);

interface Described {
  readonly type: string;
  readonly optional: boolean;
  readonly nullable: boolean;
  readonly oneOf: readonly unknown[];
  readonly meta?: { readonly jsonSchema?: { readonly additionalProperties?: { readonly type?: string } } };
  readonly fields?: Readonly<Record<string, SchemaDescription>>;
  readonly innerType?: SchemaDescription;
  readonly tests: readonly { readonly name?: string; readonly params?: Readonly<Record<string, unknown>> }[];
}

function fieldOf(description: SchemaDescription): RecordField {
  const d = description as unknown as Described;
  const optional = d.optional;
  const options = d.oneOf.filter((v) => typeof v === 'string' || typeof v === 'number');
  if (options.length > 0) return { kind: 'choice', options, optional };
  if (d.type === 'object')
    return {
      kind: 'group',
      fields: Object.entries(d.fields ?? {}).map(([name, f]) => [name, fieldOf(f)] as const),
      optional,
    };
  if (d.type === 'array' && d.innerType) {
    const least = Number(d.tests.find((t) => t.name === 'min')?.params?.min ?? 0);
    return { kind: 'list', item: fieldOf(d.innerType), least, optional };
  }
  if (d.type === 'number') return { kind: 'number', optional };
  if (d.type === 'boolean') return { kind: 'yesNo', optional };
  if (d.type === 'string') return { kind: 'text', optional };
  return d.meta?.jsonSchema?.additionalProperties?.type === 'number'
    ? { kind: 'numbers', optional }
    : { kind: 'methods', method: fieldOf(stageMethodSchema.describe()), optional };
}

/** The fields of a kind of record, from the schema that judges it. */
export const recordFields = (kind: RecordKind): RecordField => fieldOf(RECORDS[kind].schema.describe());

/** A record of which nothing is said yet: no choice is made, no number stands. */
export function blankOf(field: RecordField): unknown {
  if (field.optional) return undefined;
  switch (field.kind) {
    case 'text':
      return '';
    case 'group':
      return Object.fromEntries(field.fields.map(([name, f]) => [name, blankOf(f)]));
    case 'list':
      return field.item.kind === 'choice'
        ? []
        : Array.from({ length: field.least }, () => blankOf(field.item));
    case 'numbers':
    case 'methods':
      return {};
    case 'number':
    case 'yesNo':
    case 'choice':
      return undefined;
  }
}

/** What is said of a record: empty fields, and groups in which nothing is said but that need not be there, are left out. */
export function saidOf(field: RecordField, value: unknown): unknown {
  if (value === undefined || value === null) return undefined;
  if (field.kind === 'text' && field.optional && value === '') return undefined;
  if (field.kind === 'group' && typeof value === 'object') {
    const own = value as Readonly<Record<string, unknown>>;
    const said = field.fields.flatMap(([name, f]) => {
      const part = saidOf(f, own[name]);
      return part === undefined ? [] : [[name, part] as const];
    });
    return Object.fromEntries(said);
  }
  if (field.kind === 'methods' && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value).flatMap(([id, method]) => {
        const part = saidOf(field.method, method);
        return part === undefined ? [] : [[id, part] as const];
      }),
    );
  if (field.kind === 'list' && Array.isArray(value)) return value.map((v) => saidOf(field.item, v));
  return value;
}

/** The catalogue file that holds just this record. */
export const recordFile = (kind: RecordKind, record: unknown, today: string) => {
  const { list, key, words } = RECORDS[kind];
  const called = (record as Readonly<Record<string, unknown>> | undefined)?.[key];
  const name = typeof called === 'string' ? called : '';
  return {
    format: CATALOGUE_FORMAT,
    name: `${words} ${name}`.slice(0, 80),
    issued: today,
    families: [],
    adaptors: [],
    accessories: [],
    [list]: [record],
  };
};

interface OfSheet {
  readonly sheet?: { readonly revision?: unknown };
}

/** All that keeps a typed record from being taken in, by the paths of the record; `before` is the one in force that it was begun from. */
export function recordProblems(
  kind: RecordKind,
  record: unknown,
  today: string,
  before: unknown = null,
): Problem[] {
  const { key } = RECORDS[kind];
  const [is, was] = [record, before] as (Readonly<Record<string, unknown>> & OfSheet)[];
  const revision = was?.sheet?.revision;
  const same = was?.[key] === is?.[key] && revision !== undefined && revision === is?.sheet?.revision;
  const own: Problem[] = same
    ? [
        {
          path: 'sheet.revision',
          message: 'is the revision in force; type the one on the sheet in hand',
          value: revision,
        },
      ]
    : [];
  return [...own, ...problemsOfFile(kind, record, today)];
}

function problemsOfFile(kind: RecordKind, record: unknown, today: string): Problem[] {
  const read = readCatalogue(JSON.parse(JSON.stringify(recordFile(kind, record, today))));
  const before = `${RECORDS[kind].list}[0].`;
  return read.ok
    ? []
    : read.problems.map((p) => ({
        ...p,
        path: p.path.replace(before, ''),
      }));
}

const WORDS: Readonly<Record<string, string>> = { ...MATERIAL_WORDS, ...ARMOUR_NAMES };

/** A code in words: `nickelPlatedBrass` is nickel-plated brass. Codes that are printed on sheets stay as they are. */
export const codeWords = (code: string | number): string => {
  const text = String(code);
  const known = WORDS[text];
  if (known !== undefined) return known;
  return /^[a-z]+([A-Z][a-z]+)*$/.test(text) ? text.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`) : text;
};
