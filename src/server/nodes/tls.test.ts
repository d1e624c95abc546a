import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { setTimeout as after } from 'node:timers/promises';
import type { TLSSocket } from 'node:tls';
import { freePort, processBefore, startedCluster } from './nodes';

const { nodes, ca, cert, key, keep } = startedCluster();
const home = mkdtempSync(join(tmpdir(), 'ac-tls-'));
afterAll(() => rmSync(home, { recursive: true, force: true }));

it('nothing goes between the nodes that others on the way could read: what they tell one another, what one missed, all that one has', () => {
  const [, ...later] = nodes.map(({ errorLog }) => readFileSync(errorLog, 'utf8'));
  expect(later).toHaveLength(2);
  for (const log of later) {
    expect(log).toMatch(/listening at ssl:/);
    expect(log).not.toMatch(/listening at tcp:|connection established to \S+ tcp:/);
    expect(log).toContain('IST receiver using ssl');
    expect(log).toMatch(/WSREP_SST: .*Using stunnel for SSL encryption.*VERIFY_CA/);
  }
});

/** What a process says of a node that it reaches by TLS and knows by the authority in `file`. */
async function stateKnownBy(file: string): Promise<unknown> {
  const [node] = nodes;
  if (!node) throw new Error('no nodes');
  const ssl = encodeURIComponent(JSON.stringify({ ca: readFileSync(file, 'utf8') }));
  const process = processBefore(`${node.url}?ssl=${ssl}`, keep);
  try {
    return await process.ask({ what: 'state' });
  } finally {
    await process.end();
  }
}

it('a process asks a node that shows a certificate of the authority that it was given, and no other', async () => {
  expect(await stateKnownBy(ca)).toBe('writes');
  const other = join(home, 'other.pem');
  const made = spawnSync('openssl', [
    ...['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes', '-days', '1'],
    ...['-subj', '/CN=somebody else', '-out', other, '-keyout', join(home, 'other-key.pem')],
  ]);
  expect(made.status).toBe(0);
  expect(await stateKnownBy(other)).toBe('away');
});

const listens = (port: number) =>
  new Promise<boolean>((told) => {
    const socket = connect(port, '127.0.0.1', () => told(true)).once('error', () => told(false));
    socket.once('connect', () => socket.end());
  });
const page = (port: number, authority: string) =>
  new Promise<string>((told) => {
    const asked = request({ port, host: '127.0.0.1', path: '/', ca: readFileSync(authority) }, (answer) => {
      answer.resume();
      told(`${answer.statusCode ?? 0} over ${(answer.socket as TLSSocket).getProtocol() ?? ''}`);
    });
    asked.once('error', (error: NodeJS.ErrnoException) => told(error.code ?? error.message)).end();
  });

it('the proxy of deploy shows its certificate to whoever asks for a page, here for the one that says that nobody can answer', async () => {
  const crt = join(home, 'pages.pem');
  writeFileSync(crt, readFileSync(cert, 'utf8') + readFileSync(key, 'utf8'), { mode: 0o600 });
  const [pages, database, ...others] = [
    await freePort(),
    await freePort(),
    await freePort(),
    await freePort(),
  ];
  const proxy = spawn('haproxy', ['-db', '-f', resolve('deploy/haproxy.cfg')], {
    stdio: 'ignore',
    env: {
      ...process.env,
      AC_PAGES: `127.0.0.1:${pages}`,
      AC_TLS: `ssl crt ${crt} alpn h2,http/1.1`,
      AC_DATABASE: `127.0.0.1:${database}`,
      AC_DEPLOY: resolve('deploy'),
      AC_CHECK: '/bin/false',
      ...Object.fromEntries(
        [1, 2, 3].flatMap((n) =>
          ['PROCESS', 'NODE'].map((of, i) => [`AC_${of}_${n}`, `127.0.0.1:${others[i]}`]),
        ),
      ),
    },
  });
  try {
    for (let i = 0; i < 100 && !(await listens(pages)); i += 1) await after(100);
    expect(await page(pages, ca)).toBe('503 over TLSv1.3');
    expect(await page(pages, join(home, 'other.pem'))).toMatch(/SELF_SIGNED|UNABLE_TO/);
  } finally {
    proxy.kill();
  }
});
