import { readPackRequest } from '@/server/operations/pack-request';
import { labelSheet } from '@/server/operations/work-pack';
import { readBody } from '../schedule/body';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** A sheet of labels for a selection. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const body = await readBody(request);
  if (!body.ok) return Response.json({ problems: body.problems }, { status: 422 });
  const wanted = readPackRequest(new TextDecoder().decode(body.value));
  if (!wanted.ok) return Response.json({ problems: wanted.problems }, { status: 422 });
  const { tags, paper, origin } = wanted.value;
  const made = await labelSheet(
    { job: decodeURIComponent(job), tags, paper },
    origin ?? new URL(request.url).origin,
    new Date(),
  );
  if (!made.ok) return Response.json({ problems: made.problems }, { status: 422 });
  return new Response(made.value, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'attachment; filename="labels.pdf"',
    },
  });
}
