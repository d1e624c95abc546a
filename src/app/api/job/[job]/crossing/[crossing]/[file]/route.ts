import { crossingFile } from '@/server/operations/crossing-file';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; crossing: string; file: string }>;
}

/** A file of the plan in force of a crossing, such as `front.dxf`, `places.csv` or `crossing.pdf`. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { job, crossing, file } = await params;
  const ref = { job, crossing };
  const made = await crossingFile(ref, file, new Date());
  if (!made.ok)
    return new Response(made.problems.map((p) => p.message).join('\n'), {
      status: 404,
      headers: { 'content-type': 'text/plain; charset=utf-8' },
    });
  return new Response(made.value.body, {
    headers: {
      'content-type': made.value.type,
      'content-disposition': `attachment; filename="${made.value.name}"`,
    },
  });
}
