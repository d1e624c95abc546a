import { ok, refuse, type Result } from '@/core/kernel';
import { lookLoose } from '../../../for-programs';
import { refusedJson, statusOf } from '../../../answer';
import { resultInWords } from '../../../in-words';
import { readJson } from '../../body';
import { isLook } from '../../served';

export const dynamic = 'force-dynamic';

/** What is the server's own state, or about who asks, and not an answer to the question. */
const SAID = new Set([503, 429, 401, 403]);

interface Context {
  readonly params: Promise<{ name: string }>;
}

const listOf = (value: unknown): Result<readonly unknown[]> =>
  Array.isArray(value) && value.length <= 10 ? ok(value as unknown[]) : refuse('args', 'are not a list');

function fromAddress(request: Request): Result<readonly unknown[]> {
  try {
    return listOf(JSON.parse(new URL(request.url).searchParams.get('args') ?? ''));
  } catch {
    return refuse('args', 'are not JSON');
  }
}

async function answer(
  name: string,
  args: Result<readonly unknown[]>,
  signal: AbortSignal,
): Promise<Response> {
  if (!isLook(name))
    return refusedJson([{ path: 'file', message: 'is nothing that can be looked up', value: name }]);
  if (!args.ok) return refusedJson(args.problems);
  const seen = await lookLoose(name, args.value, { signal });
  // A refusal is an answer like any other; only the server's own state is a failure.
  const status = seen.ok ? 200 : statusOf(seen.problems);
  return Response.json(resultInWords(seen), { status: SAID.has(status) ? status : 200 });
}

/** Looks something up by short arguments. Ends when the page that asked is left. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  return answer((await params).name, fromAddress(request), request.signal);
}

/** The same by long ones, such as a file's text. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const body = await readJson(request);
  const args: Result<readonly unknown[]> = !body.ok
    ? body
    : listOf(
        typeof body.value === 'object' && body.value !== null && 'args' in body.value
          ? body.value.args
          : null,
      );
  return answer((await params).name, args, request.signal);
}
