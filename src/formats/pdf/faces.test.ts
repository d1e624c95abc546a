import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { collect, newDocument } from './document';
import { runsOf } from './faces';
import { heightOf, sheetOf, text } from './sheet';

/** What another program reads out of a page with these lines. */
async function readBack(lines: readonly string[]): Promise<string> {
  const doc = newDocument('faces', new Date(0));
  const sheet = sheetOf('A4');
  doc.addPage();
  lines.reduce((y, line) => text(doc, sheet, line, sheet.left, y, { size: 11, width: 300 }), sheet.left);
  const folder = mkdtempSync(join(tmpdir(), 'amber-collar-faces-'));
  const file = join(folder, 'page.pdf');
  writeFileSync(file, await collect(doc));
  const read = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  rmSync(folder, { recursive: true });
  return read;
}

it.each([
  ['ohms', '399 MΩ after sealing, 12 mΩ'],
  ['Polish', 'Łódź, Żółć'],
  ['Greek', 'Ωμέγα'],
  ['Cyrillic', 'Щит управления'],
  ['plain', 'Motor control centre 1 · 4 × 16 mm²'],
])('prints %s so that another program reads it', async (_, words) => {
  expect(await readBack([words])).toContain(words);
});

it('writes in other characters what no face has, and shows what nobody can write', async () => {
  const read = await readBack(['32 → 40, 3⅜ in, ≥ 100', 'box 漢']);
  expect(read).toContain('32 -> 40, 3 3/8 in, >= 100');
  expect(read).toContain('box ?');
});

it('breaks a line of several faces within its width, and measures no less than it takes', async () => {
  const long = 'measured 900 MΩ with insulation tester IT-3, sealed by Łukasz Żółć; '.repeat(6);
  const doc = newDocument('faces', new Date(0));
  doc.addPage();
  expect(heightOf(doc, long, 11, 300)).toBeGreaterThan(60);
  const lines = (await readBack([long, 'under it'])).split('\n').filter((l) => l.trim() !== '');
  expect(lines.length).toBeGreaterThan(4);
  expect(lines.at(-1)).toContain('under it');
  expect(lines.slice(0, -1).join(' ')).not.toContain('under it');
});

it('takes our own face wherever it can', () => {
  expect(runsOf('K-160/A, 7.9 mm', 'bold')).toEqual([{ face: 'bold', text: 'K-160/A, 7.9 mm' }]);
  expect(runsOf('', 'regular')).toEqual([]);
});
