import { headers } from 'next/headers';
import { REQUEST_HEADER } from '@/server/http/nonce';
import { inRequest, isRequestId } from '@/server/request';

/** Works for the request that is being answered: what is logged and what is asked of the database names it. */
export async function forThisRequest<T>(work: () => Promise<T>): Promise<T> {
  const id = (await headers()).get(REQUEST_HEADER);
  return isRequestId(id) ? inRequest(id, work) : work();
}
