import { enclosureSchema, entrySchema } from '@/core/schedule';
import { BOX_TEMPLATES, readEntries, readHole } from '.';

const WALL = { wallMm: 6, chamferMm: 1 };
const read = (text: string, taken: readonly string[] = []) => readEntries(text, WALL, new Set(taken));
const labels = (text: string) => {
  const r = read(text);
  return r.ok
    ? r.value.map((e) => `${e.label} ${e.thread?.size ?? `hole ${e.holeMm ?? ''}`}`)
    : r.problems[0]?.message;
};

it.each([
  ['M25', { kind: 'threaded', thread: { form: 'metric', size: 'M25', pitchMm: 1.5 }, holeMm: null }],
  ['m 25 x 1,5', { kind: 'threaded', thread: { form: 'metric', size: 'M25', pitchMm: 1.5 }, holeMm: null }],
  ['M63×2', { kind: 'threaded', thread: { form: 'metric', size: 'M63', pitchMm: 2 }, holeMm: null }],
  // 25.4 / 14 = 1.814…
  ['3/4" NPT', { kind: 'threaded', thread: { form: 'npt', size: '3/4', pitchMm: 1.814 }, holeMm: null }],
  ['1-1/4 NPT', { kind: 'threaded', thread: { form: 'npt', size: '1 1/4', pitchMm: 2.209 }, holeMm: null }],
  ['3 NPT', { kind: 'threaded', thread: { form: 'npt', size: '3', pitchMm: 3.175 }, holeMm: null }],
  ['Ø 20,5 mm', { kind: 'clearance', thread: null, holeMm: 20.5 }],
])('reads the hole %s', (text, hole) => {
  expect(readHole(text)).toEqual({ ok: true, value: hole });
});

it.each(['', 'M', 'M2', '25', '3/4', 'M25x9', '5/4 NPT', 'hole 4', 'hole 400', 'PG21', '20 mm'])(
  'refuses %j rather than guess a hole',
  (text) => expect(readHole(text).ok).toBe(false),
);

it('reads ranges, lists and several holes at once', () => {
  expect(labels('E1–E3 M20; E04-E05 M32')).toEqual(['E1 M20', 'E2 M20', 'E3 M20', 'E04 M32', 'E05 M32']);
  expect(labels('A, B M25\nC1 hole 20.5')).toEqual(['A M25', 'B M25', 'C1 hole 20.5']);
  expect(labels('1 to 3, M20')).toEqual(['1 M20', '2 M20', '3 M20']);
});

it('refuses what stands twice, runs backwards, has no hole, or is too much', () => {
  expect(labels('E1, E1 M20')).toMatch(/there already/);
  expect(labels('E9–E1 M20')).toMatch(/no row of labels/);
  expect(labels('E1–E999 M20')).toMatch(/no row of labels/);
  expect(labels('E1–E4')).toMatch(/names no hole/);
  expect(labels('A/B M20')).toMatch(/no label/);
  expect(labels(' ; ')).toMatch(/names no entry/);
  const taken = read('E1 M20', ['E1']);
  expect(taken.ok).toBe(false);
});

it('makes entries and boxes that the schemas take', () => {
  const entries = read('E1 M20; E2 1/2 NPT; E3 hole 20.5');
  if (!entries.ok) throw new Error('was read before');
  for (const entry of entries.value) expect(entrySchema.isValidSync(entry)).toBe(true);
  for (const { facts } of BOX_TEMPLATES)
    expect(enclosureSchema.isValidSync({ ...facts, tag: 'B', title: 'x' })).toBe(true);
});
