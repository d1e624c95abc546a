import { ownTable } from '@/core/spreadsheet';
import { closeDatabase } from '@/data';
import { readCsvGrid } from '@/formats/csv/read';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { undoLast } from './edits';
import { addCable, editCable, editCables, retireCable, schedulePage, type ScheduleEdit } from './schedule';
import { exportSchedule, importSheet, previewSheet } from './schedule-file';
import { viewSummaries, viewTermination } from './view';

afterAll(closeDatabase);

const all = { filter: '', sort: 'tag', descending: false, offset: 0, limit: 100 } as const;
const rowOf = async (job: string, tag: string) => {
  const found = (await good(schedulePage(job, all))).rows.find((r) => r.tag === tag);
  if (!found) throw new Error(`no row ${tag}`);
  return found;
};
const versions = (row: Awaited<ReturnType<typeof rowOf>>) => ({
  cable: row.version,
  A: row.a.version,
  B: row.b.version,
});
const edit = async (job: string, tag: string, fields: ScheduleEdit, actor = PLANNER) => {
  const row = await rowOf(job, tag);
  return editCable(job, row.id, versions(row), fields, actor, NOW);
};
/** A file of ours, as the page sends it. */
function sheet(text: string) {
  const grid = readCsvGrid(new TextEncoder().encode(text));
  const table = grid.ok ? ownTable(grid.value) : null;
  if (table === null) throw new Error('is no file of ours');
  return { ...table, setup: { types: [], boxes: [] }, takeOutGone: false, mapping: null, headings: null };
}

