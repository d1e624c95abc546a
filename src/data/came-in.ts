import type { CameIn } from '@/core/catalogue';
import { keptLog } from './kept-log';

// Revisions and parts that came into the catalogue, outside of the database: whoever changes figures there, and their hash too, is seen.

/** Everything of which this machine knows that it came in, and its hashes alone, for who only asks whether all of it is there. */
interface Remembered {
  readonly all: readonly CameIn[];
  readonly hashes: ReadonlySet<string>;
}

const log = keptLog(
  'catalogue.log',
  () => ({ all: [] as CameIn[], hashes: new Set<string>() }),
  ({ all, hashes }, words) => {
    const [kind = '', name = '', hash = ''] = words.map(decodeURIComponent);
    all.push({ kind, name, hash });
    hashes.add(hash);
  },
);

export const rememberedCameIn = (): Remembered => log.recall();

/** Keeps that these came in. Called for what is certain: not for what a transaction has written that may still be taken back. */
export const rememberCameIn = (came: readonly CameIn[]): void =>
  log.add(came.map((one) => [one.kind, one.name, one.hash].map(encodeURIComponent).join(' ')));
