import { array, boolean, mixed, number, object, string, type InferType, type Schema } from 'yup';
import { fail, MAX_FILE_BYTES, ok, validate, type Result } from '@/core/kernel';
import { frameCableSchema } from '@/core/frame-packing';
import { MAX_PHOTO_BYTES, MOST_PHOTOS } from '@/core/photo';
import { MOST_KEPT } from '@/core/kept-work';
import { ROLES } from '@/core/people';
import { readTest, type ElectricalTest } from '@/core/electrical-test';
import {
  LOOK_DECISIONS,
  RECORD_GROUPS,
  type RecordGroup,
  type SubjectRef,
  type WorkCommand,
} from '@/core/record';
import { MOST_CARDS } from '../operations/work-pack';

// The shapes in which an argument may come from outside. Nothing is coerced; text and lists are bounded; what an operation knows more
// closely (a reading, a setup, a profile) comes as bounded JSON here and is checked by its own schema there.

const text = (most: number) => string().defined().max(most).matches(PLAIN, 'holds signs that nobody can see');
// Letters, marks and line ends of every language, but none of the signs that steer a terminal or turn the reading direction.
const PLAIN = /^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u202a-\u202e\u2066-\u2069]*$/;

export const slug = string().min(1).max(40).matches(PLAIN).required();
export const rowId = number().integer().min(1).max(4_294_967_295).required();
export const version = number().integer().min(1).max(4_294_967_295).required();
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
export const clientId = string().matches(UUID, 'is not an event id').required();
/** Of a person or a session. */
export const uuid = string().matches(UUID, 'names nobody').required();
export const roleWords = array().of(string().oneOf(ROLES).required()).max(ROLES.length).required();
export const hash = string()
  .matches(/^[0-9a-f]{64}$/, 'is not a hash')
  .required();
const deviceTime = string().max(40).required();

export const terminationRef = object({
  job: slug,
  cable: string().min(1).max(40).matches(PLAIN).required(),
  end: string().max(1).required(),
})
  .noUnknown()
  .required();

export const crossingRef = object({ job: slug, crossing: string().min(1).max(40).required() })
  .noUnknown()
  .required();

const MAX_VALUES = 400_000;
const MAX_DEPTH = 40;

/** Plain JSON, bounded in depth and in number of values; neither the one nor the other needs recursion to be found out. */
function isBoundedJson(value: unknown): boolean {
  let level: unknown[] = [value];
  let seen = 0;
  for (let depth = 0; level.length > 0; depth += 1) {
    seen += level.length;
    if (depth > MAX_DEPTH || seen > MAX_VALUES) return false;
    const next: unknown[] = [];
    for (const v of level) {
      if (v === null || v === undefined || typeof v === 'boolean' || typeof v === 'string') continue;
      if (typeof v === 'number') {
        // NaN is what an empty field comes to: the schema behind says at which one.
        if (v === Infinity || v === -Infinity) return false;
        continue;
      }
      if (typeof v !== 'object') return false;
      const prototype: unknown = Object.getPrototypeOf(v);
      if (!Array.isArray(v) && prototype !== Object.prototype && prototype !== null) return false;
      if (Object.hasOwn(v, '__proto__')) return false;
      for (const inner of Object.values(v)) next.push(inner);
    }
    level = next;
  }
  return true;
}

/** Anything that JSON can say, null apart. */
type Json = object | string | number | boolean;

export const json = mixed<Json>()
  .nullable()
  .defined()
  .test('json', 'is not plain data of a bearable size', isBoundedJson);

/** What a hand types into a field of the schedule, by the name of the field. */
export const typedFields = mixed<Readonly<Record<string, string>>>()
  .test(
    'fields',
    'are not fields with text in them',
    (v) =>
      typeof v === 'object' &&
      v !== null &&
      !Array.isArray(v) &&
      isBoundedJson(v) &&
      Object.entries(v).length <= 40 &&
      Object.values(v).every((t) => typeof t === 'string' && t.length <= 4000),
  )
  .required();

export const rowVersions = object({ cable: version, A: version, B: version }).noUnknown().required();

/** As many rows as one page of the schedule shows. */
const MOST_ROWS = 100;

