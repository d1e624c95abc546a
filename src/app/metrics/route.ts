import { mayRead, metricsText } from '@/server/running';

export const dynamic = 'force-dynamic';

/** Figures of this process and of the node that it asks, as usual text, for whoever has the word of `AMBER_COLLAR_METRICS`. Nothing is there without one. */
export async function GET(request: Request): Promise<Response> {
  if (!mayRead(request.headers.get('authorization'), process.env.AMBER_COLLAR_METRICS))
    return new Response('There is no such address.\n', { status: 404 });
  const { type, text } = await metricsText();
  return new Response(text, { headers: { 'content-type': type } });
}
