// Certificates of a cluster's own authority: by them its nodes know one another, and nobody reads what goes between them.
import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';

const DAYS = '3650';

function openssl(...args) {
  const done = spawnSync('openssl', args, { encoding: 'utf8' });
  if (done.status !== 0)
    throw new Error(`openssl ${args[0]}: ${done.error?.message ?? done.stderr.slice(0, 500)}`);
}

/**
 * Authority, certificate and key of the nodes of a cluster, made in `<home>/tls` on first use; the key is for its owner alone. One certificate for
 * all nodes of one machine; on three machines each has its own, from the same authority.
 */
export function certificatesOf(home, { uid, gid }) {
  const folder = join(home, 'tls');
  const [ca, caKey, cert, key] = ['ca.pem', 'ca-key.pem', 'node.pem', 'node-key.pem'].map((f) =>
    join(folder, f),
  );
  if (existsSync(cert)) return { ca, cert, key };
  mkdirSync(folder, { recursive: true, mode: 0o755 });
  const made = (subject, out, outKey, ...more) =>
    openssl(
      ...['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes', '-days', DAYS],
      ...['-subj', `/CN=${subject}`, '-out', out, '-keyout', outKey],
      ...more,
    );
  made('Amber Collar cluster', ca, caKey);
  made(
    'node',
    cert,
    key,
    '-CA',
    ca,
    '-CAkey',
    caKey,
    '-addext',
    'subjectAltName=IP:127.0.0.1,DNS:localhost',
    '-addext',
    'basicConstraints=critical,CA:FALSE',
  );
  chmodSync(key, 0o600);
  chmodSync(caKey, 0o600);
  if (uid !== null) chownSync(key, uid, gid);
  return { ca, cert, key };
}
