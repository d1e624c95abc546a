import { viewSummaries } from '@/server/operations/view';

export const dynamic = 'force-dynamic';

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ job: string }> },
): Promise<Response> {
  const { job } = await params;
  const rows = await viewSummaries(job);
  return rows.ok ? Response.json(rows.value) : Response.json({ problems: rows.problems }, { status: 503 });
}
