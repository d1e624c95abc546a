import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsQR from 'jsqr';
import { cardFor, PRINTED } from '../testing/plans';
import { cutCardPdf } from './cut-card';
import { labelSheetPdf } from './labels';
import { workPackPdf } from './work-pack';

const folder = mkdtempSync(join(tmpdir(), 'amber-collar-pack-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function saved(name: string, bytes: Uint8Array): string {
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, bytes);
  return path;
}
const textOf = (path: string) => execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
const flat = (text: string) => text.replace(/\s+/g, ' ');

describe('a card with a compound', () => {
  const card = cardFor('WC4-25', 'roundWire');

  it('says how much, which packs, both tables, and leaves room for batch and time', async () => {
    const text = flat(textOf(saved('sealed', await cutCardPdf(card))));
    const { seal } = card.plan;
    if (!seal) throw new Error('not sealed');
    for (const words of [
      `Compound: resin QR-7, ${seal.needMl} mL`,
      `${seal.packs.packs[0]?.count} × ${seal.packs.packs[0]?.part}`,
      '35 °C 8',
      '5 °C 720',
      'Batch ____',
      'the hardener sensitises',
    ])
      expect(text).toContain(words);
  });

  it('lists every step with its number, and hold points as such', async () => {
    const text = flat(textOf(saved('steps', await cutCardPdf(card))));
    card.steps.forEach((s, i) => expect(text).toContain(`${i + 1}. ${s.title}`));
    expect((text.match(/HOLD POINT/g) ?? []).length).toBe(
      card.steps.filter((s) => s.kind === 'hold' || s.kind === 'look' || s.kind === 'cure').length,
    );
  });

  it('prints the second cut of a sealing fitting from the hub, not from the cable end', async () => {
    const fitting = cardFor('SF7-125', 'interlocked');
    const second = fitting.plan.cut?.marks.find((m) => m.id === 'secondInner');
    const text = textOf(saved('hub', await cutCardPdf(fitting)));
    expect(text).toMatch(new RegExp(`Second inner cut[^\\n]*\\s${second?.fromDatumMm}\\s`));
    expect(flat(text)).toContain('From the hub’s edge, with the fitting on');
  });

  it('fits on Letter as well', async () => {
    const path = saved('letter', await cutCardPdf(card, 'LETTER'));
    const info = execFileSync('pdfinfo', [path], { encoding: 'utf8' });
    expect(info).toMatch(/Page size:\s+612 x 792/);
    expect(textOf(path)).toContain(card.hash);
  });
});

describe('a work pack', () => {
  it('holds every card, one after the other, and tells how far it is', async () => {
    const cards = [
      cardFor('RW2-25', 'roundWire', { tag: 'K-1/A' }),
      cardFor('UN1-20', 'none', { tag: 'K-2/B' }),
    ];
    const progress: number[] = [];
    const bytes = await workPackPdf(cards, {
      title: 'Pack',
      printed: PRINTED,
      paper: 'A4',
      onProgress: (done, of) => progress.push(done / of),
    });
    if (bytes === null) throw new Error('cancelled');
    const text = textOf(saved('pack', bytes));
    expect(text.indexOf('K-1/A')).toBeLessThan(text.indexOf('K-2/B'));
    for (const card of cards) expect(text).toContain(card.hash);
    expect(progress).toEqual([0.5, 1]);
  });

  it('stops where it is cancelled and gives nothing', async () => {
    let asked = 0;
    const drawn: number[] = [];
    const bytes = await workPackPdf([cardFor('RW2-25', 'roundWire'), cardFor('RW2-25', 'roundWire')], {
      title: 'Pack',
      printed: PRINTED,
      paper: 'A4',
      cancelled: () => (asked += 1) > 1,
      onProgress: (done) => drawn.push(done),
    });
    expect(bytes).toBeNull();
    expect(drawn).toEqual([1]);
  });
});

describe('labels', () => {
  /** A grey page as the RGBA that the reader takes. */
  function pixels(pgm: Buffer) {
    const header = /^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/.exec(pgm.subarray(0, 40).toString('latin1'));
    if (!header) throw new Error('not a PGM');
    const [width, height] = [Number(header[1]), Number(header[2])];
    const grey = pgm.subarray(header[0].length);
    const rgba = new Uint8ClampedArray(width * height * 4);
    for (let i = 0; i < width * height; i += 1) {
      rgba.fill(grey[i] ?? 255, i * 4, i * 4 + 3);
      rgba[i * 4 + 3] = 255;
    }
    return { rgba, width, height };
  }

  it('prints a code that a reader finds on the rendered page, and the tag in words', async () => {
    const address = 'http://127.0.0.1:3210/job/quillmere/t/K-104/B/prove';
    const label = { tag: 'K-104/B', size: 'RW2-32', place: 'SP-2, entry E1', address };
    const path = saved('label', await labelSheetPdf([label], PRINTED));
    expect(textOf(path)).toContain('K-104/B');
    execFileSync('pdftoppm', ['-gray', '-r', '150', path, join(folder, 'label')]);
    const page = readdirSync(folder).find((f) => f.startsWith('label') && f.endsWith('.pgm'));
    const { rgba, width, height } = pixels(readFileSync(join(folder, page ?? '')));
    expect(jsQR(rgba, width, height)?.data).toBe(address);
  });

  it('goes on to further pages and breaks no tag', async () => {
    const labels = Array.from({ length: 30 }, (_, i) => ({
      tag: `CABLE-WITH-A-LONG-TAG-${100 + i}/A`,
      size: 'RW2-32',
      place: 'A box with quite a long name (BX-1), entry E1',
      address: `http://127.0.0.1/${i}`,
    }));
    const path = saved('many', await labelSheetPdf(labels, PRINTED, 'LETTER'));
    expect(Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' }))?.[1])).toBe(2);
    expect((textOf(path).match(/entry E1/g) ?? []).length).toBe(30);
  });
});
