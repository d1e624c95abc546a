import { databaseState } from '@/server/health';

export const dynamic = 'force-dynamic';

/**
 * Is the application up (`live`), does its database write (`ready`), or can at least be shown what a node last knew that has lost the others (`alone`)? 503 where
 * nothing can be shown.
 */
export async function GET(): Promise<Response> {
  const state = await databaseState();
  return Response.json(
    { live: true, ready: state === 'writes', alone: state === 'alone' },
    { status: state === 'away' ? 503 : 200 },
  );
}
