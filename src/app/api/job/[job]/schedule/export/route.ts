import { exportSchedule } from '@/server/operations/schedule-file';

export const dynamic = 'force-dynamic';

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ job: string }> },
): Promise<Response> {
  const job = (await params).job;
  const csv = await exportSchedule(job);
  if (!csv.ok) return Response.json({ problems: csv.problems }, { status: 503 });
  return new Response(csv.value, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${job.replace(/[^\w-]/g, '_')}-schedule.csv"`,
    },
  });
}
