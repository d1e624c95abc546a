import { look } from '../../../for-programs';
import { fileAnswer, refusedJson } from '../../../answer';

export const dynamic = 'force-dynamic';

/** The catalogue in force as one file. */
export async function GET(): Promise<Response> {
  const file = await look('exportCatalogue', []);
  return file.ok
    ? fileAnswer(file.value, 'application/json; charset=utf-8', 'catalogue.json')
    : refusedJson(file.problems);
}
