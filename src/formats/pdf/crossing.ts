import { faceDrawing, fillOf, type Side } from '@/core/crossing';
import { eachOpening, gapWords, leftToRight, peelWords } from '@/core/frame-building';
import { frameParts, type FramePlan, type FrameRequest } from '@/core/frame-packing';
import { trimNumber } from '@/core/units';
import { collect, MM, newDocument } from './document';
import { drawDrawing } from './draw';
import { builtWords, crossingHead, standsLines, type CrossingHead } from './crossing-head';
import { caution, sheetOf, text, type Doc, type Paper, type Sheet } from './sheet';

export interface CrossingPrint extends CrossingHead {
  readonly request: FrameRequest;
  readonly plan: FramePlan;
}

const CAUTIONS = [
  'The wall’s fire, gas and water rating, and a seal approved for it, come first: this sheet does not grant them.',
  'The product’s own instruction sheet leads. Torque before the stop is not closed.',
  'Moving a cable may move a joint: isolate, lock and prove dead what is moved.',
];

/** Face views from both sides, rows in building order with the peel table, parts. */
export function crossingPdf(print: CrossingPrint, paper: Paper = 'A4'): Promise<Uint8Array<ArrayBuffer>> {
  const doc = newDocument(`Crossing ${print.name}`, print.printed, paper);
  const sheet = sheetOf(paper);
  for (const side of ['front', 'back'] as const) facePage(doc, sheet, print, side);
  rowPages(doc, sheet, print);
  return collect(doc);
}

const head = (doc: Doc, sheet: Sheet, print: CrossingPrint, title: string): number =>
  crossingHead(doc, sheet, print, title);

function facePage(doc: Doc, sheet: Sheet, print: CrossingPrint, side: Side): void {
  const top = head(doc, sheet, print, `seen from the ${side}`);
  const drawing = faceDrawing(print.request, print.plan, { side, legend: true });
  const room = (sheet.footerTop - top - 34 * MM) / drawing.height;
  const scale = Math.min(sheet.width / drawing.width, room, 1.6 * MM);
  drawDrawing(doc, drawing, sheet.left, top, scale);
  let y = top + drawing.height * scale + 4 * MM;
  y = text(
    doc,
    sheet,
    `Scale 1 : ${trimNumber(MM / scale, 1)}. Circles are the middle of the measured interval.`,
    sheet.left,
    y,
    { size: 8 },
  );
  const fill = fillOf(print.request.modules, print.plan);
  y = text(
    doc,
    sheet,
    fill.bySize
      .map(
        (s) => `${trimNumber(s.size, 1)} mm${s.corner ? ' corner' : ''}: ${s.taken} taken, ${s.spare} spare`,
      )
      .join('   '),
    sheet.left,
    y + 1 * MM,
    { size: 8 },
  );
  y = text(doc, sheet, builtWords(print), sheet.left, y + 1 * MM, { size: 8 });
  y += 2 * MM;
  for (const line of [...standsLines(print), ...CAUTIONS])
    y = caution(doc, sheet, line, sheet.left, y, sheet.width);
}

function rowPages(doc: Doc, sheet: Sheet, print: CrossingPrint): void {
  let y = head(doc, sheet, print, 'rows in building order');
  const ensure = (need: number): void => {
    if (y + need > sheet.footerTop) y = head(doc, sheet, print, 'rows in building order');
  };
  eachOpening(print.request, print.plan, (spec, opening, { name }) => {
    ensure(18 * MM);
    y = text(
      doc,
      sheet,
      `Opening ${name}: press unit ${opening.press}, room ${trimNumber(opening.closure, 2)} mm${opening.fillers.length > 0 ? `, fillers ${opening.fillers.join(', ')} mm` : ''}`,
      sheet.left,
      y + 2 * MM,
      { size: 11, bold: true },
    );
    opening.rows.forEach((row, r) => {
      const places = leftToRight(row.places);
      ensure(12 * MM);
      y = text(doc, sheet, `Row ${r + 1}, ${trimNumber(row.height, 2)} mm`, sheet.left, y + 1.5 * MM, {
        size: 9.5,
        bold: true,
      });
      for (const place of places.filter((p) => p.cable !== undefined)) {
        ensure(6 * MM);
        const line = y;
        text(
          doc,
          sheet,
          `x ${trimNumber(place.x, 1)}  y ${trimNumber(place.y, 1)}`,
          sheet.left + 4 * MM,
          line,
          { size: 8.5, width: 34 * MM },
        );
        text(doc, sheet, place.module, sheet.left + 38 * MM, line, { size: 8.5, width: 22 * MM });
        text(doc, sheet, place.cable ?? '', sheet.left + 60 * MM, line, {
          size: 8.5,
          bold: true,
          width: 34 * MM,
        });
        text(doc, sheet, `peel ${peelWords(place)}`, sheet.left + 94 * MM, line, {
          size: 8.5,
          width: 26 * MM,
        });
        y = text(
          doc,
          sheet,
          `gap ${gapWords(place)}${place.remeasure ? '  measure again' : ''}`,
          sheet.left + 120 * MM,
          line,
          { size: 8.5 },
        );
      }
      const spares = new Map<string, number>();
      for (const p of places)
        if (p.cable === undefined) spares.set(p.module, (spares.get(p.module) ?? 0) + 1);
      if (spares.size > 0) {
        ensure(6 * MM);
        y = text(
          doc,
          sheet,
          `spare: ${[...spares].map(([id, n]) => `${n} × ${id}`).join(', ')}`,
          sheet.left + 4 * MM,
          y,
          { size: 8.5 },
        );
      }
    });
  });
  ensure(40 * MM);
  y = text(doc, sheet, 'Parts', sheet.left, y + 4 * MM, { size: 11, bold: true });
  for (const part of frameParts(print.request, print.plan)) {
    ensure(6 * MM);
    y = text(
      doc,
      sheet,
      `${part.quantity} ${part.unit === 'ml' ? 'mL' : '×'}  ${part.what} ${part.id}`,
      sheet.left + 4 * MM,
      y,
      { size: 8.5 },
    );
  }
}
