import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { judge } from '@/core/gland-selection';
import {
  generateSteps,
  planHash,
  planTermination,
  type PlanRequest,
  type TerminationPlan,
} from '@/core/procedure';
import { DEMO, demoSize, fitting, TERMINATION } from '@/core/testing';
import { cutCardPdf } from './cut-card';

const [family, size] = demoSize('RW2-32');
const plan = planTermination(
  { tag: 'K-104/B', input: TERMINATION, routeMm: 240, spareMm: 30, unit: 'mm' },
  judge(TERMINATION, family, size, DEMO),
);
const printed = new Date('2026-11-10T08:00:00.000Z');
const card = (change: Partial<Parameters<typeof cutCardPdf>[0]> = {}, paper?: 'A4' | 'LETTER') =>
  cutCardPdf(
    {
      plan,
      steps: generateSteps(plan, family),
      hash: planHash(plan),
      jobName: 'Quillmere',
      place: 'Still pump 2 (SP-2), entry E1',
      cable: 'K-104: 4-core',
      stale: false,
      broken: false,
      signedBy: null,
      record: '42 · 7f3a-9c21',
      printed,
      ...change,
    },
    paper,
  );

const folder = mkdtempSync(join(tmpdir(), 'amber-collar-card-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function saved(name: string, change: Parameters<typeof card>[0] = {}): Promise<string> {
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, await card(change));
  return path;
}
const textOf = (path: string) => execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });

it('holds every mark in mm and inches, the slide-on list, the stages, cautions and the plan’s hash', async () => {
  const text = textOf(await saved('card'));
  for (const word of [
    'K-104/B',
    'RW2-32',
    '387',
    '15 1/4',
    '364',
    '302',
    'clamping ring, either way round',
    'Until metal meets metal',
    'Torque 60 N·m',
    'prove dead',
    planHash(plan),
  ]) {
    expect(text).toContain(word);
  }
});

it('draws the pin map of both halves of a joint, and says at which of them a step is done', async () => {
  const [inLine, half] = demoSize('JC6-25');
  const fits = fitting(inLine, half, 'none', false);
  const of = (tag: string, at: 'sockets' | 'pins', more: Partial<PlanRequest> = {}) => {
    const input = { ...fits, entry: { ...fits.entry, inLine: at } };
    const request = { tag, input, routeMm: null, spareMm: 30, unit: 'mm' as const, ...more };
    return planTermination(request, judge(input, inLine, half, DEMO));
  };
  const joined = of('K-156/B', 'sockets', { joint: { box: 'JL-1', mate: of('K-157/A', 'pins') } });
  const text = textOf(
    await saved('joint', { plan: joined, steps: generateSteps(joined, inLine), hash: planHash(joined) }),
  );
  for (const words of [
    'K-156/B: pin map',
    'This half has sockets',
    'K-157/A: pin map',
    'This half has pins',
    'pins, from behind',
    'K-157/A: Contacts crimped',
    'Rung through the joint',
  ])
    expect(text).toContain(words);
  expect(textOf(await saved('no-pins'))).not.toContain('pin map');
});

it('embeds its fonts', async () => {
  const fonts = execFileSync('pdffonts', [await saved('fonts')], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .slice(2);
  expect(fonts.length).toBe(2);
  for (const line of fonts) expect(line).toMatch(/Archivo.*\s(yes)\s+(yes|no)\s+(yes|no)\s/);
});

it('says on its face when it may not be cut by', async () => {
  expect(textOf(await saved('stale', { stale: true }))).toContain('Do not cut by this card');
  const provisional: TerminationPlan = { ...plan, provisional: ['outer sheath is a datasheet value'] };
  expect(textOf(await saved('provisional', { plan: provisional }))).toContain(
    'Nothing is cut before this is settled',
  );
  const refused: TerminationPlan = {
    ...plan,
    cut: null,
    cutRefusal: [{ path: 'routeMm', message: 'the way to the terminal is not known' }],
  };
  expect(textOf(await saved('refused', { plan: refused }))).toContain(
    'No marks: the way to the terminal is not known',
  );
});

it('is the same file for the same plan and time', async () => {
  expect(Buffer.from(await card()).equals(Buffer.from(await card()))).toBe(true);
});

/** Longest run of black in one line of a rendered page, in mm. */
function runsMm(pgm: Buffer, dpi: number): number[] {
  const header = /^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/.exec(pgm.subarray(0, 40).toString('latin1'));
  if (!header) throw new Error('not a PGM');
  const [width, height] = [Number(header[1]), Number(header[2])];
  const pixels = pgm.subarray(header[0].length);
  const runs: number[] = [];
  for (let y = 0; y < height; y += 1) {
    let run = 0;
    for (let x = 0; x <= width; x += 1) {
      if (x < width && (pixels[y * width + x] ?? 255) < 128) run += 1;
      else {
        if (run > 20) runs.push((run / dpi) * 25.4);
        run = 0;
      }
    }
  }
  return runs;
}

it.each(['A4', 'LETTER'] as const)(
  'prints the strip at 1:1 on %s: the check bars measure 50 mm and 2 in within 0.2 mm',
  async (paper) => {
    const dpi = 400;
    const path = join(folder, `strip-${paper}.pdf`);
    writeFileSync(path, await card({}, paper));
    const pages = textOf(path).split('\f');
    const at = pages.findIndex((p) => p.includes('marking strip at 1:1')) + 1;
    expect(at).toBeGreaterThan(1);
    const page = join(folder, `page-${paper}`);
    execFileSync('pdftoppm', [
      '-gray',
      '-singlefile',
      '-r',
      String(dpi),
      '-f',
      String(at),
      '-l',
      String(at),
      path,
      page,
    ]);
    const runs = runsMm(readFileSync(`${page}.pgm`), dpi);
    const count = (mm: number) => runs.filter((r) => Math.abs(r - mm) <= 0.2).length;
    // A bar is 2.4 mm high: about 38 lines of pixels.
    expect(count(50)).toBeGreaterThan(30);
    expect(count(50.8)).toBeGreaterThan(30);
  },
);

it.each(['RW2-16', 'RW2-63'])(
  'keeps its footer free on a full card of %s, and loses no caution',
  async (code) => {
    const big = family.sizes.find((s) => s.code === code);
    if (!big) throw new Error(code);
    const full = planTermination(
      { tag: 'K-104/B', input: TERMINATION, routeMm: 240, spareMm: 30, unit: 'mm' },
      judge(TERMINATION, family, big, DEMO),
    );
    const long = {
      ...full,
      cautions: [
        ...full.cautions,
        ...Array.from({ length: 12 }, (_, i) => `Caution number ${i + 1} of a sheet that has many of them`),
      ],
    };
    const path = await saved(`full-${code}`, { plan: long, stale: true });
    const words = execFileSync('pdftotext', ['-bbox', '-l', '1', path, '-'], { encoding: 'utf8' });
    const inFooter = [...words.matchAll(/yMin="([\d.]+)"[^>]*>([^<]*)</g)]
      .filter((m) => Number(m[1]) > (270 / 25.4) * 72)
      .map((m) => m[2]);
    expect(inFooter.slice(0, 5)).toEqual([
      'Fitter',
      'Inspector',
      'Date',
      'Plan',
      expect.stringMatching(/^[0-9a-f]{64}$/),
    ]);
    expect(textOf(path)).toContain('Caution number 12');
  },
);
