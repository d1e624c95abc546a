import { look } from '../../../../../for-programs';
import { fileAnswer, refusedJson } from '../../../../../answer';
import { readBody } from '../../../../body';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; format: string }>;
}

async function answer(request: Request, { params }: Context, stockText: string): Promise<Response> {
  const { job, format } = await params;
  const query = new URL(request.url).searchParams;
  const rule = { percent: Number(query.get('percent') ?? 5), minimum: Number(query.get('minimum') ?? 1) };
  const file = await look('kitFile', [job, format, rule, stockText]);
  return file.ok
    ? fileAnswer(file.value.bytes as BodyInit, file.value.type, file.value.name)
    : refusedJson(file.problems);
}

/** The kit list without a stock file. */
export const GET = (request: Request, context: Context): Promise<Response> => answer(request, context, '');

/** The kit list against the stock file in the body. */
export async function POST(request: Request, context: Context): Promise<Response> {
  const body = await readBody(request);
  return body.ok
    ? answer(request, context, new TextDecoder().decode(body.value))
    : refusedJson(body.problems);
}
