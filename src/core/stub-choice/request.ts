import { array, number, object, string, type InferType } from 'yup';
import { shapeOf, shapeSchema, type Shape } from '@/core/circle-packing';
import { fail, ok, validate, type Problem, type Result } from '@/core/kernel';

const MM = number().min(0.01).max(5000);
const circuit = () => string().min(1).max(40);

/** More cables than this are not spread over stubs at once. */
export const MOST_CABLES = 600;

export const stubsRequestSchema = object({
  cables: array()
    .of(
      object({
        tag: string().min(1).max(60).required(),
        diameter: object({ min: MM.required(), max: MM.required() })
          .noUnknown()
          .test('order', 'the largest is below the smallest', (d) => !(d.max < d.min))
          .required(),
        circuit: circuit().optional(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(MOST_CABLES, `more than ${MOST_CABLES} cables are not spread at once: part them`)
    .required(),
  stubs: array()
    .of(
      object({
        id: string().min(1).max(40).required(),
        shape: shapeSchema,
        cost: number().min(0).max(10_000_000).required(),
        available: number().integer().min(0).max(10_000).optional(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .max(60)
    .required(),
  apart: array()
    .of(
      object({ circuits: array().of(circuit().required()).length(2).required() })
        .noUnknown()
        .required(),
    )
    .max(200)
    .optional(),
  /** What is wrapped round a cable adds to its diameter: the first line that reaches its size counts. */
  wrap: array()
    .of(
      object({ upTo: MM.required(), adds: number().min(0).max(500).required() })
        .noUnknown()
        .required(),
    )
    .max(40)
    .optional(),
  clearance: number().min(0).max(1000).optional(),
  spare: object({ share: number().min(0).max(1).required() })
    .noUnknown()
    .optional()
    .default(undefined),
  seed: number().integer().min(0).max(4_294_967_295).optional(),
  limitSeconds: number().positive().max(600).optional(),
})
  .noUnknown()
  .required();
export type StubsRequest = InferType<typeof stubsRequestSchema>;

/** A cable as it takes room: with what is wrapped round it, mm. */
export interface StubCable {
  readonly tag: string;
  readonly d: number;
  readonly circuit: string | null;
}

/** A stub that is on offer. */
export interface StubKind {
  readonly id: string;
  readonly shape: Shape;
  readonly cost: number;
  readonly available: number;
}

/** The request as it is worked on. */
export interface StubsTask {
  readonly cables: readonly StubCable[];
  readonly kinds: readonly StubKind[];
  /** Circuits that lie in no stub together, either way round. */
  readonly apart: ReadonlySet<string>;
  readonly clearance: number;
  readonly spareShare: number;
  readonly seed: number;
  readonly limitSeconds: number;
  /** Cables for which no wrap is given. */
  readonly unwrapped: readonly { readonly tag: string; readonly mm: number }[];
  readonly notes: readonly string[];
}

export const pairOf = (a: string, b: string): string => JSON.stringify(a < b ? [a, b] : [b, a]);

/** Reads a request. Errors name path and value: what stands twice, circuits apart from themselves. */
export function readStubsRequest(json: unknown): Result<StubsTask> {
  const read = validate(stubsRequestSchema, json);
  return read.ok ? taskOf(read.value) : read;
}

/** A request that has the right shape, as it is worked on. */
export function taskOf(request: StubsRequest): Result<StubsTask> {
  const { apart = [], wrap: wraps = [] } = request;
  const problems: Problem[] = [
    ...twice(request.cables.map((c) => c.tag)).map(([i, tag]) => ({
      path: `cables[${i}].tag`,
      message: 'stands twice',
      value: tag,
    })),
    ...twice(request.stubs.map((s) => s.id)).map(([i, id]) => ({
      path: `stubs[${i}].id`,
      message: 'stands twice',
      value: id,
    })),
    ...apart.flatMap(({ circuits: [a, b] }, i) =>
      a === b
        ? [{ path: `apart[${i}]`, message: 'a circuit cannot be kept apart from itself', value: a }]
        : [],
    ),
  ];
  if (problems.length > 0) return fail(problems);
  const unwrapped: { tag: string; mm: number }[] = [];
  const cables = request.cables.flatMap(({ tag, diameter, circuit: of }) => {
    const wrap = wraps.find((w) => w.upTo >= diameter.max);
    if (wraps.length > 0 && wrap === undefined) {
      unwrapped.push({ tag, mm: diameter.max });
      return [];
    }
    return [{ tag, d: diameter.max + (wrap?.adds ?? 0), circuit: of ?? null }];
  });
  const pairs = apart.map(({ circuits: [a = '', b = ''] }) => [a, b] as const);
  const there = new Set(request.cables.map((c) => c.circuit));
  const notes = [
    ...[...new Set(pairs.flat())]
      .filter((c) => !there.has(c))
      .map((c) => `no cable is of circuit ${c}, which is kept apart from another`),
    ...(pairs.length === 0
      ? []
      : cables
          .filter((c) => c.circuit === null)
          .map((c) => `provisional: ${c.tag} names no circuit, so that nothing is kept apart from it`)),
  ];
  return ok({
    cables,
    kinds: request.stubs.map(({ id, shape, cost, available }) => ({
      id,
      shape: shapeOf(shape),
      cost,
      // More stubs than cables are never used.
      available: Math.min(available ?? Infinity, request.cables.length),
    })),
    apart: new Set(pairs.map(([a, b]) => pairOf(a, b))),
    clearance: request.clearance ?? 0,
    spareShare: request.spare?.share ?? 0,
    seed: request.seed ?? 1,
    limitSeconds: request.limitSeconds ?? 10,
    unwrapped,
    notes,
  });
}

const twice = (names: readonly string[]): [number, string][] =>
  names.flatMap((name, i): [number, string][] => (names.indexOf(name) < i ? [[i, name]] : []));
