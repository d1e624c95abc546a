import { kitFile } from '@/server/operations/kit-file';
import { readBody } from '../../schedule/body';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; format: string }>;
}

async function answer(request: Request, { params }: Context, stockText: string): Promise<Response> {
  const { job, format } = await params;
  const query = new URL(request.url).searchParams;
  const rule = { percent: Number(query.get('percent') ?? 5), minimum: Number(query.get('minimum') ?? 1) };
  const file = await kitFile(job, format, rule, stockText);
  if (!file.ok) return Response.json({ problems: file.problems }, { status: 422 });
  return new Response(file.value.bytes as BodyInit, {
    headers: {
      'content-type': file.value.type,
      'content-disposition': `attachment; filename="${file.value.name}"`,
    },
  });
}

/** The kit list without a stock file. */
export const GET = (request: Request, context: Context): Promise<Response> => answer(request, context, '');

/** The kit list against the stock file in the body. */
export async function POST(request: Request, context: Context): Promise<Response> {
  const body = await readBody(request);
  if (!body.ok) return Response.json({ problems: body.problems }, { status: 422 });
  return answer(request, context, new TextDecoder().decode(body.value));
}
