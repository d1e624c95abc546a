import { databaseAnswers } from '@/server/health';

export const dynamic = 'force-dynamic';

/** Is the application up, and does its database answer? 503 while it does not. */
export async function GET(): Promise<Response> {
  const database = await databaseAnswers();
  return Response.json({ application: true, database }, { status: database ? 200 : 503 });
}
