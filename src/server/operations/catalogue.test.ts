import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { CatalogueFile } from '@/core/catalogue';
import { closeDatabase } from '@/data';
import { good, NOW, PLANNER, refused } from '../testing/job';
import { importCatalogue, viewCatalogue } from './catalogue';
import { previewCatalogue } from './catalogue-preview';

afterAll(closeDatabase);

const RUN = randomUUID().slice(0, 6);
const TEXT = readFileSync('examples/catalogue/demo.json', 'utf8');

/** RW2 of the demo under a code of its own, so that other tests keep their catalogue. */
function file(
  code: string,
  revision: string,
  change: (f: CatalogueFile['families'][number]) => void = () => undefined,
): string {
  const copy = JSON.parse(TEXT) as CatalogueFile;
  const family = copy.families.find((f) => f.code === 'RW2');
  if (!family) throw new Error('family');
  const renamed = JSON.parse(JSON.stringify(family).replaceAll('RW2', code)) as typeof family;
  renamed.sheet.revision = `${RUN}.${revision}`;
  change(renamed);
  return JSON.stringify({ ...copy, families: [renamed], adaptors: [], accessories: [] });
}
const inForce = async (code: string) =>
  (await good(viewCatalogue())).families.find((f) => f.family.code === code);

it('takes a new revision beside the old one, and an equal file once', async () => {
  expect(await good(importCatalogue(file('ZA1', '1'), PLANNER, NOW))).toMatchObject({
    already: false,
    families: [{ state: 'new', missing: [] }],
  });
  expect(await good(importCatalogue(file('ZA1', '1'), PLANNER, NOW))).toMatchObject({ already: true });
  await good(
    importCatalogue(
      file('ZA1', '2', (f) => {
        f.emergenceMm = 9;
      }),
      PLANNER,
      NOW,
    ),
  );
  expect((await inForce('ZA1'))?.family).toMatchObject({ emergenceMm: 9, sheet: { revision: `${RUN}.2` } });
});

it('takes one file in once when several people import it in the same moment', async () => {
  const reports = await Promise.all(
    Array.from({ length: 5 }, () => good(importCatalogue(file('ZE1', '1'), PLANNER, NOW))),
  );
  expect(reports.filter((r) => !r.already)).toHaveLength(1);
});

it('never changes the figures of a revision', async () => {
  await good(importCatalogue(file('ZB1', '1'), PLANNER, NOW));
  expect(
    await refused(
      importCatalogue(
        file('ZB1', '1', (f) => {
          f.emergenceMm = 9;
        }),
        PLANNER,
        NOW,
      ),
    ),
  ).toMatch(/families\[0\]\.sheet\.revision: .*other figures/);
  expect((await inForce('ZB1'))?.family.emergenceMm).toBe(8);
});

it('takes an incomplete family as plan only and says what is missing', async () => {
  const report = await good(
    importCatalogue(
      file('ZC1', '1', (f) => {
        f.makeOff.checks = [];
      }),
      PLANNER,
      NOW,
    ),
  );
  expect(report.families[0]?.missing).toEqual(['makeOff.checks: a look without anything to look for']);
  expect((await inForce('ZC1'))?.planOnly).toBe(true);
});

it.each([
  ['not JSON', '{', /neither JSON nor a table/],
  [
    'a broken figure',
    file('ZD1', '1', (f) => {
      Object.assign(f, { emergenceMm: 'eight' });
    }),
    /families\[0\]\.emergenceMm: .*got "eight"/,
  ],
  [
    'a range upside down',
    file('ZD1', '1', (f) => {
      Object.assign(f.sizes[0]?.outerSeal ?? {}, { max: 1 });
    }),
    /families\[0\]\.sizes\[0\]\.outerSeal\.max: .*below the minimum, got 1/,
  ],
])('imports nothing of %s, and names path and value', async (_, text, message) => {
  expect(await refused(importCatalogue(text, PLANNER, NOW))).toMatch(message);
  expect(await inForce('ZD1')).toBeUndefined();
});

