import { hash, verify } from '@node-rs/argon2';

/** Argon2id with 19 MiB and two passes, the least that is advised for passwords today (OWASP, Password Storage). Beside the event loop: nobody else waits for it. */
export const hashSecret = (secret: string): Promise<string> =>
  hash(secret, { memoryCost: 19_456, timeCost: 2, parallelism: 1, outputLen: 32 });

export const secretMatches = (secret: string, kept: string): Promise<boolean> => verify(kept, secret);
