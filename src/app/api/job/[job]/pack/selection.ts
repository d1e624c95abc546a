import { refuse, type Result } from '@/core/kernel';
import { readJson } from '../../../body';

/** What a print is asked for, as it came: the gate reads it. */
export interface Selection {
  readonly tags?: unknown;
  readonly paper?: unknown;
  readonly origin?: unknown;
}

/** The selection that a print is asked for, from the body of a request. */
export async function readSelection(request: Request): Promise<Result<Selection>> {
  const json = await readJson(request);
  if (!json.ok) return json;
  return typeof json.value === 'object' && json.value !== null
    ? { ok: true, value: json.value }
    : refuse('body', 'is not a selection');
}
