import { refuse, type Result } from '@/core/kernel';
import { readBody } from '../schedule/body';

/** What a print is asked for, as it came: the gate reads it. */
export interface Selection {
  readonly tags?: unknown;
  readonly paper?: unknown;
  readonly origin?: unknown;
}

/** The selection that a print is asked for, from the body of a request. */
export async function readSelection(request: Request): Promise<Result<Selection>> {
  const body = await readBody(request);
  if (!body.ok) return body;
  try {
    const json: unknown = JSON.parse(new TextDecoder().decode(body.value));
    if (typeof json === 'object' && json !== null) return { ok: true, value: json };
  } catch {
    // said below
  }
  return refuse('body', 'is not a selection in JSON');
}
