import { DEMO } from '../testing';
import {
  blankOf,
  CATALOGUE_FIELDS,
  codeWords,
  readCatalogue,
  RECORD_KINDS,
  recordFields,
  recordFile,
  recordProblems,
  RECORDS,
  saidOf,
  type RecordField,
  type RecordKind,
} from '.';

const TODAY = '2026-11-28';
const recordsOf = (kind: RecordKind): readonly object[] => DEMO[RECORDS[kind].list] ?? [];

/** Names of all fields, and of what a record has that no field takes. */
function namesIn(field: RecordField): string[] {
  if (field.kind === 'group') return field.fields.flatMap(([name, f]) => [name, ...namesIn(f)]);
  if (field.kind === 'methods') return namesIn(field.method);
  return field.kind === 'list' ? namesIn(field.item) : [];
}

describe.each(RECORD_KINDS)('%s', (kind) => {
  const fields = recordFields(kind);

  it('can say all that the shipped catalogue says, and says it unchanged', () => {
    expect(recordsOf(kind).length).toBeGreaterThan(0);
    for (const record of recordsOf(kind)) {
      expect(saidOf(fields, record)).toEqual(JSON.parse(JSON.stringify(record)));
      expect(recordProblems(kind, saidOf(fields, record), TODAY)).toEqual([]);
      expect(readCatalogue(JSON.parse(JSON.stringify(recordFile(kind, record, TODAY)))).ok).toBe(true);
    }
  });

  it('calls every field by a word, and every code by one that a person reads', () => {
    const words: Readonly<Record<string, string>> = CATALOGUE_FIELDS;
    expect(namesIn(fields).filter((name) => words[name] === undefined)).toEqual([]);
  });

  it('is refused while nothing is said of it, field by field, and makes no choice by itself', () => {
    const blank = saidOf(fields, blankOf(fields));
    const problems = recordProblems(kind, blank, TODAY);
    expect(problems.map((p) => p.path)).toContain(RECORDS[kind].key);
    expect(JSON.stringify(blank)).not.toMatch(/true|false|brass|metric/);
  });
});

it('says the figures of a size that replace those of a stage, and names what they lack', () => {
  const family = DEMO.families.find((f) => f.sizes.some((s) => s.stageMethods !== undefined));
  const size = family?.sizes.find((s) => s.stageMethods !== undefined);
  if (!family || !size?.stageMethods) throw new Error('a size of the catalogue has its own figures');
  const [stage = ''] = Object.keys(size.stageMethods);
  const lacking = { ...size, stageMethods: { [stage]: { kind: 'torque', torqueNm: '' } } };
  const fields = recordFields('family');
  const said = saidOf(fields, { ...family, sizes: [lacking] });
  expect(
    recordProblems('family', said, TODAY)
      .map((p) => p.message)
      .join('; '),
  ).toMatch(new RegExp(`${stage}: .*(torque|tolerance|number)`));
  expect(saidOf(fields, family)).toEqual(JSON.parse(JSON.stringify(family)));
});

it('asks for the revision on the sheet in hand where one in force is typed over', () => {
  const [sheet] = DEMO.frameSheets ?? [];
  expect(recordProblems('frames', sheet, TODAY, sheet).map((p) => p.path)).toEqual(['sheet.revision']);
  const next = { ...sheet, sheet: { ...sheet?.sheet, revision: 'Z' } };
  expect(recordProblems('frames', next, TODAY, sheet)).toEqual([]);
});

it.each([
  ['nickelPlatedBrass', 'nickel-plated brass'],
  ['sealingWasher', 'sealing washer'],
  ['Ex d', 'Ex d'],
  ['IIC', 'IIC'],
  [21, '21'],
])('says %s as %s', (code, words) => expect(codeWords(code)).toBe(words));
