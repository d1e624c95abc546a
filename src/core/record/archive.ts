import { array, number, object, string } from 'yup';
import { hashBytes, type Problem } from '@/core/kernel';

/** The file in an archive that names all others, and the one that signs it. */
export const CONTENTS = 'contents.json';
export const CONTENTS_SIGNATURE = 'contents.sig';

/** What an archive holds: every file by its hash. */
export const contentsSchema = object({
  format: string()
    .oneOf(['amber-collar-archive'] as const)
    .required(),
  version: number()
    .oneOf([1] as const)
    .required(),
  job: string().required(),
  made: string().required(),
  files: array()
    .of(
      object({
        name: string().required(),
        bytes: number().integer().min(0).required(),
        sha256: string().length(64).required(),
      })
        .noUnknown()
        .required(),
    )
    .required(),
  /** What is not in it, and why. */
  without: array().of(string().required()).required(),
})
  .noUnknown()
  .required();

export interface ArchivedFile {
  readonly name: string;
  readonly bytes: number;
  readonly sha256: string;
}

/** Names every file of an archive, sorted by name. `sha256` may be a faster one than the core's own. */
export const filesOf = (
  files: Readonly<Record<string, Uint8Array>>,
  sha256: (bytes: Uint8Array) => string = hashBytes,
): ArchivedFile[] =>
  Object.entries(files)
    .map(([name, bytes]) => ({ name, bytes: bytes.byteLength, sha256: sha256(bytes) }))
    .sort((a, b) => (a.name < b.name ? -1 : 1));

/** What is signed of an archive: the hash of its list, as nothing else is called that the key signs. */
export const contentsHead = (contents: Uint8Array): string => `archive ${hashBytes(contents)}`;

/** What of an archive is not as its list says: missing, changed, or not in the list. */
export function auditFiles(
  listed: readonly ArchivedFile[],
  files: Readonly<Record<string, Uint8Array>>,
): Problem[] {
  const there = new Map(filesOf(files).map((f) => [f.name, f]));
  const names = new Set(listed.map((f) => f.name));
  return [
    ...listed.flatMap(({ name, bytes, sha256 }) => {
      const file = there.get(name);
      if (file === undefined) return [{ path: name, message: 'is missing' }];
      return file.sha256 === sha256 && file.bytes === bytes
        ? []
        : [{ path: name, message: 'has been changed after it was put away' }];
    }),
    ...[...there.keys()]
      .filter((name) => !names.has(name))
      .map((name) => ({ path: name, message: 'has been added after it was put away' })),
  ];
}
