import type { Drawing } from '@/core/kernel';
import { drawCode } from './code';
import { collecting, MM, newDocument } from './document';
import { drawDrawing } from './draw';
import { heightOf, rule, sheetOf, text, type Doc, type Paper, type Sheet } from './sheet';

export interface DossierEvent {
  readonly seq: number;
  readonly title: string;
  readonly lines: readonly string[];
  readonly actor: string;
  /** ISO 8601, by the server. */
  readonly receivedAt: string;
  readonly hash: string;
  /** JPEG; null where a photo that is named is not there or is another one. */
  readonly photos: readonly { readonly hash: string; readonly bytes: Uint8Array | null }[];
}

/** One end or crossing, as an auditor reads it. */
export interface DossierPart {
  readonly name: string;
  readonly title: string;
  readonly facts: readonly (readonly [string, string])[];
  readonly drawing: Drawing | null;
  /** Null where nothing is measured. */
  readonly readings:
    readonly (readonly [what: string, read: string, withWhat: string, who: string, when: string])[] | null;
  readonly events: readonly DossierEvent[];
  /** What does not hold, in words; empty when all holds. */
  readonly faults: readonly string[];
  /** Where its record is found. */
  readonly address: string;
}

export interface DossierHead {
  readonly title: string;
  readonly jobName: string;
  /** Where the job's record ends, as a short code; null before its first entry. */
  readonly record: string | null;
  /** The key that signs the record. */
  readonly key: string;
  readonly printed: Date;
  readonly paper: Paper;
}

interface Progress {
  readonly onProgress?: (done: number, of: number) => void;
  readonly cancelled?: () => boolean;
}

/** Where the next line stands, on a page that is added when the last one is full. */
class Flow {
  y: number;
  constructor(
    readonly doc: Doc,
    readonly sheet: Sheet,
    private readonly head: DossierHead,
    private readonly name: string,
  ) {
    this.y = 0;
    this.page();
  }

  page(): void {
    const { doc, sheet, head } = this;
    doc.addPage({ size: sheet.paper, margin: 0 });
    const foot = `${this.name} · ${head.jobName} · record ${head.record ?? 'not begun'} · key ${head.key} · printed ${head.printed.toISOString().slice(0, 16).replace('T', ' ')} UTC`;
    text(doc, sheet, foot, sheet.left, sheet.footerTop + 8 * MM, { size: 7.5 });
    this.y = 14 * MM;
  }

  /** A new page where so much does not fit on this one. */
  room(height: number): void {
    if (this.y + height > this.sheet.footerTop) this.page();
  }

  line(value: string, size: number, bold = false, indentMm = 0): void {
    const x = this.sheet.left + indentMm * MM;
    const width = this.sheet.right - x;
    this.room(heightOf(this.doc, value, size, width, bold));
    this.y = text(this.doc, this.sheet, value, x, this.y, { size, bold, width }) + 0.5 * MM;
  }

  heading(value: string): void {
    this.room(14 * MM);
    this.y += 3 * MM;
    rule(this.doc, this.sheet, this.y);
    this.y += 1.5 * MM;
    this.line(value, 12, true);
  }
}

const CODE_MM = 28;

/** Draws one end or crossing onto pages of its own. */
export function drawDossierPart(doc: Doc, sheet: Sheet, head: DossierHead, part: DossierPart): void {
  const flow = new Flow(doc, sheet, head, part.name);
  drawCode(
    doc,
    head.record === null ? part.address : `${part.address}#${head.record.replace(' · ', '-')}`,
    sheet.right - CODE_MM * MM,
    12 * MM,
    CODE_MM * MM,
  );
  const width = sheet.width - (CODE_MM + 4) * MM;
  flow.y = text(doc, sheet, part.name, sheet.left, flow.y, { size: 26, bold: true, width });
  flow.y = text(doc, sheet, part.title, sheet.left, flow.y + 1 * MM, { size: 11, bold: true, width });
  for (const [what, value] of part.facts)
    flow.y = text(doc, sheet, `${what}: ${value}`, sheet.left, flow.y + 0.6 * MM, { size: 9.5, width });
  flow.y = Math.max(flow.y, (12 + CODE_MM) * MM) + 2 * MM;
  faults(flow, part.faults);
  picture(flow, part.drawing);
  readings(flow, part.readings);
  flow.heading(part.events.length === 0 ? 'Nothing is recorded' : `Record: ${part.events.length} events`);
  for (const event of part.events) drawEvent(flow, event);
}

