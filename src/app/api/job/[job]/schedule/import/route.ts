import { cookies } from 'next/headers';
import { importSchedule } from '@/server/operations/schedule-file';
import { ACTOR_COOKIE } from '@/ui/shell/actor-cookie';
import { readBody } from '../body';

export const dynamic = 'force-dynamic';

export async function POST(
  request: Request,
  { params }: { params: Promise<{ job: string }> },
): Promise<Response> {
  const name = decodeURIComponent((await cookies()).get(ACTOR_COOKIE)?.value ?? '').trim();
  if (name === '')
    return Response.json({
      ok: false,
      problems: [{ path: 'actor', message: 'Type your name first: the record says who.' }],
    });
  const body = await readBody(request);
  if (!body.ok) return Response.json(body);
  const hash = new URL(request.url).searchParams.get('hash') ?? '';
  return Response.json(await importSchedule((await params).job, body.value, hash, { name }, new Date()));
}
