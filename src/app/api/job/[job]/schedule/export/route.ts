import { look } from '@/server/gate';
import { fileAnswer, refusedJson } from '../../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** The schedule as a table that can be read in again. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const csv = await look('exportSchedule', [job]);
  return csv.ok
    ? fileAnswer(csv.value, 'text/csv; charset=utf-8', `${job}-schedule.csv`)
    : refusedJson(csv.problems);
}
