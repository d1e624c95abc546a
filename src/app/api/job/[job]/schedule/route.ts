import { lookLoose } from '../../../../for-programs';
import { refusedJson } from '../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** One page of the schedule for the grid. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const query = new URL(request.url).searchParams;
  const page = await lookLoose('schedulePage', [
    (await params).job,
    query.get('filter') ?? '',
    query.get('sort') ?? 'tag',
    query.get('order') === 'desc',
    Number(query.get('offset') ?? 0),
    Number(query.get('limit') ?? 50),
  ]);
  return page.ok ? Response.json(page.value) : refusedJson(page.problems);
}
