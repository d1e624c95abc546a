import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { fail, ok, validate, type Problem, type Result } from '@/core/kernel';
import { pinsSchema } from '@/core/pin-map';
import { readingSchema } from '@/core/cable-measurement';
import { crossingSetupSchema } from '@/core/crossing';
import {
  cableTypeSchema,
  codeProfileSchema,
  enclosureSchema,
  ENDS,
  newEntrySchema,
  tagSchema,
} from '@/core/schedule';

export const JOB_FILE_VERSION = 1;

const label = string().min(1).max(20);
/** Length of the way from the wall to the terminal of a core, where it differs. */
const terminalsSchema = array()
  .of(
    object({ core: string().max(40).required(), routeMm: number().min(0).max(100_000).required() })
      .noUnknown()
      .required(),
  )
  .max(200)
  .required();

const endSchema = object({
  /** Tag of the box and label of the entry; both null while it is not placed. */
  box: string().max(40).nullable().defined(),
  entry: label.nullable().defined(),
  /** Tail beyond the wall, mm; null when it is not known. */
  tailMm: number().min(0).max(100_000).nullable().defined(),
  spareMm: number().min(0).max(100_000).required(),
  sizeLocked: boolean().required(),
  compound: string().max(60).nullable().defined(),
  terminals: terminalsSchema,
  /** Pin map, where somebody typed one. */
  pins: pinsSchema.optional().default(undefined),
})
  .noUnknown()
  .required();

/** A box with its entries, and the area where it stands. */
export const boxWithEntriesSchema = object({
  area: string().max(80).defined(),
  box: enclosureSchema,
  entries: array().of(newEntrySchema).max(500).required(),
})
  .noUnknown()
  .required();

export type BoxWithEntries = InferType<typeof boxWithEntriesSchema>;

const planSchema = object({
  end: string().oneOf(ENDS).required(),
  /** The sheet that the plan stands on; it must be in the catalogue of whoever takes the file in. */
  family: string().max(10).required(),
  revision: string().max(20).required(),
  hash: string().length(64).required(),
  body: mixed<object>().required(),
})
  .noUnknown()
  .required();

const cableSchema = object({
  tag: tagSchema,
  type: string().min(1).max(40).required(),
  routeMm: number().min(0).max(100_000_000).nullable().defined(),
  note: string().max(200).defined(),
  A: endSchema,
  B: endSchema,
  readings: array()
    .of(
      object({ end: string().oneOf(ENDS).nullable().defined(), reading: readingSchema })
        .noUnknown()
        .required(),
    )
    .max(200)
    .required(),
  plans: array().of(planSchema).max(2).required(),
})
  .noUnknown()
  .required();

/**
 * A whole job in one file: what it is set to, types, boxes, cables with their readings and plans, crossings with their setup. Work that is
 * recorded is not in it: its record is a file of its own, which cannot be taken in anywhere else.
 */
export const jobFileSchema = object({
  format: string()
    .oneOf(['amber-collar-job'] as const)
    .required(),
  version: number()
    .oneOf([JOB_FILE_VERSION] as const)
    .required(),
  name: string().min(1).max(120).required(),
  place: string().max(120).defined(),
  unit: string()
    .oneOf(['mm', 'in'] as const)
    .required(),
  secondPerson: boolean().required(),
  families: array().of(string().min(1).max(10).required()).max(500).nullable().defined(),
  profile: codeProfileSchema,
  types: array().of(cableTypeSchema).max(2000).required(),
  boxes: array().of(boxWithEntriesSchema).max(5000).required(),
  cables: array().of(cableSchema).max(5000).required(),
  crossings: array()
    .of(
      object({ name: string().min(1).max(40).required(), setup: crossingSetupSchema })
        .noUnknown()
        .required(),
    )
    .max(500)
    .required(),
})
  .noUnknown()
  .required();

export type JobFile = InferType<typeof jobFileSchema>;

/** Reads a job file: its shape, and that everything it names is in it, once. */
export function readJobFile(json: unknown): Result<JobFile> {
  const read = validate(jobFileSchema, json, true);
  if (!read.ok) return read;
  const file = read.value;
  const problems: Problem[] = [];
  const twice = (path: string, names: readonly string[]) => {
    const seen = new Set<string>();
    for (const name of names) {
      if (seen.has(name)) problems.push({ path, message: 'is in the file twice', value: name });
      seen.add(name);
    }
    return seen;
  };
  const types = twice(
    'types',
    file.types.map((t) => t.code),
  );
  const entries = twice(
    'boxes',
    file.boxes.flatMap((b) => b.entries.map((e) => `${b.box.tag}/${e.label}`)),
  );
  twice(
    'boxes',
    file.boxes.map((b) => b.box.tag),
  );
  twice(
    'cables',
    file.cables.map((c) => c.tag),
  );
  twice(
    'crossings',
    file.crossings.map((c) => c.name),
  );
  const places: string[] = [];
  file.cables.forEach((cable, i) => {
    if (!types.has(cable.type))
      problems.push({
        path: `cables[${i}].type`,
        message: 'is not among the types of the file',
        value: cable.type,
      });
    for (const end of ENDS) {
      const { box, entry } = cable[end];
      if (box === null && entry === null) continue;
      const at = `${box ?? ''}/${entry ?? ''}`;
      if (entries.has(at)) places.push(at);
      else
        problems.push({
          path: `cables[${i}].${end}`,
          message: 'is not among the entries of the file',
          value: at,
        });
    }
  });
  twice('cables', places);
  return problems.length > 0 ? fail(problems) : ok(file);
}
