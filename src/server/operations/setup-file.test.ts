import { readBoxes, readTypes, guessTypes } from '@/core/setup-table';
import { BOX_TEMPLATES } from '@/core/boxes';
import type { Result } from '@/core/kernel';
import type { CableType, Entry } from '@/core/schedule';
import { closeDatabase } from '@/data';
import { readSheets } from '@/formats/sheet/read';
import readXlsx from 'read-excel-file/node';
import { ref, take, view } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { addBox, addEntries, viewBoxes } from './boxes';
import { addType, viewTypes } from './cable-types';
import { undoLast } from './edits';
import { importSetup, previewSetup, setupFile } from './setup-file';
import { viewTermination } from './view';

afterAll(closeDatabase);

const gridOf = async (job: string, file: string): Promise<string[][]> => {
  const { bytes } = await good(setupFile(job, file));
  const sheets = await readSheets(bytes, (b) => readXlsx(Buffer.from(b)));
  if (!sheets.ok) throw new Error(sheets.problems[0]?.message);
  return (sheets.value[0]?.grid ?? []).map((r) => [...r]);
};
const typesIn = (grid: string[][], current = new Map<string, CableType>()) => {
  const rows = readTypes(grid, guessTypes(grid), current);
  expect(rows.flatMap((r) => r.problems)).toEqual([]);
  return { types: rows.flatMap((r) => r.facts ?? []), boxes: [] };
};
const boxesIn = (grid: string[][]) => {
  const table = readBoxes(grid, new Map());
  if (!table.ok) throw new Error(table.problems[0]?.message);
  expect(table.value.rows.flatMap((r) => r.problems)).toEqual([]);
  return { types: [], boxes: [...table.value.boxes] };
};

it.each(['csv', 'xlsx'])('saves types and boxes as %s that comes back as they are', async (format) => {
  const job = await makeJob();
  const types = await good(viewTypes(job));
  expect(typesIn(await gridOf(job, `types.${format}`)).types).toEqual(types.map((t) => t.type));
  const boxes = await good(viewBoxes(job));
  const setup = boxesIn(await gridOf(job, `boxes.${format}`));
  expect(setup.boxes).toEqual(
    boxes.map((b) => ({ area: b.area, box: b.box, entries: b.entries.map((e) => e.entry) })),
  );
  const seen = await good(previewSetup(job, setup));
  expect(new Set(seen.lines.map((l) => l.status))).toEqual(new Set(['same']));
  expect(seen.stale).toEqual([]);
  expect(await refused(setupFile(job, `cables.${format}`))).toMatch(/no file/);
});

it('says what a table would make stale, takes all of it in with one undo, and refuses what has changed since', async () => {
  const job = await makeJob();
  await good(take(job, 'RW2-32'));
  const before = boxesIn(await gridOf(job, 'boxes.csv'));
  const [first, ...others] = before.boxes;
  if (!first) throw new Error('there is a box');
  const moved = {
    types: [],
    boxes: [
      { ...first, entries: first.entries.map((e) => ({ ...e, wallMm: e.wallMm + 7 })) },
      ...others,
      { area: 'roof', box: { ...first.box, tag: 'BX-9' }, entries: first.entries },
    ],
  };
  const seen = await good(previewSetup(job, moved));
  expect(seen.stale).toEqual(['K-1/A']);
  expect(seen.lines.find((l) => l.name === 'BX-1/E1')).toMatchObject({
    status: 'changed',
    changes: [{ column: 'wall_mm' }],
  });
  expect(seen.lines.find((l) => l.name === 'BX-9')?.status).toBe('new');
  const both = await Promise.all(
    [PLANNER, FITTER].map((who) => importSetup(job, moved, seen.hash, who, NOW)),
  );
  expect(both.filter((r) => r.ok)).toHaveLength(1);
  expect((await view(job)).stale).toBe(true);
  expect(await refused(importSetup(job, moved, seen.hash, PLANNER, NOW))).toMatch(/has changed since/);
  await good(undoLast(job, both[0]?.ok ? PLANNER : FITTER, NOW));
  expect(boxesIn(await gridOf(job, 'boxes.csv'))).toEqual(before);
  expect((await view(job)).stale).toBe(false);
  for (const broken of [null, {}, { types: [1], boxes: [] }, { types: [], boxes: [first, first] }])
    expect((await previewSetup(job, broken)).ok).toBe(false);
});

it('plans on diameters of the type’s datasheet where nobody has measured, says that it is provisional, and gives way to a reading', async () => {
  const job = await makeJob();
  const there = (await good(viewTypes(job))).map((t) => t.type);
  const nominal = {
    outerSheath: { mm: 33, toleranceMm: 0.5 },
    innerSheath: { mm: 26 },
    armourWire: { mm: 2 },
  };
  const setup = { types: there.map((t) => (t.innerSheath ? { ...t, nominal } : t)), boxes: [] };
  const seen = await good(previewSetup(job, setup));
  await good(importSetup(job, setup, seen.hash, PLANNER, NOW));
  const other = await good(viewTermination(ref(job, 'K-2', 'B')));
  expect(other.readings.filter((r) => r.reading.quantity === 'outerSheath')).toEqual([]);
  expect(other.measured.outerSheath).toMatchObject({ provisional: true, interval: { min: 32.5, max: 33.5 } });
  const measured = await good(viewTermination(ref(job, 'K-1', 'A')));
  expect(measured.measured.outerSheath?.provisional).toBe(false);
});

it.each<[string, (job: string) => Promise<Result<unknown>>]>([
  ['a type', (job) => addType(job, MADE, PLANNER, NOW)],
  [
    'a box',
    (job) =>
      addBox(
        job,
        { area: '', box: { ...BOX_TEMPLATES[0]?.facts, tag: 'R-1', title: 'x' } },
        [],
        PLANNER,
        NOW,
      ),
  ],
  ['an entry', (job) => addEntries(job, 'BX-1', [HOLE], PLANNER, NOW)],
  [
    'a table',
    async (job) => {
      const setup = { types: [MADE], boxes: [] };
      const seen = await previewSetup(job, setup);
      return seen.ok ? importSetup(job, setup, seen.value.hash, PLANNER, NOW) : seen;
    },
  ],
])('lets one of eight who make %s at once have it made, and tells the others', async (_, make) => {
  const job = await makeJob();
  const all = await Promise.all(Array.from({ length: 8 }, () => make(job)));
  const refusals = all.flatMap((r) => (r.ok ? [] : r.problems.map((p) => p.message)));
  // A table that is already there is the same, and does nothing.
  expect(all.filter((r) => r.ok).length).toBeGreaterThan(0);
  expect(refusals.filter((m) => !/just made|there already|has changed|meanwhile/.test(m))).toEqual([]);
  expect((await good(viewTypes(job))).filter((t) => t.type.code === MADE.code).length).toBeLessThanOrEqual(1);
});

const MADE: CableType = {
  code: 'R-4',
  title: 'made up',
  armour: 'none',
  cores: 4,
  coreSectionMm2: 2.5,
  jacketed: true,
  innerSheath: false,
  effectivelyFilled: false,
  coldFlow: true,
  screened: false,
};
const HOLE: Entry = {
  label: 'R9',
  kind: 'clearance',
  thread: null,
  holeMm: 20.5,
  wallMm: 4,
  chamferMm: 0,
};
