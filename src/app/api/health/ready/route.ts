import { databaseState } from '@/server/health';

export const dynamic = 'force-dynamic';

/** Can work be done here, since the database writes? 503 while it cannot. */
export async function GET(): Promise<Response> {
  const ready = (await databaseState()) === 'writes';
  return Response.json({ live: true, ready }, { status: ready ? 200 : 503 });
}
