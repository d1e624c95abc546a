import { labelSheet } from '@/server/operations/work-pack';
import { readSelection, refusal } from '../pack/selection';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** A sheet of labels for a selection. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const wanted = await readSelection(request);
  if (!wanted.ok) return refusal(wanted.problems);
  const { tags, paper, origin } = wanted.value;
  const made = await labelSheet({ job, tags, paper }, origin ?? new URL(request.url).origin, new Date());
  if (!made.ok) return refusal(made.problems);
  return new Response(made.value, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'attachment; filename="labels.pdf"',
    },
  });
}
