import { replay, type CrossingRef } from '@/core/record';
import { fail, ok, refuse, type Result } from '@/core/kernel';
import { faceDrawing, PLACE_COLUMNS, placeRows, readPlaces, type PlacesPreview } from '@/core/crossing';
import { checkBuiltFrames } from '@/core/frame-packing';
import { readCsv } from '@/formats/csv/read';
import { writeCsv } from '@/formats/csv/write';
import { drawingDxf } from '@/formats/dxf/write';
import { crossingPdf } from '@/formats/pdf/crossing';
import { drawingSvg } from '@/formats/svg/write';
import { viewCrossing } from './crossing';
import { recordCodeOf } from './job-record';

export interface CrossingFile {
  readonly name: string;
  readonly type: string;
  readonly body: string | Uint8Array<ArrayBuffer>;
}

export const CROSSING_FILES = [
  'front.svg',
  'back.svg',
  'front.dxf',
  'back.dxf',
  'places.csv',
  'crossing.pdf',
] as const;

/** A file of the plan in force, by its name. */
export async function crossingFile(ref: CrossingRef, file: string, now: Date): Promise<Result<CrossingFile>> {
  if (!CROSSING_FILES.some((f) => f === file))
    return refuse('file', `must be one of ${CROSSING_FILES.join(', ')}`, file);
  const view = await viewCrossing(ref);
  if (!view.ok) return view;
  const [inForce] = view.value.plans;
  if (!inForce) return refuse('plan', 'this crossing is not planned yet: there is nothing to draw');
  const { request, plan, planHash } = inForce;
  const name = `${ref.crossing.replace(/[^\w-]/g, '-')}-${file}`;
  const [side = '', format] = file.split('.');
  if (format === 'pdf') {
    const { setup, asked } = view.value;
    const body = await crossingPdf({
      name: ref.crossing,
      place: setup.place,
      rating: setup.rating,
      provisional: asked.provisional,
      planHash,
      request,
      plan,
      printed: now,
      record: await recordCodeOf(ref.job),
      signedBy: replay(view.value.steps, view.value.acts).signedBy,
      faults: view.value.faults,
    });
    return ok({ name, type: 'application/pdf', body });
  }
  if (format === 'csv')
    return ok({
      name,
      type: 'text/csv; charset=utf-8',
      body: writeCsv([...PLACE_COLUMNS], placeRows(plan)),
    });
  const drawing = faceDrawing(request, plan, { side: side === 'back' ? 'back' : 'front', legend: true });
  return format === 'svg'
    ? ok({ name, type: 'image/svg+xml; charset=utf-8', body: drawingSvg(drawing) })
    : ok({ name, type: 'application/dxf', body: drawingDxf(drawing) });
}

/** A table of places as somebody built or found them: read, and judged against today's cables. Nothing is stored. */
export async function previewPlaces(ref: CrossingRef, text: string): Promise<Result<PlacesPreview>> {
  const view = await viewCrossing(ref);
  if (!view.ok) return view;
  const table = readCsv(new TextEncoder().encode(text));
  if (!table.ok) return table;
  const { request } = view.value.asked;
  const read = readPlaces(request, table.value.columns, table.value.rows);
  if (!read.ok) return fail(read.problems.slice(0, 20));
  const audit = checkBuiltFrames(request, read.value);
  return ok({ plan: read.value, violations: audit.ok ? [] : audit.problems.slice(0, 50) });
}
