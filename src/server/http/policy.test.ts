import { MAX_REQUEST_BYTES } from '@/core/kernel';
import { contentPolicy, httpSettings, turnedAway, type RequestFacts } from './policy';

const page: RequestFacts = {
  method: 'GET',
  path: '/job/quillmere/board',
  host: '127.0.0.1:3000',
  forwardedHost: '127.0.0.1:3000',
  origin: null,
  fetchSite: 'none',
  fetchMode: 'navigate',
  contentLength: null,
};
const alone = httpSettings({});
const status = (change: Partial<RequestFacts>, settings = alone) =>
  turnedAway({ ...page, ...change }, settings)?.status ?? 200;

test.each([
  ['an umlaut', '/job/x/t/%C3%A4/A/cut', 200],
  ['a percent sign', '/job/x/cables/%25', 200],
  ['half a letter', '/job/x/cables/%E0%A4', 404],
  ['a percent sign alone', '/job/x/t/50%/A/cut', 404],
])('an address with %s in it', (_, path, expected) => {
  expect(status({ path })).toBe(expected);
});

test.each([
  ['this machine by number', '127.0.0.1:3000', 200],
  ['this machine by name, in capitals', 'LOCALHOST:4000', 200],
  ['this machine by the newer protocol', '[::1]:3000', 200],
  ['a name of somebody else that points here', 'rebound.example:3000', 421],
  ['a name that only begins like ours', 'localhost.example', 421],
  ['no host at all', null, 421],
])('a page asked for under %s', (_, host, expected) => {
  expect(status({ host, forwardedHost: host })).toBe(expected);
});

test('a host named by forwarding is believed of a proxy of our own only, and must be one of ours then', () => {
  const behind = httpSettings({ AMBER_COLLAR_BEHIND_PROXY: '1', AMBER_COLLAR_HOSTS: 'bench.example, ' });
  expect(status({ forwardedHost: 'bench.example' })).toBe(421);
  expect(status({ forwardedHost: 'bench.example' }, behind)).toBe(200);
  expect(status({ forwardedHost: 'other.example' }, behind)).toBe(421);
});

test.each([
  ['no origin', null, 403],
  ['the origin of another site', 'http://evil.example', 403],
  ['another port of this machine', 'http://127.0.0.1:3001', 403],
  ['an opaque origin', 'null', 403],
  ['a page of this application', 'http://127.0.0.1:3000', 200],
])('a write with %s', (_, origin, expected) => {
  for (const method of ['POST', 'PUT', 'DELETE', 'PATCH']) expect(status({ method, origin })).toBe(expected);
});

test('a body is refused from the first byte too many', () => {
  const send = (bytes: number) =>
    status({ method: 'POST', origin: 'http://127.0.0.1:3000', contentLength: String(bytes) });
  expect(send(MAX_REQUEST_BYTES)).toBe(200);
  expect(send(MAX_REQUEST_BYTES + 1)).toBe(413);
});

test('another site may not fetch data, but a link from a mail may open it', () => {
  const data = { path: '/api/job/quillmere/summary', fetchSite: 'cross-site' };
  expect(status({ ...data, fetchMode: 'no-cors' })).toBe(403);
  expect(status({ ...data, fetchMode: 'navigate' })).toBe(200);
  expect(status({ ...data, fetchSite: 'same-origin', fetchMode: 'cors' })).toBe(200);
});

test('scripts and style sheets run by the nonce of this answer, and nothing runs by being written', () => {
  const policy = contentPolicy('abc', false);
  expect(policy).toContain("script-src 'self' 'nonce-abc' 'wasm-unsafe-eval'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toMatch(/script-src[^;]*unsafe-inline|'unsafe-eval'/);
  expect(policy).not.toMatch(/style-src [^;]*unsafe-inline/);
});
