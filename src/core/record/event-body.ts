import { array, mixed, number, object, string, type InferType, type Schema } from 'yup';
import { readTest, TEST_KINDS, type ElectricalTest } from '@/core/electrical-test';
import { refuse, validate, VERDICTS, type Result } from '@/core/kernel';
import { MOST_PHOTOS } from '@/core/photo';
import { LOOK_DECISIONS, READ_UNITS } from './step';

/** What can happen in a record of work. */
export const EVENT_KINDS = [
  'confirm',
  'look',
  'sign',
  'mix',
  'waste',
  'temperature',
  'recut',
  'replan',
  'correct',
  'note',
  'test',
  'leftOut',
] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

/** What the event called itself when it was written; the first ones did not say. */
const title = () => string().max(200).optional();
const text = (most: number) => string().max(most).defined();
const ids = () => array().of(string().max(60).required()).required();

const figureSchema = object({
  value: text(40),
  unit: text(20),
  second: string().max(200).optional(),
  markId: string().max(60).optional(),
})
  .optional()
  .default(undefined);

/** What was recorded at a mixing. */
const mixSchema = object({
  batch: text(40),
  /** `2027-03-31`: the last day on which the pack may be used. */
  expiry: text(10),
  /** Temperature of the work, °C. */
  tempC: number().required(),
});

/** Whoever an apprentice worked under who did it; left out where somebody worked in their own name. */
const under = () =>
  object({ person: text(36), name: text(60) })
    .optional()
    .default(undefined);

const confirmSchema = object({
  title: title(),
  under: under(),
  fingerprint: text(80),
  decision: string().oneOf(LOOK_DECISIONS).optional(),
  /** What the plan asked for. */
  figure: figureSchema,
  mix: mixSchema.optional().default(undefined),
  /** What was measured; null when it was asked for and not measured. Events of before had one length and no name for it. */
  measuredMm: number().nullable().optional(),
  measured: array()
    .of(
      object({
        key: text(60),
        label: text(120),
        mm: number().nullable().defined(),
        /** A torque, N·m; `mm` is null then. */
        nm: number().nullable().optional(),
        /** A figure in a unit of its own; `mm` is null then. */
        read: number().nullable().optional(),
        unit: string().oneOf(READ_UNITS).optional(),
        /** The second reading, in the same unit, where the first was too near to a limit. */
        again: number().optional(),
      }),
    )
    .optional(),
  /** What was ticked, in the words that stood there. */
  checked: array().of(text(300)).optional(),
  /** What was said of each thing that was asked after, such as the position of a core. */
  chosen: array()
    .of(object({ key: text(60), label: text(120), option: text(60) }))
    .optional(),
  instrument: string().max(60).optional(),
  /** SHA-256 of each photo that was taken of it; the photos themselves lie beside the record. */
  photos: array().of(string().length(64).required()).max(MOST_PHOTOS).optional(),
});

const changeSchema = object({
  id: string().max(60).required(),
  label: text(200),
  before: string().nullable().defined(),
  after: string().nullable().defined(),
});

/** An electrical test: what was read, and what it came to, in the words of then. */
const testSchema = object({
  title: text(200),
  under: under(),
  of: string().oneOf(TEST_KINDS).required(),
  read: mixed<ElectricalTest>()
    .required()
    .test('test', 'is no test', (v: unknown) => readTest(v, true).ok),
  answer: string()
    .oneOf(['holds', 'fails', 'ask'] as const)
    .required(),
  verdict: text(600),
  findings: array()
    .of(object({ verdict: string().oneOf(VERDICTS).required(), words: text(600) }))
    .required(),
  instrument: string().max(60).optional(),
});

/** What an event of each kind holds beside its step, person and times. */
export const EVENT_BODIES = {
  confirm: confirmSchema,
  look: confirmSchema,
  sign: confirmSchema,
  mix: confirmSchema,
  waste: object({ title: title(), reason: text(400), under: under() }),
  temperature: object({
    title: title(),
    tempC: number().required(),
    instrument: string().max(60).optional(),
    under: under(),
  }),
  recut: object({
    title: title(),
    cutOffMm: number().required(),
    spareMm: number().required(),
    under: under(),
  }),
  replan: object({
    title: title(),
    note: string().max(200).optional(),
    changed: array().of(changeSchema).optional(),
    restamped: ids().optional(),
    redo: ids().optional(),
  }),
  /** A step that was held by mistake: why, and which steps have to be done again. */
  correct: object({ title: text(200), reason: text(400), redo: ids(), under: under() }),
  note: object({ title: title(), reason: text(400) }),
  test: testSchema,
  /** What a device kept and somebody decided against: it is told, and counts for nothing. */
  leftOut: object({
    title: text(200),
    reason: text(400),
    left: array()
      .of(object({ stepId: text(60), title: text(200), at: text(30) }))
      .required(),
  }),
} as const satisfies Record<EventKind, Schema>;

export type MixRecord = InferType<typeof mixSchema>;
export type EventBody<K extends EventKind = EventKind> = InferType<(typeof EVENT_BODIES)[K]>;

const isKind = (kind: string): kind is EventKind => EVENT_KINDS.some((k) => k === kind);

// Of the schemas of all kinds the compiler knows only that each is one.
const read = (kind: EventKind, body: unknown): Result<EventBody> =>
  validate<Schema<EventBody>>(EVENT_BODIES[kind] as Schema<EventBody>, body);

/** What bodies were read to: one that has been written never changes, and is asked for many times in a view. */
const known = new WeakMap<object, { readonly kind: EventKind; readonly result: Result<EventBody> }>();

/** What an event holds, when it is what events of its kind hold; else why it is not. */
export function readBody<K extends EventKind>(kind: K, body: unknown): Result<EventBody<K>>;
export function readBody(kind: string, body: unknown): Result<EventBody>;
export function readBody(kind: string, body: unknown): Result<EventBody> {
  if (!isKind(kind)) return refuse('kind', 'is no kind of event', kind);
  if (typeof body !== 'object' || body === null) return read(kind, body);
  const before = known.get(body);
  if (before?.kind === kind) return before.result;
  const result = read(kind, body);
  known.set(body, { kind, result });
  return result;
}

/** Whoever an apprentice worked under who made this event; null where it was made in one's own name. */
export function underOf({
  kind,
  body,
}: {
  readonly kind: string;
  readonly body: unknown;
}): { readonly person: string; readonly name: string } | null {
  const read = readBody(kind, body);
  return read.ok && 'under' in read.value ? (read.value.under ?? null) : null;
}

/** SHA-256 of the photos that an event names; none where it names none. */
export function photosOf({
  kind,
  body,
}: {
  readonly kind: string;
  readonly body: unknown;
}): readonly string[] {
  if (kind !== 'look' && kind !== 'confirm') return [];
  const read = readBody(kind, body);
  return read.ok ? (read.value.photos ?? []) : [];
}

/** What was measured of one thing, in its own unit; null where it was not. */
export const readIn = ({
  mm,
  nm,
  read,
}: NonNullable<EventBody<'confirm'>['measured']>[number]): number | null => mm ?? nm ?? read ?? null;
