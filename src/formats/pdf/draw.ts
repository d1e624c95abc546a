import type { Drawing, DrawingItem, Point, Role } from '@/core/kernel';
import { runsOf } from './faces';

type Doc = PDFKit.PDFDocument;

/** Greys and patterns only: the card must be readable when it has been photocopied. */
const GREY: Readonly<Record<Role, string>> = {
  outerSheath: '#3a3a3a',
  armour: '#e2e2e2',
  innerSheath: '#a8a8a8',
  core0: '#6a6a6a',
  core1: '#b4b4b4',
  core2: '#303030',
  core3: '#dedede',
  conductor: '#ffffff',
  body: '#f2f2f2',
  metal: '#c4c4c4',
  seal: '#8c8c8c',
  compound: '#d4d4d4',
  wall: '#ececec',
  dimension: '#000000',
  mark: '#000000',
  guide: '#555555',
  ground: '#ffffff',
  label: '#000000',
};

/** Draws a display list of the core at a place and scale (points per drawing unit). */
export function drawDrawing(doc: Doc, drawing: Drawing, x: number, y: number, scale: number): void {
  doc.save();
  doc.translate(x, y).scale(scale);
  for (const item of drawing.items) drawItem(doc, item);
  doc.restore();
}

function path(doc: Doc, points: readonly Point[], closed: boolean): void {
  points.forEach((p, i) => (i === 0 ? doc.moveTo(p.x, p.y) : doc.lineTo(p.x, p.y)));
  if (closed) doc.closePath();
}

function drawItem(doc: Doc, item: DrawingItem): void {
  switch (item.kind) {
    case 'polygon':
      path(doc, item.points, true);
      if (item.bare) doc.fill(GREY[item.role]);
      else doc.lineWidth(0.7).fillAndStroke(GREY[item.role], '#000000');
      if (item.pattern !== undefined && item.pattern !== 'solid' && item.pattern !== 'plain')
        hatch(doc, item.points, item.pattern);
      return;
    case 'polyline':
      path(doc, item.points, false);
      doc.lineWidth(item.strokeWidth ?? 1);
      if (item.dashed) doc.dash(4, { space: 3 });
      doc.stroke(GREY[item.role]);
      doc.undash();
      return;
    case 'text': {
      doc.fontSize(item.size).fillColor('#000000');
      const runs = runsOf(item.text, item.weight === 600 ? 'bold' : 'regular').map((run) => ({
        ...run,
        width: doc.font(run.face).widthOfString(run.text),
      }));
      const width = runs.reduce((sum, run) => sum + run.width, 0);
      const left =
        item.anchor === 'middle'
          ? item.at.x - width / 2
          : item.anchor === 'end'
            ? item.at.x - width
            : item.at.x;
      // A name keeps its own white, so that no leader runs through its letters.
      if (item.role === 'label')
        doc.rect(left - 1, item.at.y - item.size * 0.85, width + 2, item.size * 1.1).fill('#ffffff');
      doc.fillColor('#000000');
      let at = left;
      for (const { face, text, width: own } of runs) {
        doc.font(face).text(text, at, item.at.y, { baseline: 'alphabetic', lineBreak: false });
        at += own;
      }
      return;
    }
  }
}

/** Slanting lines inside a shape; the second way for braid; dots in rows. */
function hatch(doc: Doc, points: readonly Point[], pattern: string): void {
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [x1, x2, y1, y2] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const height = y2 - y1;
  const lean = height * 0.5;
  const step = pattern === 'tape' ? 12 : 6;
  doc.save();
  path(doc, points, true);
  doc.clip();
  if (pattern === 'dots') {
    for (let y = y1 + 2; y < y2; y += 4) for (let x = x1 + 2; x < x2; x += 4) doc.circle(x, y, 0.8);
    doc.fill('#444444');
    doc.restore();
    return;
  }
  for (let x = x1 - lean; x < x2 + lean; x += step) {
    if (pattern === 'rings') doc.moveTo(x, y2).lineTo(x, y1);
    else doc.moveTo(x, y2).lineTo(x + lean, y1);
    if (pattern === 'braid') doc.moveTo(x, y1).lineTo(x + lean, y2);
  }
  doc.lineWidth(0.9).stroke('#444444');
  doc.restore();
}
