import { number, object, string, type InferType } from 'yup';
import { readingsSchema } from '@/core/cable-measurement';
import { catalogueFaults, catalogueFileSchema, inForce, type Family, type Size } from '@/core/catalogue';
import {
  choose,
  contradictions,
  measureEnd,
  reasonWords,
  type Candidate,
  type CatalogueView,
  type Choice,
  type Located,
  type TerminationInput,
} from '@/core/gland-selection';
import { fail, ok, refuse, type Result } from '@/core/kernel';
import { planTermination, type PlanRequest, type TerminationPlan } from '@/core/procedure';
import {
  cableTypeSchema,
  codeProfileSchema,
  CODE_PROFILES,
  DEFAULT_PROFILE,
  enclosureSchema,
  entrySchema,
} from '@/core/schedule';
import { CATALOGUE_NAME } from '../references';
import { becauseOfPaths } from './because-values';

const FILE = {
  type: 'object',
  properties: { file: { type: 'string' } },
  required: ['file'],
  additionalProperties: false,
};

/** What every question about one cable end is asked with. */
export const terminationFields = {
  tag: string().min(1).max(45).optional(),
  cableType: cableTypeSchema,
  readings: readingsSchema,
  enclosure: enclosureSchema,
  entry: entrySchema,
  /** Length of the whole cable; the barrier decision of some profiles asks for it. */
  cableLengthMm: number().min(0).max(100_000_000).optional(),
  /** Inline, by its key or from a file; the profile that jobs start from, when it is not given. */
  profile: codeProfileSchema
    .optional()
    .default(undefined)
    .meta({ jsonSchema: { or: [{ enum: CODE_PROFILES.map((p) => p.key) }, FILE] } }),
  /** Inline, by the name of a file that ships, or from a file. */
  catalogue: catalogueFileSchema.meta({
    jsonSchema: { or: [{ type: 'string', pattern: CATALOGUE_NAME.source }, FILE] },
  }),
  /** Only this family, and this revision of it, instead of everything that is in force. */
  family: string().min(1).max(20).optional(),
  revision: string().min(1).max(20).optional(),
  /** Only this ring: its part number, or the name of a face. */
  ring: string().min(1).max(40).optional(),
};

/** The same with the size that was taken. */
export const sizeFields = { ...terminationFields, size: string().min(1).max(40).required() };

export const terminationSchema = object(terminationFields).noUnknown().required();
export type TerminationRequest = InferType<typeof terminationSchema>;

export interface Chosen {
  readonly request: TerminationRequest;
  readonly input: TerminationInput;
  readonly catalogue: CatalogueView;
  readonly choice: Choice;
  /** Where the parts of a candidate stand in the request. */
  locate: (candidate: Candidate) => Located;
  /** Paths with the figures that stand there. */
  because: (paths: readonly string[]) => readonly { readonly path: string; readonly value: unknown }[];
}

function inputOf(request: TerminationRequest): Result<TerminationInput> {
  const profile = request.profile ?? DEFAULT_PROFILE;
  const measured = measureEnd(request.readings, profile.measurement);
  if (!measured.ok) return measured;
  const { cableType, enclosure, entry } = request;
  const against = contradictions(cableType, measured.value);
  if (against.length > 0) return fail(against);
  const cableLengthMm = request.cableLengthMm ?? null;
  return ok({ cableType, enclosure, entry, profile, ...measured.value, cableLengthMm });
}

/** Families that compete: those in force, or the one that was asked for in the revision that was asked for. */
function familiesOf({ catalogue, family, revision }: TerminationRequest): Result<readonly Family[]> {
  if (family === undefined)
    return revision === undefined
      ? ok(inForce(catalogue.families))
      : refuse('revision', 'is asked for without its family', revision);
  const named = catalogue.families.filter((f) => f.code === family);
  if (named.length === 0) return refuse('family', 'is not in the catalogue', family);
  if (revision === undefined) return ok(inForce(named));
  const found = named.filter((f) => f.sheet.revision === revision);
  return found.length > 0
    ? ok(found)
    : refuse(
        'revision',
        `is not in the catalogue; ${named.map((f) => f.sheet.revision).join(', ')} are`,
        revision,
      );
}

