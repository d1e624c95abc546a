import { randomBytes, randomUUID } from 'node:crypto';
import { NextResponse, type NextRequest } from 'next/server';
import { awayPage } from './server/http/away-page';
import {
  contentPolicy,
  httpSettings,
  SECURITY_HEADERS,
  turnedAway,
  type HttpSettings,
} from './server/http/policy';
import { databaseState } from './server/health';
import { NONCE_HEADER, PATH_HEADER, REQUEST_HEADER } from './server/http/nonce';
import { inRequest, isRequestId } from './server/request';

const DEVELOPMENT = process.env.NODE_ENV === 'development';

/** What every answer passes: who may be answered, the headers that all have, and the plain page while the database is away. */
export function proxy(request: NextRequest): Promise<Response> {
  // A proxy of our own has given it one; whoever else names one is not believed.
  const settings = httpSettings(process.env);
  const given = request.headers.get(REQUEST_HEADER);
  const id = settings.behindProxy && isRequestId(given) ? given : randomUUID();
  return inRequest(id, () => passed(request, id, settings));
}

async function passed(request: NextRequest, id: string, settings: HttpSettings): Promise<Response> {
  const { headers, method, nextUrl } = request;
  const nonce = randomBytes(16).toString('base64');
  const policy = contentPolicy(nonce, DEVELOPMENT);
  const dress = (response: Response): Response => {
    response.headers.set('content-security-policy', policy);
    response.headers.set(REQUEST_HEADER, id);
    for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
    return response;
  };
  const turned = turnedAway(
    {
      method,
      path: nextUrl.pathname,
      host: headers.get('host'),
      forwardedHost: headers.get('x-forwarded-host'),
      origin: headers.get('origin'),
      fetchSite: headers.get('sec-fetch-site'),
      fetchMode: headers.get('sec-fetch-mode'),
      contentLength: headers.get('content-length'),
    },
    settings,
  );
  if (turned)
    return dress(
      new Response(`${turned.words}\n`, {
        status: turned.status,
        headers: { 'content-type': 'text/plain; charset=utf-8' },
      }),
    );
  // Actions and the routes below /api say it in their own words, where the work is; what a device keeps needs no database, and what a node last knew says what it is.
  const page =
    method === 'GET' && !/^\/(api|metrics|serwist|on-this-device|as-it-was)(\/|$)/.test(nextUrl.pathname);
  const state = page ? await databaseState() : 'writes';
  if (state !== 'writes')
    return dress(
      new Response(awayPage(nonce, state, nextUrl.pathname), {
        status: 503,
        headers: { 'content-type': 'text/html; charset=utf-8', 'retry-after': '3' },
      }),
    );
  const onward = new Headers(headers);
  onward.set(NONCE_HEADER, nonce);
  onward.set(REQUEST_HEADER, id);
  onward.set(PATH_HEADER, `${nextUrl.pathname}${nextUrl.search}`);
  onward.set('content-security-policy', policy);
  return dress(NextResponse.next({ request: { headers: onward } }));
}

export const config = { matcher: ['/((?!_next/static|icon).*)'] };
