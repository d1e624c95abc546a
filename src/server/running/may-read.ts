import { createHash, timingSafeEqual } from 'node:crypto';

const digest = (text: string): Buffer => createHash('sha256').update(text).digest();

/** Whether a header `Authorization: Bearer …` brings the word that was set. Nobody may where none is set. */
export const mayRead = (authorization: string | null, word: string | undefined): boolean =>
  word !== undefined && word !== '' && timingSafeEqual(digest(authorization ?? ''), digest(`Bearer ${word}`));
