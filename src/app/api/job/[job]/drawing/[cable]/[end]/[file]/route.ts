import { drawingFile } from '@/server/operations/drawing-file';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; cable: string; end: string; file: string }>;
}

/** One drawing of a plan as a file, such as `stripped.dxf` or `closed.svg`. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { job, cable, end, file } = await params;
  const ref = { job, cable, end };
  const made = await drawingFile(ref, file);
  if (!made.ok)
    return new Response(made.problems.map((p) => p.message).join('\n'), {
      status: 404,
      headers: { 'content-type': 'text/plain; charset=utf-8' },
    });
  return new Response(made.value.text, {
    headers: {
      'content-type': made.value.type,
      'content-disposition': `attachment; filename="${made.value.name}"`,
    },
  });
}
