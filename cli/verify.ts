import { createPublicKey, verify } from 'node:crypto';
import {
  auditFiles,
  CONTENTS,
  CONTENTS_SIGNATURE,
  contentsHead,
  contentsSchema,
  headCode,
  keyName,
  verifyBundle,
  type SignatureCheck,
} from '@/core/record';
import { unzipSync } from 'fflate';
import { hashBytes, ok, refuse, validate, type Result } from '@/core/kernel';
import { parseJson } from './json-text';

export interface Verified {
  readonly job: string;
  readonly subjects: number;
  readonly events: number;
  /** To be compared with what stands on prints. */
  readonly code: string | null;
  /** The key that signed: compare it with the one that is known to be the right one. */
  readonly key: string;
  /** Photos that events name, and how many of them were looked at: all of a zip, none of the record alone. */
  readonly photos: { readonly named: number; readonly checked: number };
  /** For the archive of a job: how many files of it are as they were put away, and what is not in it. */
  readonly archive?: { readonly files: number; readonly made: string; readonly without: readonly string[] };
}

const OF_ARCHIVE = new Set([
  CONTENTS,
  CONTENTS_SIGNATURE,
  'dossier.pdf',
  'job.json',
  'schedule.csv',
  'catalogue.json',
]);
const PHOTO = /^photos\/([0-9a-f]{64})\.jpg$/;
/** What a record unpacks to may be no larger than this. */
const MOST_BYTES = 2 ** 31 - 1;

/**
 * Checks a record in a zip: the record itself, and that every photo that it names is there and is that photo. Of the archive of a job every file, against its list,
 * which the key of the record has signed.
 */
export function verifyZip(bytes: Uint8Array): Result<Verified> {
  let strange: string | null = null;
  let sum = 0;
  let files: Readonly<Record<string, Uint8Array>>;
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        sum += originalSize;
        if (name !== 'record.json' && !PHOTO.test(name) && !OF_ARCHIVE.has(name)) strange ??= name;
        return strange === null && sum <= MOST_BYTES;
      },
    });
  } catch {
    return refuse('file', 'is no zip, or breaks off');
  }
  if (files[CONTENTS] === undefined)
    strange ??= Object.keys(files).find((name) => OF_ARCHIVE.has(name)) ?? null;
  if (strange !== null) return refuse('file', 'holds what belongs to no record', strange);
  if (sum > MOST_BYTES) return refuse('file', `unpacks to more than ${MOST_BYTES} bytes`);
  const record = files['record.json'];
  if (record === undefined) return refuse('record.json', 'is missing');
  const json = parseJson(new TextDecoder().decode(record));
  if (!json.ok) return json;
  const photos = new Map(
    Object.entries(files).flatMap(([name, file]) => {
      const hash = PHOTO.exec(name)?.[1];
      return hash === undefined ? [] : [[hash, file] as const];
    }),
  );
  const verified = verifyRecord(json.value, photos);
  if (!verified.ok || files[CONTENTS] === undefined) return verified;
  const archive = verifyArchive(files, verified.value.job, json.value);
  return archive.ok ? ok({ ...verified.value, archive: archive.value }) : archive;
}

type ArchiveReport = NonNullable<Verified['archive']>;

/** Checks the list of an archive: that the key of its record has signed it, and that every file is in it and as it says. */
function verifyArchive(
  all: Readonly<Record<string, Uint8Array>>,
  job: string,
  record: unknown,
): Result<ArchiveReport> {
  const { [CONTENTS]: contents = new Uint8Array(), [CONTENTS_SIGNATURE]: signature, ...files } = all;
  if (signature === undefined) return refuse(CONTENTS_SIGNATURE, 'is missing');
  const open = createPublicKey((record as { publicKey: string }).publicKey);
  const given = Buffer.from(new TextDecoder().decode(signature), 'base64');
  if (!verify(null, Buffer.from(contentsHead(contents), 'utf8'), open, given))
    return refuse(CONTENTS, 'was not signed by the key of the record');
  const json = parseJson(new TextDecoder().decode(contents));
  if (!json.ok) return json;
  const list = validate(contentsSchema, json.value);
  if (!list.ok) return list;
  if (list.value.job !== job) return refuse(CONTENTS, 'is of another job', list.value.job);
  const problems = auditFiles(list.value.files, files);
  if (problems.length > 0) return { ok: false, problems };
  return ok({ files: list.value.files.length, made: list.value.made, without: list.value.without });
}

/** Checks the record of a job from its file, without database and network. `photos` by their hash; left out where the record came alone. */
export function verifyRecord(
  bundle: unknown,
  photos: ReadonlyMap<string, Uint8Array> | null = null,
): Result<Verified> {
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
  const { job, subjects, events, head, photos: named } = report.value;
  if (photos !== null) {
    const wrong = named.flatMap((hash) => {
      const file = photos.get(hash);
      if (file === undefined) return [{ path: 'photos', message: 'a photo is missing', value: hash }];
      return hashBytes(file) === hash
        ? []
        : [{ path: 'photos', message: 'a photo has been changed after it was taken', value: hash }];
    });
    if (wrong.length > 0) return { ok: false, problems: wrong };
  }
  return ok({
    job,
    subjects,
    events,
    code: head === null ? null : headCode(head),
    key,
    photos: { named: named.length, checked: photos === null ? 0 : named.length },
  });
}