export const rowEdits = array()
  .of(object({ cable: rowId, versions: rowVersions, fields: typedFields }).noUnknown().required())
  .min(1)
  .max(MOST_ROWS)
  .test(
    'once',
    'names a row twice',
    // Asked before each of them is known to be a row.
    (rows: readonly ({ readonly cable?: unknown } | null)[] | undefined) =>
      rows === undefined || new Set(rows.map((r) => r?.cable)).size === rows.length,
  )
  .required();

const mix = object({
  batch: text(40),
  expiry: text(10),
  tempC: number().min(-50).max(120).required(),
})
  .noUnknown()
  .nullable()
  .default(undefined);

const MOST_LENGTHS = 200;
const lengths = mixed<Readonly<Record<string, number>>>().test(
  'lengths',
  'are not lengths by their names',
  (v) =>
    v === undefined ||
    (typeof v === 'object' &&
      v !== null &&
      !Array.isArray(v) &&
      Object.keys(v).length <= MOST_LENGTHS &&
      Object.entries(v).every(([key, mm]) => key.length <= 60 && typeof mm === 'number')),
);

const MOST_CHOICES = 128;
const choices = mixed<Readonly<Record<string, string>>>().test(
  'choices',
  'are not choices by their names',
  (v) =>
    v === undefined ||
    (typeof v === 'object' &&
      v !== null &&
      !Array.isArray(v) &&
      Object.keys(v).length <= MOST_CHOICES &&
      Object.entries(v).every(
        ([key, said]) => key.length <= 60 && typeof said === 'string' && said.length <= 60,
      )),
);

const stepId = string().max(60).required();

const COMMANDS = {
  confirm: object({
    kind: string().required(),
    stepId,
    fingerprint: string().max(80).required(),
    decision: string().oneOf(LOOK_DECISIONS).nullable(),
    mix,
    measured: lengths,
    again: lengths,
    chosen: choices,
    checked: array().of(number().integer().min(0).max(99).required()).max(100),
    instrument: text(60).optional(),
    photos: array().of(hash).max(MOST_PHOTOS).optional(),
  }).noUnknown(),
  correct: object({ kind: string().required(), stepId, reason: text(400) }).noUnknown(),
  temperature: object({
    kind: string().required(),
    tempC: number().required(),
    instrument: text(60).optional(),
  }).noUnknown(),
  recut: object({ kind: string().required(), text: text(40) }).noUnknown(),
  test: object({
    kind: string().required(),
    test: mixed<ElectricalTest>()
      .required()
      .test('test', 'is no test', (v: unknown, { createError, path }) => {
        const read = readTest(v, true);
        const [problem] = read.ok ? [] : read.problems;
        return problem === undefined
          ? true
          : createError({ path: `${path}.${problem.path}`, message: problem.message });
      }),
    instrument: text(60).optional(),
  }).noUnknown(),
} as const satisfies Record<WorkCommand['kind'], Schema>;

const isKind = (kind: unknown): kind is WorkCommand['kind'] =>
  typeof kind === 'string' && Object.hasOwn(COMMANDS, kind);

export const workInput = object({
  id: clientId,
  at: deviceTime,
  command: mixed<WorkCommand>()
    .required()
    .test('command', (v: unknown, { createError, path }) => {
      const kind = typeof v === 'object' && v !== null && 'kind' in v ? v.kind : undefined;
      if (!isKind(kind)) return createError({ path, message: 'is no command of the bench' });
      const read = validate(COMMANDS[kind], v, true);
      const [problem] = read.ok ? [] : read.problems;
      return problem === undefined
        ? true
        : createError({ path: `${path}.${problem.path}`, message: problem.message });
    }),
})
  .noUnknown()
  .required();

/** A photo as text, RFC 4648: what is in it is looked at where it is kept. */
export const photoText = string()
  .required()
  .max(Math.ceil(MAX_PHOTO_BYTES / 3) * 4)
  .matches(/^[A-Za-z0-9+/]+={0,2}$/, 'is no photo in base 64');

/** What something is called, or nothing. */
export const nameOrNone = string().defined().max(60).matches(PLAIN);

export const shortOrNothing = string().defined().max(200).matches(PLAIN);
export const recordGroup = mixed<RecordGroup>(
  (v): v is RecordGroup => typeof v === 'string' && Object.hasOwn(RECORD_GROUPS, v),
).required();

