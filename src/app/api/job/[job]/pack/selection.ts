import { readPackRequest } from '@/server/operations/pack-request';
import { readBody } from '../schedule/body';

/** The selection that a print is asked for, from the body of a request. */
export async function readSelection(request: Request) {
  const body = await readBody(request);
  return body.ok ? readPackRequest(new TextDecoder().decode(body.value)) : body;
}

export const refusal = (problems: readonly unknown[]): Response =>
  Response.json({ problems }, { status: 422 });
