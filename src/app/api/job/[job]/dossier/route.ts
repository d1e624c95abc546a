import { refusedJson } from '../../../../answer';
import { fieldOf, readJson } from '../../../body';
import { madeFile } from '../../../made-file';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** A dossier, as it is made. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const body = await readJson(request);
  if (!body.ok) return refusedJson(body.problems);
  const given = ['of', 'name', 'end', 'paper', 'origin'].map((name) => fieldOf(body.value, name));
  return madeFile(request, 'dossier', [job, ...given]);
}
