import { MAX_FILE_WORDS, MAX_REQUEST_BYTES } from '@/core/kernel';

/** What of a request decides whether it is answered at all. Header values as they came; null when absent. */
export interface RequestFacts {
  readonly method: string;
  readonly path: string;
  readonly host: string | null;
  readonly forwardedHost: string | null;
  readonly origin: string | null;
  readonly fetchSite: string | null;
  readonly fetchMode: string | null;
  readonly contentLength: string | null;
}

export interface HttpSettings {
  /** Names under which the application may be reached, without a port. */
  readonly hosts: readonly string[];
  /** A proxy of our own stands in front, so what it says of the host is believed. */
  readonly behindProxy: boolean;
}

export interface Turned {
  readonly status: number;
  readonly words: string;
}

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/** From the environment: `AMBER_COLLAR_HOSTS` (names, by commas) and `AMBER_COLLAR_BEHIND_PROXY=1`; loopback alone without them. */
export function httpSettings(env: Readonly<Record<string, string | undefined>>): HttpSettings {
  const named = (env.AMBER_COLLAR_HOSTS ?? '')
    .split(',')
    .map((h) => h.trim().toLowerCase())
    .filter((h) => h !== '');
  return { hosts: [...LOOPBACK, ...named], behindProxy: env.AMBER_COLLAR_BEHIND_PROXY === '1' };
}

const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

const WRITES_NOTHING = new Set(['GET', 'HEAD', 'OPTIONS']);

/** An address whose percent signs stand for no text names nothing. */
function readable(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}

function originHost(origin: string): string | null {
  try {
    return new URL(origin).host.toLowerCase();
  } catch {
    return null;
  }
}

/**
 * Why a request is not answered, or null. A foreign host name is refused, so that no name of somebody else can be pointed at this machine
 * and read it; what writes must come from a page of this very host and port; what another site embeds or fetches is refused; a body that is
 * too large is not read.
 */
export function turnedAway(request: RequestFacts, settings: HttpSettings): Turned | null {
  const { method, path, forwardedHost, origin } = request;
  const direct = request.host?.toLowerCase() ?? null;
  if (!settings.behindProxy && forwardedHost !== null && forwardedHost.toLowerCase() !== direct)
    return { status: 421, words: 'A host was named by forwarding, and no proxy is set up here.' };
  const host = settings.behindProxy ? (forwardedHost?.toLowerCase() ?? direct) : direct;
  if (host === null || !settings.hosts.includes(nameOf(host)))
    return {
      status: 421,
      words:
        'This application is not served under that name. Names besides this machine’s own are set in AMBER_COLLAR_HOSTS.',
    };
  if (!readable(path)) return { status: 404, words: 'There is no such address: it cannot be read.' };
  if (!WRITES_NOTHING.has(method)) {
    if (origin === null || originHost(origin) !== host)
      return { status: 403, words: 'A request that writes must come from a page of this application.' };
    if (Number(request.contentLength ?? 0) > MAX_REQUEST_BYTES)
      return {
        status: 413,
        words: `What was sent is too large: a file of at most ${MAX_FILE_WORDS} is read.`,
      };
  }
  if (path.startsWith('/api/') && request.fetchSite === 'cross-site' && request.fetchMode !== 'navigate')
    return { status: 403, words: 'Another site may not read from here.' };
  return null;
}

/**
 * The content policy of one answer. Scripts and style sheets run by this answer's nonce or from our own files; WebAssembly is the solver's.
 * Attributes `style` are allowed: drawings and the grid place their parts by them, and they cannot load or run anything.
 */
export function contentPolicy(nonce: string, development: boolean): string {
  const scripts = `'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${development ? " 'unsafe-eval'" : ''}`;
  return [
    "default-src 'self'",
    `script-src ${scripts}`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Headers of every answer besides its content policy. Job data is kept by no cache. */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(self), geolocation=(), microphone=(), serial=(self), bluetooth=(self)',
  'cache-control': 'no-store',
};
