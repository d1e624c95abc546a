import { refusedJson } from '../../../../answer';
import { madeFile } from '../../../made-file';
import { readSelection } from './selection';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** The cut cards of a selection, as they are made. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const wanted = await readSelection(request);
  if (!wanted.ok) return refusedJson(wanted.problems);
  const { tags, paper } = wanted.value;
  return madeFile(request, 'workPack', [job, tags, paper]);
}
