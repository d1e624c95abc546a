import { MM } from './document';
import { measured, runsOf } from './faces';

export type Doc = PDFKit.PDFDocument;

export const PAPERS = ['A4', 'LETTER'] as const;
export type Paper = (typeof PAPERS)[number];

/** Where things may stand on a page, in points. */
export interface Sheet {
  readonly paper: Paper;
  readonly left: number;
  readonly right: number;
  readonly width: number;
  /** Nothing but the footer stands below this. */
  readonly footerTop: number;
  readonly bottom: number;
  /** Longest piece of a 1:1 strip that fits across the page turned on its side, mm. */
  readonly pieceMm: number;
}

const SIZES_MM: Readonly<Record<Paper, readonly [number, number]>> = {
  A4: [210, 297],
  LETTER: [215.9, 279.4],
};
const MARGIN_MM = 16;

export function sheetOf(paper: Paper): Sheet {
  const [w, h] = SIZES_MM[paper];
  return {
    paper,
    left: MARGIN_MM * MM,
    right: (w - MARGIN_MM) * MM,
    width: (w - 2 * MARGIN_MM) * MM,
    footerTop: (h - 27) * MM,
    bottom: (h - 16) * MM,
    pieceMm: Math.floor((h - 2 * MARGIN_MM - 10) / 10) * 10,
  };
}

export interface TextOptions {
  /** Of the letters, in points. */
  readonly size: number;
  readonly bold?: boolean;
  readonly width?: number;
  readonly align?: 'left' | 'right';
}

/** Writes text at a place and returns where it ends below. */
export function text(
  doc: Doc,
  sheet: Sheet,
  value: string,
  x: number,
  y: number,
  options: TextOptions,
): number {
  const weight = options.bold ? 'bold' : 'regular';
  const width = options.width ?? sheet.right - x;
  const align = options.align ?? 'left';
  doc.fontSize(options.size).fillColor('#000000');
  const runs = runsOf(value, weight);
  const [only] = runs;
  if (runs.length < 2) {
    doc.font(only?.face ?? weight).text(only?.text ?? '', x, y, { width, align, lineGap: 1 });
    return y + doc.heightOfString(only?.text ?? '', { width, lineGap: 1 });
  }
  runs.forEach(({ face, text: run }, i) => {
    const how = { width, align, lineGap: 1, continued: i < runs.length - 1 };
    doc.font(face);
    if (i === 0) doc.text(run, x, y, how);
    else doc.text(run, how);
  });
  return y + heightOf(doc, value, options.size, width, options.bold);
}

export function heightOf(doc: Doc, value: string, size: number, width: number, bold = false): number {
  const weight = bold ? 'bold' : 'regular';
  doc.font(weight).fontSize(size);
  return doc.heightOfString(measured(value, weight), { width, lineGap: 1 });
}

export function rule(doc: Doc, sheet: Sheet, y: number, weight = 1): void {
  doc.moveTo(sheet.left, y).lineTo(sheet.right, y).lineWidth(weight).stroke('#000000');
}

/** One caution with its bar. Returns where it ends below. */
export function caution(doc: Doc, sheet: Sheet, line: string, x: number, y: number, width: number): number {
  doc.rect(x, y + 1, 2, 8).fill('#000000');
  return text(doc, sheet, line, x + 4 * MM, y, { size: 8.5, width: width - 4 * MM }) + 1 * MM;
}

/** A place for initials. */
export function box(doc: Doc, x: number, y: number, sizeMm = 4): void {
  doc
    .rect(x, y, sizeMm * MM, sizeMm * MM)
    .lineWidth(0.8)
    .stroke('#000000');
}
