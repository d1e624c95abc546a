import type { ObjectSchema } from 'yup';
import { readingSchema } from '@/core/cable-measurement';
import { catalogueFileSchema } from '@/core/catalogue';
import { frameSetupSchema, plugSetupSchema, sleeveSetupSchema, wrapSetupSchema } from '@/core/crossing';
import { boxWithEntriesSchema, jobSettingsSchema, newJobSchema } from '@/core/job';
import { validate } from '@/core/kernel';
import { spareRuleSchema } from '@/core/kit';
import { cableTypeSchema, codeProfileSchema } from '@/core/schedule';
import { sheetMappingSchema } from '@/core/spreadsheet';
import { FIELD_WORDS, inWords } from '.';

const SHAPES: readonly (readonly [string, ObjectSchema<object>])[] = [
  ['a reading', readingSchema],
  ['a catalogue', catalogueFileSchema],
  ['a crossing in frames', frameSetupSchema],
  ['a packed sleeve', sleeveSetupSchema],
  ['a plug', plugSetupSchema],
  ['a fire wrap', wrapSetupSchema],
  ['a box', boxWithEntriesSchema],
  ['a cable type', cableTypeSchema],
  ['a code profile', codeProfileSchema],
  ['settings of a job', jobSettingsSchema],
  ['a new job', newJobSchema],
  ['spares', spareRuleSchema],
  ['columns of a list', sheetMappingSchema],
];

interface Described {
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described;
}
const namesIn = ({ fields = {}, innerType }: Described): string[] => [
  ...Object.entries(fields).flatMap(([name, field]) => [name, ...namesIn(field)]),
  ...(innerType ? namesIn(innerType) : []),
];

describe.each(SHAPES)('%s', (_, schema) => {
  it('has a word for every field, however deep', () => {
    const words: Readonly<Record<string, string>> = FIELD_WORDS;
    const names = namesIn(schema.describe() as unknown as Described);
    expect(names.length).toBeGreaterThan(1);
    expect(names.filter((name) => words[name] === undefined)).toEqual([]);
  });

  it.each([[{}], [Object.fromEntries(Object.keys(schema.fields).map((k) => [k, { odd: 1 }]))], [{ odd: 1 }]])(
    'is refused in words that show no path: %j',
    (given) => {
      const read = validate(schema, given);
      const messages = read.ok ? [] : read.problems.map((p) => inWords(p).message);
      expect(messages.length).toBeGreaterThan(0);
      // Neither our names of fields nor the words of a schema.
      expect(messages.filter((m) => /[a-z][A-Z]|\[\d|required field|this must/.test(m))).toEqual([]);
    },
  );
});

it.each([
  [
    { path: 'box.wallMm', message: 'must be at most 100', value: 900 },
    'box, wall, mm: must be at most 100, got 900',
  ],
  [{ path: 'entries[1].label', message: 'has no stroke in it' }, 'entry 2, label: has no stroke in it'],
  [{ path: 'code', message: 'is not said' }, 'code: is not said'],
  [
    { path: 'entry', message: 'K-1/A goes into JB/E1: give it another first' },
    'K-1/A goes into JB/E1: give it another first',
  ],
  [{ path: '', message: 'is no job' }, 'is no job'],
  [
    { path: 'armour', message: 'must be one of the following values: roundWire, none', value: 'rope' },
    'armour: is none of round wire, none, got "rope"',
  ],
])('says %j', (problem, words) => {
  const placed = inWords(problem);
  expect(placed.message).toBe(words);
  expect(inWords(placed)).toEqual(placed);
});