function faults(flow: Flow, lines: readonly string[]): void {
  if (lines.length === 0) return;
  flow.line('THIS RECORD DOES NOT HOLD. No signature in it counts.', 11, true);
  for (const line of lines) flow.line(line, 9.5, true, 3);
}

const DRAWING_MM = 62;

function picture(flow: Flow, drawing: Drawing | null): void {
  if (drawing === null) return;
  const { doc, sheet } = flow;
  const scale = Math.min(sheet.width / drawing.width, (DRAWING_MM * MM) / drawing.height);
  flow.room(drawing.height * scale);
  drawDrawing(doc, drawing, sheet.left + (sheet.width - drawing.width * scale) / 2, flow.y, scale);
  flow.y += drawing.height * scale + 2 * MM;
}

function readings(flow: Flow, rows: DossierPart['readings']): void {
  if (rows === null) return;
  flow.heading(rows.length === 0 ? 'No readings' : 'Readings that stand');
  for (const [what, read, withWhat, who, when] of rows)
    flow.line(`${what}: ${read}, with ${withWhat}, by ${who}, ${when}`, 9);
}

const PHOTO_MM = 54;

function drawEvent(flow: Flow, event: DossierEvent): void {
  flow.room(12 * MM);
  flow.line(`${event.seq}. ${event.title}`, 10, true);
  flow.line(
    `${event.actor}, ${event.receivedAt.slice(0, 19).replace('T', ' ')} UTC, ${event.hash.slice(0, 16)}`,
    8,
    false,
    5,
  );
  for (const line of event.lines) flow.line(line, 9, false, 5);
  drawPhotos(flow, event.photos);
  flow.y += 1.2 * MM;
}

function drawPhotos(flow: Flow, photos: DossierEvent['photos']): void {
  const { doc, sheet } = flow;
  for (let i = 0; i < photos.length; i += 3) {
    const height = PHOTO_MM * 0.75 * MM;
    flow.room(height + 6 * MM);
    photos.slice(i, i + 3).forEach(({ hash, bytes }, k) => {
      const x = sheet.left + (5 + k * (PHOTO_MM + 3)) * MM;
      if (bytes === null)
        text(doc, sheet, `PHOTO MISSING OR CHANGED: ${hash.slice(0, 12)}`, x, flow.y + 4, {
          size: 9,
          bold: true,
          width: PHOTO_MM * MM,
        });
      else {
        doc.image(Buffer.from(bytes), x, flow.y, { fit: [PHOTO_MM * MM, height] });
        text(doc, sheet, hash.slice(0, 12), x, flow.y + height + 1, { size: 7, width: PHOTO_MM * MM });
      }
    });
    flow.y += height + 5 * MM;
  }
}

/**
 * A dossier: each part on pages of its own. Parts are asked for one after the other, so that no more than one is held; the event loop has its
 * turn between them. Null when it was cancelled.
 */
export async function dossierPdf(
  head: DossierHead,
  count: number,
  parts: AsyncIterable<DossierPart>,
  { onProgress, cancelled }: Progress = {},
): Promise<Uint8Array<ArrayBuffer> | null> {
  const doc = newDocument(head.title, head.printed, head.paper);
  const sheet = sheetOf(head.paper);
  const bytes = collecting(doc);
  let done = 0;
  for await (const part of parts) {
    if (cancelled?.() === true) {
      await bytes.finish();
      return null;
    }
    drawDossierPart(doc, sheet, head, part);
    done += 1;
    onProgress?.(done, count);
    await new Promise((resolve) => setImmediate(resolve));
  }
  return bytes.finish();
}
