import { drawPlan, type TerminationPlan } from '@/core/procedure';
import { MM } from './document';
import { drawDrawing } from './draw';
import { text, type Doc, type Sheet } from './sheet';

/** The pin map on its four faces, on a page of its own; of a joint that of the other half too. Nothing where there is none. */
export function drawFaces(doc: Doc, sheet: Sheet, plan: TerminationPlan): void {
  const drawing = drawPlan(plan, 'faces', 560);
  if (drawing !== null) {
    doc.addPage({ size: sheet.paper, margin: 0 });
    const y = text(doc, sheet, `${plan.tag}: pin map, key on top`, sheet.left, 14 * MM, {
      size: 16,
      bold: true,
    });
    const half = plan.plugIn?.half;
    const held = half === undefined ? 'Look at what is in the hand' : `This half has ${half}`;
    const below = text(
      doc,
      sheet,
      `${held}: from the front where it mates, from behind where the cores come in. Earth first to make.`,
      sheet.left,
      y + 1 * MM,
      { size: 10, width: sheet.width },
    );
    drawDrawing(doc, drawing, sheet.left, below + 4 * MM, sheet.width / drawing.width);
  }
  if (plan.joint !== undefined) drawFaces(doc, sheet, plan.joint.other);
}
