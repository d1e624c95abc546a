import { exportSizes } from '@/server/operations/catalogue-preview';

export const dynamic = 'force-dynamic';

/** The sizes of one family, or of all, as a table to be typed into and read in again. */
export async function GET(request: Request): Promise<Response> {
  const family = new URL(request.url).searchParams.get('family');
  const file = await exportSizes(family);
  if (!file.ok) return Response.json({ problems: file.problems }, { status: 404 });
  return new Response(file.value, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="sizes${family === null ? '' : `-${family.replace(/\W/g, '_')}`}.csv"`,
    },
  });
}
