import { array, number, object, string, type InferType } from 'yup';
import { DEMO_FRAMES, DEMO_MODULES, type FrameRequest } from '@/core/frame-packing';
import { fail, hashOf, ok, type IntervalMm, type Problem, type Result } from '@/core/kernel';

export const APART_BY = ['row', 'opening'] as const;

/** One cable through the wall: from the schedule, with its measured diameter, or passing through with a diameter of its own. */
const memberSchema = object({
  tag: string().min(1).max(40).required(),
  circuit: string().max(40).optional(),
  /** mm; left out for a cable of the schedule. */
  diameter: object({ min: number().min(0).max(500).required(), max: number().min(0).max(500).required() })
    .noUnknown()
    .test('order', 'the maximum is below the minimum', (d) => d === undefined || d.max >= d.min)
    .optional()
    .default(undefined),
  front: number().integer().min(0).max(100_000).optional(),
  back: number().integer().min(0).max(100_000).optional(),
})
  .noUnknown()
  .required();

/** What a crossing is planned from. Frames are named by their id in the catalogue. */
export const crossingSetupSchema = object({
  place: string().max(80).required(),
  /** Fire, gas and water rating of the wall; empty while nobody has said. */
  rating: string().max(120).defined(),
  members: array().of(memberSchema).max(5000).required(),
  apart: array()
    .of(
      object({
        a: string().min(1).max(40).required(),
        b: string().min(1).max(40).required(),
        by: string().oneOf(APART_BY).required(),
      })
        .noUnknown()
        .required(),
    )
    .max(20)
    .required(),
  spareShare: number().min(0).max(1).required(),
  frames: array()
    .of(string().min(1).max(40).required())
    .min(1, 'allow at least one frame')
    .max(60)
    .required(),
})
  .noUnknown()
  .required();

export type CrossingSetup = InferType<typeof crossingSetupSchema>;
export type CrossingMember = CrossingSetup['members'][number];

/** What the schedule knows of a cable's outer sheath. */
export interface KnownDiameter {
  readonly interval: IntervalMm;
  /** Only the datasheet says so. */
  readonly nominal: boolean;
}

export interface CrossingRequest {
  readonly request: FrameRequest;
  /** Why a plan from it is provisional, cable by cable. */
  readonly provisional: readonly string[];
  /** Cables that cannot be planned, each with the reason. */
  readonly missing: readonly { readonly tag: string; readonly reason: string }[];
}

/** The request of the planner for a crossing. Nothing is guessed: a cable without a diameter is named and left out. */
export function crossingRequest(
  setup: CrossingSetup,
  known: ReadonlyMap<string, KnownDiameter>,
): Result<CrossingRequest> {
  const problems: Problem[] = [];
  const tags = setup.members.map((m) => m.tag);
  const first = new Map<string, number>();
  tags.forEach((tag, i) => {
    if (first.has(tag)) problems.push({ path: `members[${i}].tag`, message: 'stands twice', value: tag });
    else first.set(tag, i);
  });
  setup.apart.forEach((rule, i) => {
    if (rule.a === rule.b)
      problems.push({
        path: `apart[${i}]`,
        message: 'a circuit cannot be kept apart from itself',
        value: rule.a,
      });
  });
  const frames = setup.frames.flatMap((id, i) => {
    const found = DEMO_FRAMES.find((f) => f.id === id);
    if (!found) problems.push({ path: `frames[${i}]`, message: 'is not in the catalogue', value: id });
    return found ? [found] : [];
  });
  if (problems.length > 0) return fail(problems);
  const provisional: string[] = [];
  const missing: { tag: string; reason: string }[] = [];
  const cables = setup.members.flatMap((m) => {
    const fromSchedule = known.get(m.tag);
    const diameter = m.diameter ?? fromSchedule?.interval;
    if (!diameter) {
      missing.push({ tag: m.tag, reason: 'its outer sheath is not measured' });
      return [];
    }
    if (!m.diameter && fromSchedule?.nominal) provisional.push(`${m.tag} is known from its datasheet only`);
    return [
      {
        tag: m.tag,
        diameter: { min: diameter.min, max: diameter.max },
        ...(m.circuit ? { circuit: m.circuit } : {}),
        ...(m.front === undefined ? {} : { front: m.front }),
        ...(m.back === undefined ? {} : { back: m.back }),
      },
    ];
  });
  return ok({
    request: {
      cables,
      modules: [...DEMO_MODULES],
      frames,
      apart: setup.apart.map(({ a, b, by }) => ({ circuits: [a, b], by })),
      spare: { share: setup.spareShare },
    },
    provisional,
    missing,
  });
}

/** Tells requests apart: a plan is stale when the request it was made from is no longer today's. */
export const requestHash = (request: FrameRequest): string => hashOf(request);
