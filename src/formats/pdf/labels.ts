import { drawCode } from './code';
import { collect, MM, newDocument } from './document';
import { heightOf, sheetOf, text, type Doc, type Paper, type Sheet } from './sheet';

export interface Label {
  readonly tag: string;
  readonly size: string;
  readonly place: string;
  /** Where the record of this termination is found. */
  readonly address: string;
}

const COLUMNS = 3;
const HEIGHT_MM = 34;
const CODE_MM = 26;

/** A sheet of labels, each with its tag in large type and a code that leads to the record. */
export async function labelSheetPdf(labels: readonly Label[], printed: Date, paper: Paper = 'A4') {
  const doc = newDocument('Labels', printed, paper);
  const sheet = sheetOf(paper);
  const rows = Math.floor((sheet.bottom - 12 * MM) / (HEIGHT_MM * MM));
  labels.forEach((label, i) => {
    const at = i % (COLUMNS * rows);
    if (at === 0) doc.addPage({ size: paper, margin: 0 });
    drawLabel(doc, sheet, label, at % COLUMNS, Math.floor(at / COLUMNS));
  });
  if (labels.length === 0) doc.addPage({ size: paper, margin: 0 });
  return collect(doc);
}

function drawLabel(doc: Doc, sheet: Sheet, label: Label, column: number, row: number): void {
  const width = sheet.width / COLUMNS;
  const x = sheet.left + column * width;
  const y = 12 * MM + row * HEIGHT_MM * MM;
  doc
    .rect(x, y, width, HEIGHT_MM * MM)
    .lineWidth(0.4)
    .dash(2, { space: 2 })
    .stroke('#888888');
  doc.undash();
  drawCode(doc, label.address, x + 3 * MM, y + 4 * MM, CODE_MM * MM);
  const left = x + (CODE_MM + 5) * MM;
  const room = width - (CODE_MM + 7) * MM;
  // A long tag is set smaller rather than broken.
  const size = [15, 12, 10, 8].find((s) => heightOf(doc, label.tag, s, room, true) < s * 1.8) ?? 8;
  const below = text(doc, sheet, label.tag, left, y + 5 * MM, { size, bold: true, width: room });
  text(doc, sheet, `${label.size}\n${label.place}`, left, below + 1 * MM, { size: 7.5, width: room });
}
