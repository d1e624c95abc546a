import { look } from '../../../for-programs';
import { fileAnswer, refusedJson } from '../../../answer';

export const dynamic = 'force-dynamic';

/** The sizes of one family, or of all, as a table to be typed into and read in again. */
export async function GET(request: Request): Promise<Response> {
  const family = new URL(request.url).searchParams.get('family');
  const file = await look('exportSizes', [family]);
  return file.ok
    ? fileAnswer(file.value, 'text/csv; charset=utf-8', `sizes${family === null ? '' : `-${family}`}.csv`)
    : refusedJson(file.problems);
}
