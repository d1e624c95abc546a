import { number, object, string } from 'yup';
import { validate } from '@/core/kernel';
import { SCHEDULE_SORTS, schedulePage } from '@/server/operations/schedule';

export const dynamic = 'force-dynamic';

const querySchema = object({
  filter: string().max(100).ensure(),
  sort: string().oneOf(SCHEDULE_SORTS).required(),
  order: string()
    .oneOf(['asc', 'desc'] as const)
    .required(),
  offset: number().integer().min(0).max(1_000_000).required(),
  limit: number().integer().min(1).max(100).required(),
});

/** One page of the schedule for the grid. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ job: string }> },
): Promise<Response> {
  const { job } = await params;
  const raw = new URL(request.url).searchParams;
  const query = validate(querySchema, {
    filter: raw.get('filter') ?? '',
    sort: raw.get('sort') ?? 'tag',
    order: raw.get('order') ?? 'asc',
    offset: Number(raw.get('offset') ?? 0),
    limit: Number(raw.get('limit') ?? 50),
  });
  if (!query.ok) return Response.json({ problems: query.problems }, { status: 400 });
  const { filter, sort, order, offset, limit } = query.value;
  const page = await schedulePage(job, {
    filter,
    sort,
    descending: order === 'desc',
    offset,
    limit,
  });
  return page.ok ? Response.json(page.value) : Response.json({ problems: page.problems }, { status: 503 });
}
