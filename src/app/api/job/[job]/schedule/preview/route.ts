import { previewSchedule } from '@/server/operations/schedule-file';
import { readBody } from '../body';

export const dynamic = 'force-dynamic';

export async function POST(
  request: Request,
  { params }: { params: Promise<{ job: string }> },
): Promise<Response> {
  const body = await readBody(request);
  if (!body.ok) return Response.json(body);
  return Response.json(await previewSchedule((await params).job, body.value));
}
