import { exportCatalogue } from '@/server/operations/catalogue-preview';

export const dynamic = 'force-dynamic';

/** The catalogue in force as one file. */
export async function GET(): Promise<Response> {
  const file = await exportCatalogue(new Date());
  if (!file.ok) return Response.json({ problems: file.problems }, { status: 503 });
  return new Response(file.value, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': 'attachment; filename="catalogue.json"',
    },
  });
}