describe('adding and editing cables', () => {
  it('adds a cable with both ends, and undo takes it away and frees its entry', async () => {
    const job = await makeJob();
    await good(addCable(job, { tag: 'K-9', type: 'W4-10', route: '12,5', aPlace: 'BX-1/E3' }, PLANNER, NOW));
    expect(await rowOf(job, 'K-9')).toMatchObject({
      routeMm: 12_500,
      a: { enclosure: 'BX-1', entry: 'E3' },
      b: { enclosure: null },
    });
    expect((await good(viewSummaries(job))).filter((s) => s.cable === 'K-9').map((s) => s.end)).toEqual([
      'A',
      'B',
    ]);
    await good(undoLast(job, PLANNER, NOW));
    expect((await good(schedulePage(job, all))).rows.map((r) => r.tag)).toEqual(['K-1', 'K-2']);
    await good(addCable(job, { tag: 'K-9', type: 'W4-10', aPlace: 'BX-1/E3' }, PLANNER, NOW));
  });

  it.each([
    [{ tag: 'K/1', type: 'W4-10' }, /tag: .*no slash/],
    [{ tag: '', type: 'W4-10' }, /tag: .*needed/],
    [{ tag: 'k-1', type: 'W4-10' }, /tag: this tag is already/],
    [{ tag: 'K-5', type: 'rope' }, /type: is not a cable type/],
    [{ tag: 'K-5', type: 'W4-10', route: 'far' }, /route: not a length/],
    [{ tag: 'K-5', type: 'W4-10', constructor: 'y' }, /constructor: is no column of the schedule/],
    [{ tag: 'K-5', type: 'W4-10', route: '-4' }, /route:/],
    [{ tag: 'K-5', type: 'W4-10', aPlace: 'BX-1/E1' }, /aPlace: is taken by K-1\/A/],
    [{ tag: 'K-5', type: 'W4-10', aPlace: 'BX-7/E1' }, /aPlace: is not an entry/],
    [{ tag: 'K-5', type: 'W4-10', aTail: '30 m' }, /aTail: is longer/],
  ])('refuses %j at its field and saves nothing', async (fields, message) => {
    const job = await makeJob();
    expect(await refused(addCable(job, fields, PLANNER, NOW))).toMatch(message);
    expect((await good(schedulePage(job, all))).total).toBe(2);
  });

  it('keeps an emoji, and knows two emojis apart', async () => {
    const job = await makeJob();
    await good(addCable(job, { tag: 'K-🔥', type: 'W4-10' }, PLANNER, NOW));
    await good(addCable(job, { tag: 'K-💧', type: 'W4-10' }, PLANNER, NOW));
    expect((await good(viewTermination({ job, cable: 'K-🔥', end: 'A' }))).tag).toBe('K-🔥/A');
  });

  it('shows the second of two people both values, and writes neither over the other', async () => {
    const job = await makeJob();
    const seen = await rowOf(job, 'K-1');
    await good(editCable(job, seen.id, versions(seen), { note: 'theirs' }, FITTER, NOW));
    const late = await good(editCable(job, seen.id, versions(seen), { note: 'mine' }, PLANNER, NOW));
    expect(late).toMatchObject({ conflict: { by: 'fitter', row: { note: 'theirs' } } });
    expect((await rowOf(job, 'K-1')).note).toBe('theirs');
    // The other end of the same cable is another row: no conflict there.
    expect(await good(editCable(job, seen.id, versions(seen), { bTail: '250' }, PLANNER, NOW))).toMatchObject(
      { saved: { b: { tailMm: 250 } } },
    );
  });

  it('changes several cables as one change, which one undo takes back', async () => {
    const job = await makeJob();
    const edits = [];
    for (const tag of ['K-1', 'K-2']) {
      const row = await rowOf(job, tag);
      edits.push({ cable: row.id, versions: versions(row), fields: { note: 'both', aTail: '300' } });
    }
    expect(await good(editCables(job, edits, PLANNER, NOW))).toEqual({ saved: 2 });
    expect((await rowOf(job, 'K-2')).a.tailMm).toBe(300);
    expect(await good(undoLast(job, PLANNER, NOW))).toEqual({ label: '2 cables: note, aTail' });
    expect((await rowOf(job, 'K-1')).note).toBe('');
    expect((await rowOf(job, 'K-2')).a.tailMm).toBe(240);
  });

  it('changes none of several cables where one cannot be, and names it', async () => {
    const job = await makeJob();
    const [first, second] = [await rowOf(job, 'K-1'), await rowOf(job, 'K-2')];
    const edit = (row: typeof first, fields: ScheduleEdit) => ({
      cable: row.id,
      versions: versions(row),
      fields,
    });
    const both = (fields: ScheduleEdit) =>
      editCables(job, [edit(first, { note: 'x' }), edit(second, fields)], PLANNER, NOW);
    expect(await refused(both({ route: 'far' }))).toMatch(/^K-2 route: /);
    expect((await rowOf(job, 'K-1')).note).toBe('');
    const late = { ...second, version: second.version - 1 };
    const met = await good(
      editCables(job, [edit(first, { note: 'x' }), edit(late, { note: 'y' })], PLANNER, NOW),
    );
    expect(met).toMatchObject({ conflict: { row: { tag: 'K-2' } } });
    expect((await rowOf(job, 'K-1')).note).toBe('');
    const elsewhere = await rowOf(await makeJob(), 'K-1');
    expect(await refused(editCables(job, [edit(elsewhere, { note: 'x' })], PLANNER, NOW))).toMatch(
      /not in the schedule/,
    );
  });

  it('undoes one’s own last edit only, and not over what somebody changed since', async () => {
    const job = await makeJob();
    await good(edit(job, 'K-1', { note: 'one' }));
    await good(edit(job, 'K-1', { note: 'two' }, FITTER));
    expect(await refused(undoLast(job, PLANNER, NOW))).toMatch(/changed again since/);
    expect(await good(undoLast(job, FITTER, NOW))).toEqual({ label: 'K-1: note' });
    expect((await rowOf(job, 'K-1')).note).toBe('one');
    await good(undoLast(job, PLANNER, NOW));
    expect((await rowOf(job, 'K-1')).note).toBe('');
    expect(await refused(undoLast(job, PLANNER, NOW))).toMatch(/nothing of yours/);
  });

  it('takes a cable out, says so to who has it open, and brings it back with its entries', async () => {
    const job = await makeJob();
    const row = await rowOf(job, 'K-1');
    await good(retireCable(job, row.id, row.version, PLANNER, NOW));
    expect(await refused(viewTermination({ job, cable: 'K-1', end: 'A' }))).toMatch(
      /taken out of the schedule on 2026-11-10/,
    );
    await good(undoLast(job, PLANNER, NOW));
    expect((await good(viewTermination({ job, cable: 'K-1', end: 'A' }))).place?.entry.label).toBe('E1');
  });

  it('filters, sorts and pages on the server, tags as people read them', async () => {
    const job = await makeJob();
    for (const tag of ['K-10', 'K-3', 'M_1', 'M%2'])
      await good(addCable(job, { tag, type: 'B4-4' }, PLANNER, NOW));
    const tags = async (query: object) =>
      (await good(schedulePage(job, { ...all, ...query }))).rows.map((r) => r.tag);
    expect(await tags({})).toEqual(['K-1', 'K-2', 'K-3', 'K-10', 'M_1', 'M%2']);
    expect(await tags({ descending: true, limit: 2 })).toEqual(['M%2', 'M_1']);
    expect(await tags({ offset: 2, limit: 2 })).toEqual(['K-3', 'K-10']);
    expect(await tags({ filter: 'b4' })).toHaveLength(4);
    // % and _ are letters of a tag, not wildcards.
    expect(await tags({ filter: '%' })).toEqual(['M%2']);
    expect(await tags({ filter: '_' })).toEqual(['M_1']);
    expect((await good(schedulePage(job, { ...all, filter: 'k', limit: 1 }))).total).toBe(4);
    expect(await good(schedulePage(job, { ...all, offset: 50 }))).toEqual({ rows: [], total: 6 });
  });
});

