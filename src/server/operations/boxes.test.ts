import { readFileSync } from 'node:fs';
import { BOX_TEMPLATES, readEntries } from '@/core/boxes';
import { guessMapping, mapGrid, newBoxes, setupOf, typeDrafts } from '@/core/spreadsheet';
import { closeDatabase } from '@/data';
import { readSheets } from '@/formats/sheet/read';
import { recutEnd, ref, take, view, workUntil } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { addBox, addEntries, previewBox, setBox, setEntry, takeOutBox, viewBoxes } from './boxes';
import { addType, setType, takeOutType, viewTypes } from './cable-types';
import { undoLast } from './edits';
import { importSheet, previewSheet, viewMapping } from './schedule-file';
import { schedulePage } from './schedule';
import { viewTermination } from './view';

afterAll(closeDatabase);

const boxOf = async (job: string, tag: string) => {
  const box = (await good(viewBoxes(job))).find((b) => b.box.tag === tag);
  if (!box) throw new Error(`no box ${tag}`);
  return box;
};
const facts = (tag: string) => ({ area: 'yard', box: { ...BOX_TEMPLATES[1]?.facts, tag, title: 'made up' } });
const holes = (text: string) => {
  const read = readEntries(text, { wallMm: 4, chamferMm: 0.5 }, new Set());
  if (!read.ok) throw new Error('no entries');
  return read.value;
};

describe('boxes', () => {
  it('are made with their entries, and one undo takes all of it back', async () => {
    const job = await makeJob();
    await good(addBox(job, facts('JB-9'), holes('E1–E3 M20; C1 hole 20.5'), PLANNER, NOW));
    const box = await boxOf(job, 'JB-9');
    expect(box.entries.map((e) => [e.entry.label, e.hole, e.holder])).toEqual([
      ['C1', 'hole 20.5 mm', null],
      ['E1', 'M20 × 1.5', null],
      ['E2', 'M20 × 1.5', null],
      ['E3', 'M20 × 1.5', null],
    ]);
    expect(await refused(addBox(job, facts('JB-9'), [], PLANNER, NOW))).toMatch(/there already/);
    await good(undoLast(job, PLANNER, NOW));
    expect((await good(viewBoxes(job))).some((b) => b.box.tag === 'JB-9')).toBe(false);
    // What was taken out comes back under its tag.
    await good(addBox(job, facts('JB-9'), holes('E1 M25'), PLANNER, NOW));
    expect((await boxOf(job, 'JB-9')).entries.map((e) => e.hole)).toEqual(['M25 × 1.5']);
  });

  it('make stale the plans of ends in them and no others, and say so before', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    const { box, area, version } = await boxOf(job, 'BX-1');
    const thicker = { area, box: { ...box, material: 'plastic' } };
    expect(await good(previewBox(job, 'BX-1', { area: 'moved', box }))).toEqual([]);
    expect(await good(previewBox(job, 'BX-1', thicker))).toEqual(['K-1/A']);
    expect((await view(job)).stale).toBe(false);
    await good(setBox(job, 'BX-1', version, thicker, PLANNER, NOW));
    expect((await view(job)).stale).toBe(true);
    expect(await refused(setBox(job, 'BX-1', version, thicker, FITTER, NOW))).toMatch(/meanwhile/);
    const renamed = { area, box: { ...box, tag: 'BX-7' } };
    expect(await refused(setBox(job, 'BX-1', version + 1, renamed, PLANNER, NOW))).toMatch(
      /cannot be changed/,
    );
  });

  it('keep the entry that a cable goes into, and give up those that none does', async () => {
    const job = await makeJob();
    const box = await boxOf(job, 'BX-1');
    const versionOf = (label: string) => box.entries.find((e) => e.entry.label === label)?.version ?? 0;
    expect(await refused(takeOutBox(job, 'BX-1', versionOf('E1'), 'E1', PLANNER, NOW))).toMatch(
      /K-1\/A goes into/,
    );
    expect(await refused(takeOutBox(job, 'BX-1', box.version, null, PLANNER, NOW))).toMatch(/goes into/);
    const stroke = holes('E9 M20').map((e) => ({ ...e, label: 'E/9' }));
    expect(await refused(addEntries(job, 'BX-1', stroke, PLANNER, NOW))).toMatch(/stroke/);
    await good(takeOutBox(job, 'BX-1', versionOf('E3'), 'E3', PLANNER, NOW));
    expect((await boxOf(job, 'BX-1')).entries.map((e) => e.entry.label)).toEqual(['E1', 'E2']);
    await good(addEntries(job, 'BX-1', holes('E3 M40'), PLANNER, NOW));
    expect(await refused(addEntries(job, 'BX-1', holes('E3 M40'), PLANNER, NOW))).toMatch(/there already/);
    await good(undoLast(job, PLANNER, NOW));
    await good(undoLast(job, PLANNER, NOW));
    expect((await boxOf(job, 'BX-1')).entries.map((e) => e.hole)).toEqual([
      'M32 × 1.5',
      'M32 × 1.5',
      'M20 × 1.5',
    ]);
  });

  it('let two people who change one hole be told apart', async () => {
    const job = await makeJob();
    const [e1] = (await boxOf(job, 'BX-1')).entries;
    if (!e1) throw new Error('no entry');
    const change = (wallMm: number) => ({ ...e1.entry, wallMm });
    const at = { label: 'E1', version: e1.version };
    const both = await Promise.all([
      setEntry(job, 'BX-1', at, change(9), PLANNER, NOW),
      setEntry(job, 'BX-1', at, change(11), FITTER, NOW),
    ]);
    expect(both.filter((r) => r.ok)).toHaveLength(1);
  });
});

