import { ok } from '@/core/kernel';
import { lookLoose } from '../../../../for-programs';
import { refusedJson } from '../../../../answer';
import { readJson } from '../../../body';
import { streamed } from '../../../streamed';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

const field = (body: unknown, name: string): unknown =>
  typeof body === 'object' && body !== null && name in body
    ? (body as Readonly<Record<string, unknown>>)[name]
    : undefined;

/** A dossier, as it is made. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const body = await readJson(request);
  if (!body.ok) return refusedJson(body.problems);
  const given = ['of', 'name', 'end', 'paper', 'origin'].map((name) => field(body.value, name));
  return streamed(request, async (signal, progress) => {
    const made = await lookLoose('dossier', [job, ...given], { signal, progress });
    if (!made.ok) return made;
    const file = field(made.value, 'body');
    return ok(file instanceof Uint8Array ? file : null);
  });
}
