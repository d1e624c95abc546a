import { look } from '../../../../../for-programs';
import { fileAnswer, refusedJson } from '../../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** The schedule as a table that can be read in again: text, or (`?as=xlsx`) a workbook. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  if (new URL(request.url).searchParams.get('as') === 'xlsx') {
    const book = await look('exportScheduleBook', [job]);
    return book.ok
      ? fileAnswer(new Blob([new Uint8Array(book.value)]), XLSX, `${job}-schedule.xlsx`)
      : refusedJson(book.problems);
  }
  const csv = await look('exportSchedule', [job]);
  return csv.ok
    ? fileAnswer(csv.value, 'text/csv; charset=utf-8', `${job}-schedule.csv`)
    : refusedJson(csv.problems);
}