/** Sizes with only the ring that was asked for; one that does not have it keeps none. */
function withRing(families: readonly Family[], ring: string | undefined): Result<readonly Family[]> {
  if (ring === undefined) return ok(families);
  const only = (size: Size): Size => ({
    ...size,
    rings: size.rings.filter((r) => r.ring === ring || (r.ring === undefined && r.face === ring)),
  });
  const made = families.map((f) => ({ ...f, sizes: f.sizes.map(only) }));
  return made.some((f) => f.sizes.some((s) => s.rings.length > 0))
    ? ok(made)
    : refuse('ring', 'is no ring or face of any of these sizes', ring);
}

/** Judges every size that competes. Errors: contradictory readings, a catalogue that names nothing, a family or revision that is not there. */
export function chosen(request: TerminationRequest): Result<Chosen> {
  const input = inputOf(request);
  if (!input.ok) return input;
  const faults = catalogueFaults(request.catalogue);
  if (faults.length > 0) return fail(faults.map((p) => ({ ...p, path: `catalogue.${p.path}` })));
  const named = familiesOf(request);
  if (!named.ok) return named;
  const families = withRing(named.value, request.ring);
  if (!families.ok) return families;
  const catalogue = { ...request.catalogue, families: families.value };
  const root = { ...request, profile: input.value.profile };
  return ok({
    request,
    input: input.value,
    catalogue,
    choice: choose(input.value, catalogue),
    locate: (candidate) => locate(request, candidate),
    because: (paths) => becauseOfPaths(root, paths),
  });
}

function locate({ catalogue }: TerminationRequest, { family, size, entry }: Candidate): Located {
  const f = catalogue.families.findIndex(
    (x) => x.code === family.code && x.sheet.revision === family.sheet.revision,
  );
  const s = catalogue.families[f]?.sizes.findIndex((x) => x.code === size.code) ?? -1;
  const at = `catalogue.families[${f}]`;
  const stack = [...entry.between, ...entry.outside, ...entry.inside];
  return {
    family: at,
    size: `${at}.sizes[${s}]`,
    adaptor:
      entry.adaptor === null ? null : `catalogue.adaptors[${catalogue.adaptors.indexOf(entry.adaptor)}]`,
    accessories: [...new Set(stack)].map((a) => `catalogue.accessories[${catalogue.accessories.indexOf(a)}]`),
  };
}

export interface Planned extends Chosen {
  readonly candidate: Candidate;
  readonly plan: TerminationPlan;
  /** Why nothing may be done with this size, in words; empty when nothing speaks against it. */
  readonly refused: readonly string[];
}

type More = Pick<PlanRequest, 'routeMm' | 'spareMm' | 'unit' | 'terminals' | 'compound'>;

/** The plan of the size that was taken. A size code that several families share asks for the family. */
export function planned(
  request: TerminationRequest & { readonly size: string },
  more: More,
): Result<Planned> {
  const made = chosen(request);
  if (!made.ok) return made;
  const { input, choice } = made.value;
  const found = choice.candidates.filter((c) => c.size.code === request.size);
  const [candidate, ...others] = found;
  if (candidate === undefined) return refuse('size', 'is not in the catalogue', request.size);
  if (others.length > 0)
    return refuse(
      'size',
      `stands in ${found.map((c) => c.family.code).join(' and ')}: name the family`,
      request.size,
    );
  if (input.outerSheath === null) return refuse('readings', 'the outer sheath is not measured');
  const plan = planTermination(
    { tag: request.tag ?? 'unnamed', input, compounds: request.catalogue.compounds ?? [], ...more },
    candidate,
  );
  const refused =
    candidate.verdict === 'misfit'
      ? candidate.findings.filter((f) => f.verdict === 'misfit').map((f) => reasonWords(f.case))
      : plan.planOnly.map((p) => p.message);
  return ok({ ...made.value, candidate, plan, refused });
}

/** What every answer about a taken size says of it. */
export const sizeJson = ({ candidate, plan, refused }: Planned) => ({
  size: plan.size,
  family: plan.family.code,
  revision: plan.family.revision,
  verdict: candidate.verdict,
  provisional: plan.provisional,
  refused,
});
