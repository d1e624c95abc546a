import { mixed, type Schema } from 'yup';
import { fail, refuse, validate, type Result } from '@/core/kernel';
import { frameSetupSchema, type FrameSetup } from './frame-setup';
import {
  plugSetupSchema,
  sleeveSetupSchema,
  wrapSetupSchema,
  type PlugSetup,
  type SleeveSetup,
  type WrapSetup,
} from './seal-setup';

/** What closes a wall round cables. */
export const CROSSING_KINDS = ['frames', 'sleeve', 'plug', 'wrap'] as const;
export type CrossingKindId = (typeof CROSSING_KINDS)[number];

export const isCrossingKind = (value: unknown): value is CrossingKindId =>
  CROSSING_KINDS.some((k) => k === value);

export interface Setups {
  readonly frames: FrameSetup;
  readonly sleeve: SleeveSetup;
  readonly plug: PlugSetup;
  readonly wrap: WrapSetup;
}
export type CrossingSetup = Setups[CrossingKindId];
export type CrossingMember = CrossingSetup['members'][number];

export const SETUP_SCHEMAS: { readonly [K in CrossingKindId]: Schema<Setups[K]> } = {
  frames: frameSetupSchema as Schema<FrameSetup>,
  sleeve: sleeveSetupSchema as Schema<SleeveSetup>,
  plug: plugSetupSchema as Schema<PlugSetup>,
  wrap: wrapSetupSchema as Schema<WrapSetup>,
};

/** Reads a setup of any kind. One that names no kind was written when there were only frames. */
export function readCrossingSetup(value: unknown): Result<CrossingSetup> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return refuse('', 'is no setup of a crossing');
  const kind: unknown = 'kind' in value ? value.kind : 'frames';
  if (!isCrossingKind(kind)) return refuse('kind', `must be one of ${CROSSING_KINDS.join(', ')}`, kind);
  const read = validate<Schema<CrossingSetup>>(SETUP_SCHEMAS[kind], { ...value, kind });
  return read.ok ? read : fail(read.problems);
}

/** A setup of any kind inside of something larger. */
export const crossingSetupSchema = mixed<CrossingSetup>()
  .required()
  .test('setup', 'is no setup of a crossing', function judged(value) {
    const read = readCrossingSetup(value);
    if (read.ok) return true;
    const [first] = read.problems;
    return this.createError({
      path: [this.path, first?.path].filter((p) => p !== undefined && p !== '').join('.'),
      message: first?.message ?? '',
    });
  })
  .meta({ shapes: CROSSING_KINDS.map((k) => SETUP_SCHEMAS[k]) });

export * from './frame-setup';
export * from './member';
export * from './seal-setup';
export * from './field-words';
