import { randomBytes } from 'node:crypto';
import { argon2id, argon2Verify } from 'hash-wasm';

/** Argon2id with 19 MiB and two passes, the least that is advised for passwords today (OWASP, Password Storage). */
export const hashSecret = (secret: string): Promise<string> =>
  argon2id({
    password: secret,
    salt: randomBytes(16),
    memorySize: 19_456,
    iterations: 2,
    parallelism: 1,
    hashLength: 32,
    outputType: 'encoded',
  });

export const secretMatches = (secret: string, hash: string): Promise<boolean> =>
  argon2Verify({ password: secret, hash });
