/** A revision of a sheet, or a part, as it came into the catalogue: what it is, what it is called, and the hash of its figures. */
export interface CameIn {
  readonly kind: string;
  readonly name: string;
  readonly hash: string;
}

/** What came in and is not there any more as it came in. `changed`: other figures, which never came in, stand under its name. */
export interface RevisionFault {
  readonly kind: string;
  readonly name: string;
  readonly fault: 'changed' | 'missing';
}

const called = ({ kind, name }: Omit<CameIn, 'hash'>): string => `${kind} ${name}`;
const exactly = (one: CameIn): string => `${called(one)} ${one.hash}`;

/**
 * Compares what is remembered to have come in with what is there. `fresh` is there and not remembered yet, under a name of which nothing was lost: it may have
 * come in at another machine. What stands in the place of something lost is never fresh.
 */
export function compareCameIn(
  remembered: readonly CameIn[],
  there: readonly CameIn[],
): { readonly faults: readonly RevisionFault[]; readonly fresh: readonly CameIn[] } {
  const known = new Set(remembered.map(exactly));
  const present = new Set(there.map(exactly));
  const unknown = there.filter((one) => !known.has(exactly(one)));
  const unknownNames = new Set(unknown.map(called));
  const lost = new Map(
    remembered.filter((one) => !present.has(exactly(one))).map((one) => [called(one), one]),
  );
  return {
    faults: [...lost].map(([name, { kind, name: own }]) => ({
      kind,
      name: own,
      fault: unknownNames.has(name) ? 'changed' : 'missing',
    })),
    fresh: unknown.filter((one) => !lost.has(called(one))),
  };
}

const KIND_WORDS: Readonly<Record<string, string>> = {
  family: 'the sheet',
  adaptor: 'the adaptor',
  accessory: 'the accessory',
  compound: 'the sheet of the compound',
  frameSheet: 'the sheet of frames',
  plugSheet: 'the sheet of plugs',
  sleeveSheet: 'the sheet of sleeves',
  wrapSheet: 'the sheet of wraps',
};

/** A fault in words, to be followed by a sentence of what to do. */
export const revisionFaultWords = ({ kind, name, fault }: RevisionFault): string =>
  `${KIND_WORDS[kind] ?? kind} ${name} ${
    fault === 'changed'
      ? 'has other figures than it came in with'
      : 'came in here, and the database does not hold it as it came in'
  }`;