describe('cable types', () => {
  const type = async (job: string, code: string) => {
    const found = (await good(viewTypes(job))).find((t) => t.type.code === code);
    if (!found) throw new Error(`no type ${code}`);
    return found;
  };

  it('are changed for all their cables, and taken out only when none is of them', async () => {
    const job = await makeJob();
    const { type: facts_, version, cables } = await type(job, 'W4-25');
    expect(cables).toBe(2);
    await good(take(job, 'RW2-32'));
    await good(setType(job, 'W4-25', version, { ...facts_, effectivelyFilled: false }, PLANNER, NOW));
    expect((await view(job)).stale).toBe(true);
    expect(await refused(takeOutType(job, 'W4-25', version + 1, PLANNER, NOW))).toMatch(/2 cables are/);
    await good(addType(job, { ...facts_, code: 'NEW' }, PLANNER, NOW));
    expect(await refused(addType(job, { ...facts_, code: 'NEW' }, PLANNER, NOW))).toMatch(/there already/);
    await good(takeOutType(job, 'NEW', 1, PLANNER, NOW));
    expect((await good(viewTypes(job))).some((t) => t.type.code === 'NEW')).toBe(false);
  });
});

describe('a list as a design office sends it', () => {
  /** As the page makes it of a file, when nobody changes anything but what the new types lack. */
  async function sheet(file: string, more: object = {}, index = 0) {
    const read = await readSheets(readFileSync(`examples/cable-lists/${file}`), () => {
      throw new Error('is text');
    });
    if (!read.ok) throw new Error('not read');
    const grid = read.value[index]?.grid ?? [];
    const mapping = guessMapping(grid);
    const table = mapGrid(grid, mapping);
    const types = typeDrafts(table, new Set()).map((t) => ({
      ...t,
      armour: t.armour === '' ? ('none' as const) : t.armour,
    }));
    const boxes = newBoxes(table, new Set());
    const setup = setupOf(types, boxes, { template: 'castFlameproof', area: 'yard', hole: 'M25' });
    const { columns, rows, lines } = table;
    return { columns, rows, lines, setup, takeOutGone: false, mapping, headings: 'f'.repeat(64), ...more };
  }
  const taken = async (job: string, given: object) => {
    const seen = await good(previewSheet(job, given));
    return good(importSheet(job, given, seen.hash, PLANNER, NOW));
  };
  const tags = async (job: string) =>
    (
      await good(schedulePage(job, { filter: '', sort: 'tag', descending: false, offset: 0, limit: 100 }))
    ).rows.map((r) => r.tag);

  it('brings cables, types and boxes in one go; one undo takes all of it back', async () => {
    const job = await makeJob();
    expect(await taken(job, await sheet('1-plain.csv'))).toEqual({ added: 3, changed: 0, refused: 0 });
    const end = await good(viewTermination(ref(job, 'MP-101', 'A')));
    expect(end.place?.enclosure).toMatchObject({ tag: 'MCC-1', concept: 'Ex d' });
    // The place was not told: nothing says that it is safe.
    expect(end.place?.enclosure.zone).toBeUndefined();
    expect(await good(viewMapping(job, 'f'.repeat(64)))).toMatchObject({ rowsPerCable: 1 });
    await good(undoLast(job, PLANNER, NOW));
    expect(await tags(job)).toEqual(['K-1', 'K-2']);
    expect((await good(viewBoxes(job))).map((b) => b.box.tag)).toEqual(['BX-1', 'BX-2']);
    expect((await good(viewTypes(job))).some((t) => t.type.code === '4x25mm2 SWA')).toBe(false);
  });

  it('is a diff the second time: the same, changed, and gone, which is never taken out once work has begun', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'cut.armour');
    await taken(job, await sheet('1-plain.csv'));
    const again = await sheet('1-plain.csv', { takeOutGone: true });
    const changed = {
      ...again,
      rows: again.rows
        .slice(0, 2)
        .map((r, i) => (i === 0 ? r.map((c) => (c === '42500 mm' ? '50 m' : c)) : r)),
      lines: [2, 3],
    };
    const seen = await good(previewSheet(job, changed));
    expect(seen.rows.map((r) => [r.tag, r.status])).toEqual([
      ['MP-101', 'changed'],
      ['MP-102', 'same'],
    ]);
    expect(seen.gone).toEqual([
      { tag: 'K-1', begun: true },
      { tag: 'K-2', begun: false },
      { tag: 'MP-103', begun: false },
    ]);
    await good(importSheet(job, changed, seen.hash, PLANNER, NOW));
    expect(await tags(job)).toEqual(['K-1', 'MP-101', 'MP-102']);
    expect(await refused(importSheet(job, changed, seen.hash, PLANNER, NOW))).toMatch(/has changed since/);
    await good(recutEnd(job, '5'));
  });

  it('takes a list in of which nobody says what its columns were', async () => {
    const job = await makeJob();
    const { mapping: _, headings: __, ...bare } = await sheet('1-plain.csv');
    expect(await taken(job, bare)).toMatchObject({ added: 3 });
  });

  it('takes two rows for a cable, and refuses in words what is not in order', async () => {
    const job = await makeJob();
    const two = await sheet('3-two-rows.csv');
    expect(await taken(job, two)).toMatchObject({ added: 2, refused: 0 });
    for (const broken of [null, {}, { ...two, lines: [] }, { ...two, setup: { types: [1], boxes: [] } }])
      expect((await previewSheet(job, broken)).ok).toBe(false);
    // A row that says too little is judged, not thrown.
    const short = await good(previewSheet(job, { ...two, rows: [['x']], lines: [1] }));
    expect(short.rows.map((r) => r.status)).toEqual(['refused']);
  });

  it('previews 5,000 rows within its time', async () => {
    const job = await makeJob();
    const one = await sheet('1-plain.csv');
    const rows = Array.from(
      { length: 5000 },
      (_, i) =>
        one.rows[0]?.map((c, at) =>
          one.columns[at] === 'cable' ? `Z-${i}` : /entry/.test(one.columns[at] ?? '') ? `E${i}` : c,
        ) ?? [],
    );
    const boxes = one.setup.boxes.map((b) => ({ ...b, entries: [] }));
    const given = {
      ...one,
      columns: one.columns.map((c) => c),
      rows,
      lines: rows.map((_, i) => i + 2),
      setup: { ...one.setup, boxes },
    };
    const seen = await good(previewSheet(job, given));
    expect(seen.rows).toHaveLength(5000);
    expect(seen.rows.every((r) => r.status === 'refused')).toBe(true);
  });
});