describe('compounds', () => {
  /** A compound of this run alone, in a file with a family of its own. */
  const withCompound = (issued: string, minutes: number, change: Record<string, unknown> = {}): string => {
    const copy = JSON.parse(file(`Z${RUN.charCodeAt(0) % 2 === 0 ? 'C' : 'D'}1`, 'c')) as CatalogueFile;
    const [base] = (JSON.parse(TEXT) as CatalogueFile).compounds ?? [];
    if (!base) throw new Error('the demo has a compound');
    return JSON.stringify({
      ...copy,
      compounds: [
        {
          ...base,
          product: `resin ${RUN}`,
          sheet: { ...base.sheet, issued },
          potLife: [
            { c: 10, minutes: minutes + 5 },
            { c: 20, minutes },
          ],
          ...change,
        },
      ],
    });
  };
  const minutesAt20 = async (): Promise<number | undefined> =>
    (await good(viewCatalogue())).compounds
      .find((c) => c.product === `resin ${RUN}`)
      ?.potLife.find((p) => p.c === 20)?.minutes;

  it('go by the sheet that was issued last, whichever came in first', async () => {
    await good(importCatalogue(withCompound('2026-02', 22), PLANNER, NOW));
    expect(await minutesAt20()).toBe(22);
    await good(importCatalogue(withCompound('2026-05', 18), PLANNER, NOW));
    expect(await minutesAt20()).toBe(18);
    await good(importCatalogue(withCompound('2025-01', 40), PLANNER, NOW));
    expect(await minutesAt20()).toBe(18);
  });

  it.each([
    [
      'a table that falls in temperature',
      {
        potLife: [
          { c: 20, minutes: 20 },
          { c: 10, minutes: 30 },
        ],
      },
      /must rise/,
    ],
    [
      'heat that gives more time',
      {
        potLife: [
          { c: 10, minutes: 20 },
          { c: 20, minutes: 30 },
        ],
      },
      /must rise/,
    ],
    ['a table of one point', { cure: [{ c: 10, minutes: 20 }] }, /cure/],
    ['putty without its stick', { kind: 'putty' }, /diameter of its stick/],
    ['no packs', { packs: [] }, /packs/],
  ])('are refused with path and reason for %s', async (_, change, message) => {
    const said = await refused(importCatalogue(withCompound('2026-06', 18, change), PLANNER, NOW));
    expect(said).toMatch(/compounds\[0\]/);
    expect(said).toMatch(message);
  });
});

describe('sheets of transit frames', () => {
  const sheets = (code: string, revision: string, issued: string, cost = 140): string => {
    const copy = JSON.parse(TEXT) as CatalogueFile;
    const [sheet] = copy.frameSheets ?? [];
    const [frame] = sheet?.frames ?? [];
    if (!sheet || !frame) throw new Error('sheet');
    sheet.code = code;
    sheet.sheet = { ...sheet.sheet, revision: `${RUN}.${revision}`, issued };
    frame.cost = cost;
    const none = { families: [], adaptors: [], accessories: [], compounds: [] };
    return JSON.stringify({ ...copy, ...none, plugSheets: [], sleeveSheets: [], wrapSheets: [] });
  };
  const there = async (code: string) =>
    (await good(viewCatalogue())).frameSheets.filter((s) => s.code === code).map((s) => s.sheet.revision);

  it('come in revision by revision; what a revision says never changes', async () => {
    const first = sheets('ZF1', '1', '2026-01');
    expect(await good(importCatalogue(first, PLANNER, NOW))).toMatchObject({
      sheets: [`transit frames ZF1 revision ${RUN}.1`],
    });
    expect(await good(importCatalogue(first, PLANNER, NOW))).toMatchObject({ already: true });
    expect(await refused(importCatalogue(sheets('ZF1', '1', '2026-01', 150), PLANNER, NOW))).toContain(
      'a changed sheet needs its own revision',
    );
    await good(importCatalogue(sheets('ZF1', '2', '2026-05', 150), PLANNER, NOW));
    expect(await there('ZF1')).toEqual([`${RUN}.1`, `${RUN}.2`]);
  });

  it('are shown against the revision in force before they are taken in', async () => {
    await good(importCatalogue(sheets('ZF2', '1', '2026-01'), PLANNER, NOW));
    const preview = async (text: string) => (await good(previewCatalogue(text, NOW))).sheets[0];
    expect(await preview(sheets('ZF2', '2', '2026-05', 99))).toMatchObject({
      before: `${RUN}.1`,
      state: 'new',
      leads: true,
      changed: ['TF-1-150'],
      added: [],
      gone: [],
    });
    expect(await preview(sheets('ZF2', '1', '2026-01'))).toMatchObject({ state: 'there', changed: [] });
    expect(await preview(sheets('ZF2', '1', '2026-01', 99))).toMatchObject({ state: 'clash' });
    expect(await preview(sheets('ZF2', '0', '2020-01'))).toMatchObject({ state: 'new', leads: false });
    expect(await preview(sheets('ZF3', '1', '2026-01'))).toMatchObject({
      before: null,
      // 8 frames, 9 modules, a lubricant.
      parts: 18,
    });
    expect(await there('ZF3')).toEqual([]);
  });
});
