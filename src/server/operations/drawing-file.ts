import { ok, refuse, type Result } from '@/core/kernel';
import { drawPlan, PLAN_DRAWINGS } from '@/core/procedure';
import { database } from '@/data';
import { drawingDxf } from '@/formats/dxf/write';
import { drawingSvg } from '@/formats/svg/write';
import { guarded } from '../guard';
import { assessOne } from './load';
import type { TerminationRef } from '@/core/record';

export interface DrawingFile {
  readonly name: string;
  readonly type: string;
  readonly text: string;
}

/** Drawing units across; to scale, a unit is whatever part of a millimetre the cable needs. */
const WIDTH = 800;

/** A drawing of a planned termination by the name of its file: `stripped.svg`, `on-the-cable.dxf`, `closed.svg`. */
export function drawingFile(ref: TerminationRef, file: string): Promise<Result<DrawingFile>> {
  return guarded<DrawingFile>(async () => {
    const [which, format] = file.split('.');
    const known = PLAN_DRAWINGS.find((d) => d === which);
    if (!known || (format !== 'svg' && format !== 'dxf'))
      return refuse('file', `must be one of ${PLAN_DRAWINGS.join(', ')} with .svg or .dxf`, file);
    const found = await assessOne(database(), ref);
    if (!found.ok) return found;
    const { plan, tag } = found.value.assessment;
    if (!plan) return refuse('plan', 'choose a gland first: there is nothing to draw yet');
    const drawing = drawPlan(plan.plan, known, WIDTH);
    if (!drawing) return refuse('plan', 'this plan has no such drawing: its cut was refused');
    return ok({
      name: `${tag.replace(/[^\w-]/g, '-')}-${known}.${format}`,
      type: format === 'svg' ? 'image/svg+xml; charset=utf-8' : 'application/dxf',
      text: format === 'svg' ? drawingSvg(drawing) : drawingDxf(drawing),
    });
  });
}
