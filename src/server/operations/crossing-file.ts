import { replay, type CrossingRef } from '@/core/record';
import { fail, ok, refuse, type Result } from '@/core/kernel';
import {
  faceDrawing,
  KINDS,
  PLACE_COLUMNS,
  placeRows,
  readPlaces,
  SEAL_COLUMNS,
  sealDrawings,
  sealRows,
  type CrossingKindId,
  type CrossingPlanView,
  type CrossingView,
  type Made,
  type PlacesPreview,
} from '@/core/crossing';
import { checkBuiltFrames } from '@/core/frame-packing';
import { readCsv } from '@/formats/csv/read';
import { writeCsv } from '@/formats/csv/write';
import { drawingDxf } from '@/formats/dxf/write';
import { crossingPdf } from '@/formats/pdf/crossing';
import type { CrossingHead } from '@/formats/pdf/crossing-head';
import { sealPdf } from '@/formats/pdf/seal';
import { drawingSvg } from '@/formats/svg/write';
import { viewCrossing } from './crossing';
import { recordCodeOf } from './job-record';

export interface CrossingFile {
  readonly name: string;
  readonly type: string;
  readonly body: string | Uint8Array<ArrayBuffer>;
}

/** Files of a plan in frames, and of a soft seal. */
export const CROSSING_FILES = {
  frames: ['front.svg', 'back.svg', 'front.dxf', 'back.dxf', 'places.csv', 'crossing.pdf'],
  seal: ['section.svg', 'axis.svg', 'section.dxf', 'axis.dxf', 'table.csv', 'crossing.pdf'],
} as const;

const SVG = 'image/svg+xml; charset=utf-8';
const CSV = 'text/csv; charset=utf-8';

/** A file of the plan in force, by its name. */
export async function crossingFile(ref: CrossingRef, file: string, now: Date): Promise<Result<CrossingFile>> {
  const view = await viewCrossing(ref);
  if (!view.ok) return view;
  const names = CROSSING_FILES[view.value.kind === 'frames' ? 'frames' : 'seal'];
  if (!names.some((f) => f === file)) return refuse('file', `must be one of ${names.join(', ')}`, file);
  const [inForce]: readonly CrossingPlanView[] = view.value.plans;
  if (!inForce) return refuse('plan', 'this crossing is not planned yet: there is nothing to draw');
  const name = `${ref.crossing.replace(/[^\w-]/g, '-')}-${file}`;
  const [which = '', format] = file.split('.');
  if (format === 'pdf') {
    const head = await headOf(ref, view.value, inForce, now);
    const body =
      inForce.of === 'frames'
        ? await crossingPdf({ ...head, request: inForce.request, plan: inForce.plan })
        : await sealPdf({ ...head, made: inForce, cautions: view.value.sheet.cautions });
    return ok({ name, type: 'application/pdf', body });
  }
  if (format === 'csv') {
    const body =
      inForce.of === 'frames'
        ? writeCsv([...PLACE_COLUMNS], placeRows(inForce.plan))
        : writeCsv([...SEAL_COLUMNS], sealRows(inForce));
    return ok({ name, type: CSV, body });
  }
  const drawing =
    inForce.of === 'frames'
      ? faceDrawing(inForce.request, inForce.plan, {
          side: which === 'back' ? 'back' : 'front',
          legend: true,
        })
      : sealDrawings(inForce)[which === 'axis' ? 'axis' : 'section'];
  return format === 'svg'
    ? ok({ name, type: SVG, body: drawingSvg(drawing) })
    : ok({ name, type: 'application/dxf', body: drawingDxf(drawing) });
}

async function headOf(
  ref: CrossingRef,
  view: CrossingView,
  plan: CrossingPlanView,
  now: Date,
): Promise<CrossingHead> {
  return {
    name: ref.crossing,
    place: view.setup.place,
    rating: view.setup.rating,
    provisional: view.asked.provisional,
    planHash: plan.planHash,
    sheetNamed: sheetNamedBy(plan),
    printed: now,
    record: await recordCodeOf(ref.job),
    signedBy: replay(view.steps, view.acts).signedBy,
    faults: view.faults,
  };
}

const sheetNamedBy = <K extends CrossingKindId>({ of, request }: Made<K>) => KINDS[of].sheetNamed(request);

/** A table of places as somebody built or found them: read, and judged against today's cables. Nothing is stored. */
export async function previewPlaces(ref: CrossingRef, text: string): Promise<Result<PlacesPreview>> {
  const view = await viewCrossing(ref);
  if (!view.ok) return view;
  if (view.value.kind !== 'frames')
    return refuse('file', 'a table of places is read for transit frames only');
  const table = readCsv(new TextEncoder().encode(text));
  if (!table.ok) return table;
  const { request } = view.value.asked;
  const read = readPlaces(request, table.value.columns, table.value.rows);
  if (!read.ok) return fail(read.problems.slice(0, 20));
  const audit = checkBuiltFrames(request, read.value);
  return ok({ plan: read.value, violations: audit.ok ? [] : audit.problems.slice(0, 50) });
}
