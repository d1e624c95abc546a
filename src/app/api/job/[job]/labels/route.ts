import { lookLoose } from '../../../../for-programs';
import { fileAnswer, refusedJson } from '../../../../answer';
import { readSelection } from '../pack/selection';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** A sheet of labels for a selection. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const wanted = await readSelection(request);
  if (!wanted.ok) return refusedJson(wanted.problems);
  const { tags, paper, origin } = wanted.value;
  const made = await lookLoose('labelSheet', [job, tags, paper, origin ?? new URL(request.url).origin]);
  return made.ok
    ? fileAnswer(made.value as BodyInit, 'application/pdf', 'labels.pdf')
    : refusedJson(made.problems);
}
