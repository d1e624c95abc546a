import { databaseAnswers } from '@/server/health';

export const dynamic = 'force-dynamic';

/** Is the application up (`live`), and can it do anything, since its database answers and writes (`ready`)? 503 while it cannot. */
export async function GET(): Promise<Response> {
  const ready = await databaseAnswers();
  return Response.json({ live: true, ready }, { status: ready ? 200 : 503 });
}
