import {
  randomBytes,
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  sign,
  verify,
  type KeyObject,
} from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { keyName, type SignatureCheck } from '@/core/record';
import { keepFolder as folder, keptLog } from '@/data';

// What is kept outside the database: the key that signs the heads of records, and the highest entry of every job that was ever written, so that an end
// that is cut off, or a whole database that is put back, is seen.

interface Key {
  readonly secret: KeyObject;
  readonly open: KeyObject;
  readonly pem: string;
  readonly id: string;
}

let loaded: { readonly path: string; readonly key: Key } | null = null;

/** The key, made on first use. Another process may have made it at the same moment: the file that is there first stays. */
function key(): Key {
  const path = join(folder(), 'record-key.pem');
  if (loaded?.path === path) return loaded.key;
  if (!existsSync(path)) {
    mkdirSync(folder(), { recursive: true, mode: 0o700 });
    const { privateKey } = generateKeyPairSync('ed25519');
    try {
      writeFileSync(path, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: 0o600, flag: 'wx' });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
  }
  const secret = createPrivateKey(readFileSync(path));
  const open = createPublicKey(secret);
  const pem = open.export({ type: 'spki', format: 'pem' }).toString();
  loaded = { path, key: { secret, open, pem, id: keyName(pem) } };
  return loaded.key;
}

/** With what the cookies of sessions are signed, made on first use: a copy of the database alone opens no session. */
export function sessionSecret(): string {
  const path = join(folder(), 'session-secret');
  if (!existsSync(path)) {
    mkdirSync(folder(), { recursive: true, mode: 0o700 });
    try {
      writeFileSync(path, randomBytes(48).toString('base64'), { mode: 0o600, flag: 'wx' });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
  }
  return readFileSync(path, 'utf8');
}

export const publicKeyPem = (): string => key().pem;

/** Signs a head. Base64. */
export function signHead(head: string): { readonly signature: string; readonly keyId: string } {
  const { secret, id } = key();
  return { signature: sign(null, Buffer.from(head, 'utf8'), secret).toString('base64'), keyId: id };
}

const MOST_KEPT = 50_000;
const good = new Set<string>();

/** Was this head signed by our key? What was found good once is not worked out again. */
export const signedByUs: SignatureCheck = (head, signature, keyId) => {
  const { open, id } = key();
  const what = `${id} ${head} ${signature}`;
  if (good.has(what)) return true;
  if (keyId !== id || !verify(null, Buffer.from(head, 'utf8'), open, Buffer.from(signature, 'base64')))
    return false;
  if (good.size >= MOST_KEPT) good.clear();
  good.add(what);
  return true;
};

/** The highest entry of each job. */
const heads = keptLog(
  'heads.log',
  () => new Map<string, number>(),
  (highest, [job, number]) => {
    if (job && number) highest.set(job, Math.max(highest.get(job) ?? 0, Number(number)));
  },
);

/** The highest entry of a job's record that was ever written here; 0 when none was. */
export const remembered = (job: string): number => heads.recall().get(job) ?? 0;

/** All jobs whose record was ever written here, with the highest entry of each. */
export const rememberedJobs = (): ReadonlyMap<string, number> => heads.recall();

/** Keeps that a job's record has come to this entry. Called when it is certain, after the transaction. */
export function remember(job: string, number: number, head: string): void {
  if (remembered(job) < number) heads.add([`${job} ${number} ${head}`]);
}