const contact = object({ server: deviceTime, device: deviceTime }).noUnknown().required();

/** As many of its own as a device remembers of one subject. */
const MOST_MINE = 200;

/** What a device kept while it had no server. */
export const keptBatch = object({
  base: object({
    seq: number().integer().min(0).max(1_000_000).required(),
    hash: string().defined().max(64),
    planHash: string().defined().max(64),
  })
    .noUnknown()
    .required(),
  sentAt: deviceTime,
  person: string().matches(UUID, 'names nobody').nullable().defined(),
  items: array()
    .of(object({ input: workInput, contact }).noUnknown().required())
    .min(1)
    .max(MOST_KEPT)
    .required(),
  mine: array().of(clientId).max(MOST_MINE).optional(),
  settle: object({
    stands: string()
      .oneOf(['record', 'device'] as const)
      .required(),
    reason: text(400),
    seen: hash,
  })
    .noUnknown()
    .nullable()
    .defined()
    .default(undefined),
})
  .noUnknown()
  .required();

/** What work is recorded of: the end of a cable, or a crossing. */
export const subject = mixed<SubjectRef>()
  .required()
  .test('subject', 'names nothing that work is recorded of', (v: unknown) => {
    if (typeof v !== 'object' || v === null || !('kind' in v)) return false;
    const { kind, ...ref } = v;
    if (kind === 'termination') return validate(terminationRef, ref, true).ok;
    return kind === 'crossing' && validate(crossingRef, ref, true).ok;
  });

export const planDraft = object({
  id: clientId,
  knowing: boolean().required(),
  kind: string()
    .oneOf(['planned', 'asBuilt'] as const)
    .required(),
  requestHash: hash,
  plan: json,
  note: text(200),
})
  .noUnknown()
  .required();

export const reentryDraft = object({
  id: clientId,
  knowing: boolean().required(),
  version,
  cables: array()
    .of(frameCableSchema.shape({ bundle: string().min(1).max(40).optional() }))
    .max(5000)
    .required(),
  without: array().of(string().min(1).max(40).required()).max(5000).required(),
  plan: json,
})
  .noUnknown()
  .required();

export const jobPicks = array()
  .of(
    object({ tag: string().max(50).required(), part: string().max(60).required() })
      .noUnknown()
      .required(),
  )
  .max(20_000)
  .required();

export const shortText = text(60);
export const longText = text(4000);
export const fileText = string().defined().max(MAX_FILE_BYTES);
export const count = number().integer().min(0).max(1_000_000).required();
export const tags = array().of(string().min(1).max(50).required()).max(MOST_CARDS).required();
/** Ends of a whole job. */
export const manyTags = array().of(string().min(1).max(50).required()).max(20_000).required();
/** Where the codes on printed labels lead to. */
export const webOrigin = string()
  .max(200)
  .matches(/^https?:\/\/[^\s/]+$/, 'is not an address such as http://10.0.0.5:3210')
  .required();
export const yesNo = boolean().required();
export const shortTextOrNull = shortText.nullable();

type Schemas = readonly Schema[];
export type ArgumentsOf<S extends Schemas> = { -readonly [I in keyof S]: InferType<S[I]> };

/** Reads the arguments of a call in order. Every problem names the argument by `names`; too many arguments are one too. */
export function readArguments<S extends Schemas>(
  names: readonly string[],
  schemas: S,
  given: readonly unknown[],
): Result<ArgumentsOf<S>> {
  if (given.length > schemas.length)
    return fail([{ path: '', message: `takes ${schemas.length} arguments, not ${given.length}` }]);
  const read: unknown[] = [];
  const problems = schemas.flatMap((schema, i) => {
    const name = names[i] ?? `argument ${i + 1}`;
    // Before the schema sees it: what cannot be written as JSON cannot be said in a message either.
    if (!isBoundedJson(given[i])) return [{ path: name, message: 'is not plain data of a bearable size' }];
    const result = validate(schema, given[i], true);
    if (result.ok) {
      read[i] = result.value;
      return [];
    }
    return result.problems.map((p) => ({
      ...p,
      path: p.path === '' ? name : p.path,
      message: p.message === '' ? `${name} is not in order` : p.message,
    }));
  });
  return problems.length > 0 ? fail(problems) : ok(read as unknown as ArgumentsOf<S>);
}
