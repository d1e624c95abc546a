export const dynamic = 'force-dynamic';

/** Is the process up? One that does not answer here is to be started anew; one without its database is not. */
export const GET = (): Response => Response.json({ live: true });
