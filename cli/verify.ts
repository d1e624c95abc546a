import { createPublicKey, verify } from 'node:crypto';
import { headCode, keyName, verifyBundle, type SignatureCheck } from '@/core/record';
import { ok, refuse, type Result } from '@/core/kernel';

export interface Verified {
  readonly job: string;
  readonly subjects: number;
  readonly events: number;
  /** To be compared with what stands on prints. */
  readonly code: string | null;
  /** The key that signed: compare it with the one that is known to be the right one. */
  readonly key: string;
}

/** Checks the record of a job from its file, without database and network. */
export function verifyRecord(bundle: unknown): Result<Verified> {
  const pem = (bundle as { publicKey?: unknown } | null)?.publicKey;
  if (typeof pem !== 'string') return refuse('publicKey', 'is missing: this is not the record of a job');
  let signed: SignatureCheck;
  const key = keyName(pem);
  try {
    const open = createPublicKey(pem);
    signed = (head, signature, keyId) =>
      keyId === key && verify(null, Buffer.from(head, 'utf8'), open, Buffer.from(signature, 'base64'));
  } catch {
    return refuse('publicKey', 'is not a key');
  }
  const report = verifyBundle(bundle, signed);
  if (!report.ok) return report;
  const { job, subjects, events, head } = report.value;
  return ok({ job, subjects, events, code: head === null ? null : headCode(head), key });
}