describe('a schedule as a file', () => {
  it('comes back from export without a change', async () => {
    const job = await makeJob();
    const csv = await good(exportSchedule(job));
    const preview = await good(previewSheet(job, sheet(csv)));
    expect(preview.rows.map((r) => [r.tag, r.status])).toEqual([
      ['K-1', 'same'],
      ['K-2', 'same'],
    ]);
  });

  const FILE =
    'cable;type;route;a_enclosure;a_entry;outer;note\nK-1;W4-25;30 m;BX-1;E1;;changed\nK-20;W4-10;"12,5";BX-1;E3;"caliper 20,8 mm | 13/16""";new\nK-21;rope;;;;;bad\n';

  it('is previewed, taken in where it is good, and undone in one go', async () => {
    const job = await makeJob();
    const before = await good(exportSchedule(job));
    const preview = await good(previewSheet(job, sheet(FILE)));
    expect(preview.rows.map((r) => r.status)).toEqual(['changed', 'new', 'refused']);
    expect(preview.refusedCsv).toContain('type: is not a cable type of this job');
    expect(await good(exportSchedule(job))).toBe(before);
    expect(await good(importSheet(job, sheet(FILE), preview.hash, PLANNER, NOW))).toEqual({
      added: 1,
      changed: 1,
      refused: 1,
    });
    const after = await good(exportSchedule(job));
    expect(after).toContain('caliper 20,8 mm [mm] | datasheet 13/16');
    expect((await good(viewSummaries(job))).filter((s) => s.cable === 'K-20')).toHaveLength(2);
    await good(undoLast(job, PLANNER, NOW));
    expect(await good(exportSchedule(job))).toBe(before);
  });

  it('is not taken in when the job has changed since it was looked at', async () => {
    const job = await makeJob();
    const preview = await good(previewSheet(job, sheet(FILE)));
    await good(edit(job, 'K-1', { note: 'meanwhile' }));
    expect(await refused(importSheet(job, sheet(FILE), preview.hash, PLANNER, NOW))).toMatch(
      /changed since this preview/,
    );
  });

  it('replaces readings by those of the file, and only where they differ', async () => {
    const job = await makeJob();
    const file = 'cable,type,a_outer\nK-1,W4-25,"caliper 28.5 mm @0 | caliper 28.7 mm @90"\n';
    const preview = await good(previewSheet(job, sheet(file)));
    await good(importSheet(job, sheet(file), preview.hash, PLANNER, NOW));
    const view = await good(viewTermination({ job, cable: 'K-1', end: 'A' }));
    expect(view.measured.outerSheath).toMatchObject({ min: 28.5, max: 28.7 });
    expect(view.measured.innerSheath).toMatchObject({ min: 21.4, max: 21.7 });
  });
});
