import { ok } from '@/core/kernel';
import { lookLoose } from '../../../../for-programs';
import { refusedJson } from '../../../../answer';
import { streamed } from '../../../streamed';
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
  return streamed(request, async (signal, progress) => {
    const made = await lookLoose('workPack', [job, tags, paper], { signal, progress });
    return made.ok ? ok(made.value instanceof Uint8Array ? made.value : null) : made;
  });
}
