import type { Problem } from '@/core/kernel';
import { AWAY, BUSY, SIGNED_OUT } from '@/server/gate';

const NAMES_NOTHING = new Set(['job', 'cable', 'end', 'crossing', 'file', 'format', 'family']);

/** What a refusal is as a status: the database is away, the server has enough to do, nobody is signed in, it is for others, what was named is not there, or what was asked cannot be done. */
export function statusOf(problems: readonly Problem[]): number {
  if (problems.some((p) => AWAY.has(p.message))) return 503;
  if (problems.some((p) => p.message === BUSY)) return 429;
  if (problems.some((p) => p.message === SIGNED_OUT)) return 401;
  if (problems.some((p) => p.path === 'role')) return 403;
  return problems.some((p) => NAMES_NOTHING.has(p.path)) ? 404 : 422;
}

/** A refusal for a program. */
export const refusedJson = (problems: readonly Problem[]): Response =>
  Response.json({ ok: false, problems }, { status: statusOf(problems) });

/** A refusal for a person who opened a file in the browser. */
export const refusedText = (problems: readonly Problem[]): Response =>
  new Response(problems.map((p) => p.message).join('\n'), {
    status: statusOf(problems),
    headers: { 'content-type': 'text/plain; charset=utf-8' },
  });

/** A file to be kept, or shown in the browser. Whatever of the name is not plain is written as `_`. */
export const fileAnswer = (
  body: BodyInit,
  type: string,
  name: string,
  shown: 'attachment' | 'inline' = 'attachment',
): Response =>
  new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `${shown}; filename="${name.replace(/[^\w.-]/g, '_')}"`,
    },
  });
