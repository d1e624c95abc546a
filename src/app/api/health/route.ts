import { viewJobs } from '@/server/operations/view';

export const dynamic = 'force-dynamic';

/** Is the application up, and does its database answer? */
export async function GET(): Promise<Response> {
  const jobs = await viewJobs();
  return Response.json({ application: true, database: jobs.ok }, { status: 200 });
}
