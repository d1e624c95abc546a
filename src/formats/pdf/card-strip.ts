import { stripDrawings } from '@/core/cut-back';
import type { TerminationPlan } from '@/core/procedure';
import { MM } from './document';
import { drawDrawing } from './draw';
import { text, type Doc, type Sheet } from './sheet';

const PER_PAGE = 3;

/** The marking strip at 1:1, tiled over pages on their side. Nothing where there are no marks. */
export function drawStrip(doc: Doc, sheet: Sheet, plan: TerminationPlan): void {
  if (!plan.cut) return;
  stripDrawings(plan.cut, plan.tag, sheet.pieceMm).forEach((piece, i) => {
    if (i % PER_PAGE === 0) {
      doc.addPage({ size: sheet.paper, layout: 'landscape', margin: 0 });
      text(
        doc,
        sheet,
        `${plan.tag}: marking strip at 1:1. Print at 100 %, check the bars with a rule, cut out, lay along the cable with 0 at its end.`,
        sheet.left,
        12 * MM,
        { size: 10, width: (sheet.pieceMm + 8) * MM },
      );
    }
    drawDrawing(doc, piece, sheet.left, (24 + (i % PER_PAGE) * 58) * MM, MM);
  });
}
