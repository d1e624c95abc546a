import { look } from '../../../../../for-programs';
import { fileAnswer, refusedJson } from '../../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** What has to be asked for at a supplier's, as a table. */
export async function GET(_: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const csv = await look('wantedFile', [job]);
  return csv.ok
    ? fileAnswer(csv.value, 'text/csv; charset=utf-8', `${job}-to-be-asked-for.csv`)
    : refusedJson(csv.problems);
}
