import { array, boolean, number, object, string, type InferType } from 'yup';
import { fail, ok, toUm, validate, type Problem, type Result } from '@/core/kernel';

const length = (max = 5000) => number().min(0).max(max);

/** Number of a part on the sheet. */
const partId = () => string().min(1).max(40).optional();

const rangeSchema = object({
  min: length().required(),
  max: length()
    .required()
    .test('order', 'the maximum is below the minimum', function order(max) {
      const { min } = this.parent as { min?: number };
      return min === undefined || max === undefined || max >= min;
    }),
})
  .noUnknown()
  .required();

/** A cable that goes through. `diameter` in mm, with the measurement's uncertainty in it. */
export const frameCableSchema = object({
  tag: string().min(1).max(60).required(),
  diameter: rangeSchema,
  /** Kept apart from others by this name. */
  circuit: string().min(1).max(40).optional(),
  /** Position in the tray order on each side, left to right as seen from the front. */
  front: number().integer().min(0).optional(),
  back: number().integer().min(0).optional(),
})
  .noUnknown()
  .required();

/** A rubber block in two halves, `size` square. It takes a diameter within `bore` by peeling layers of thickness `layer`. */
export const frameModuleSchema = object({
  id: string().min(1).max(40).required(),
  /** A block smaller than this holds no cable. */
  size: number().min(2).max(500).required(),
  bore: rangeSchema,
  layer: number().min(0.01).max(20).required(),
  gap: rangeSchema,
  /** Stands in the corners of a rounded opening and nowhere else. */
  corner: boolean().optional(),
  cost: number().min(0).max(100_000).optional(),
})
  .noUnknown()
  .required();

export const PRESS_PLACES = ['bottom', 'top', 'inside'] as const;
export type PressPlace = (typeof PRESS_PLACES)[number];

export const frameOpeningSchema = object({
  width: number().min(2).max(2000).required(),
  height: number().min(2).max(3000).required(),
  plate: length(50).required(),
  plateAgainstPress: boolean().required(),
  plateId: partId(),
  press: object({
    min: length().required(),
    max: length().required(),
    at: array().of(string().oneOf(PRESS_PLACES).required()).min(1).required(),
    /** Part numbers of the press unit, where it stands at an end and where it stands inside. */
    id: partId(),
    insideId: partId(),
    /** How it is closed: bolts in turn, each by so much, to the stop or to this torque, whichever comes first. */
    bolts: object({
      count: number().integer().min(1).max(12).required(),
      incrementMm: number().positive().max(20).required(),
      maxTorqueNm: number().positive().max(500).optional(),
    })
      .noUnknown()
      .optional()
      .default(undefined),
  })
    .noUnknown()
    .test('order', 'the maximum is below the minimum', (p) => p.max >= p.min)
    .required(),
  fillers: array()
    .of(
      object({
        thickness: number().min(0.01).max(200).required(),
        max: number().integer().min(0).max(20).required(),
        id: partId(),
      })
        .noUnknown()
        .required(),
    )
    .required(),
  /** Module that stands in the rounded corners; left out for square ones. */
  cornerModule: string().max(40).optional(),
  /** Every block is one module: none is divided into smaller ones. */
  undivided: boolean().optional(),
  /** Circuits that lie in each of its rows already: what is kept apart from them does not come in. */
  beside: array().of(string().min(1).max(40).required()).max(60).optional().default(undefined),
})
  .noUnknown()
  .required();

export const frameSchema = object({
  id: string().min(1).max(40).required(),
  cost: number().min(0).max(10_000_000).required(),
  available: number().integer().min(0).max(10_000).optional(),
  openings: array().of(frameOpeningSchema).min(1).max(12).required(),
})
  .noUnknown()
  .required();

/** Lubricant by part number, mL for a module (both halves, bore and faces) and for the walls of an opening. */
export const lubricantSchema = object({
  id: string().min(1).max(40).required(),
  moduleMl: number().min(0).max(100).required(),
  openingMl: number().min(0).max(500).required(),
})
  .noUnknown()
  .optional()
  .default(undefined);

export const frameRequestSchema = object({
  cables: array().of(frameCableSchema).max(5000).required(),
  modules: array().of(frameModuleSchema).min(1, 'at least one module is needed').max(200).required(),
  frames: array().of(frameSchema).min(1, 'at least one frame is needed').max(60).required(),
  apart: array()
    .of(
      object({
        circuits: array().of(string().min(1).max(40).required()).length(2).required(),
        by: string()
          .oneOf(['row', 'opening'] as const)
          .required(),
      })
        .noUnknown()
        .required(),
    )
    .max(60)
    .required(),
  /** Circuits that nothing is kept apart from: a cable's circuit must stand here or in a rule, so that none is misspelt. */
  circuits: array().of(string().min(1).max(40).required()).max(200).optional().default(undefined),
  /** Share of each size that carries cables which is kept free. */
  spare: object({
    share: number().min(0).max(1).required(),
    /**
     * Spares of a plain size (mm) that places which are not part of the plan owe, less those they have: added to the share before it is rounded
     * up, so that both together are owed what one plan of them would be.
     */
    extra: array()
      .of(
        object({ size: number().positive().required(), count: number().min(-5000).max(5000).required() })
          .noUnknown()
          .required(),
      )
      .optional()
      .default(undefined),
  })
    .noUnknown()
    .required(),
  lubricant: lubricantSchema,
  /** Sheet that modules and frames are taken from. */
  sheet: object({ code: string().max(40).required(), revision: string().max(20).required() })
    .noUnknown()
    .optional()
    .default(undefined),
  seed: number().integer().optional(),
  limitSeconds: number().positive().max(3600).optional(),
})
  .noUnknown()
  .required();

export type FrameRequest = InferType<typeof frameRequestSchema>;
export type FrameCable = InferType<typeof frameCableSchema>;
export type FrameModule = InferType<typeof frameModuleSchema>;
export type FrameOpening = InferType<typeof frameOpeningSchema>;
export type FrameKind = InferType<typeof frameSchema>;

/** Reads a request. Errors name path and value: what stands twice, a corner module that is none, circuits apart from themselves. */
export function readFrameRequest(json: unknown): Result<FrameRequest> {
  const read = validate(frameRequestSchema, json);
  if (!read.ok) return read;
  const problems: Problem[] = [];
  const twice = (list: readonly string[], path: string, key: string) => {
    list.forEach((value, i) => {
      if (list.indexOf(value) !== i)
        problems.push({ path: `${path}[${i}].${key}`, message: 'stands twice', value });
    });
  };
  const { cables, modules, frames, apart } = read.value;
  twice(
    cables.map((c) => c.tag),
    'cables',
    'tag',
  );
  twice(
    modules.map((m) => m.id),
    'modules',
    'id',
  );
  twice(
    frames.map((f) => f.id),
    'frames',
    'id',
  );
  const corners = new Map(modules.filter((m) => m.corner).map((m) => [m.id, m]));
  frames.forEach((frame, f) =>
    frame.openings.forEach((opening, o) => {
      if (opening.cornerModule !== undefined && !corners.has(opening.cornerModule))
        problems.push({
          path: `frames[${f}].openings[${o}].cornerModule`,
          message: 'names no corner module',
          value: opening.cornerModule,
        });
    }),
  );
  apart.forEach((rule, i) => {
    if (folded(rule.circuits[0] ?? '') === folded(rule.circuits[1] ?? ''))
      problems.push({
        path: `apart[${i}].circuits`,
        message: 'a circuit cannot be kept apart from itself',
        value: rule.circuits[0],
      });
  });
  const known = knownCircuits(read.value);
  problems.push(...strangeCircuits(read.value, known));
  return problems.length > 0 ? fail(problems) : ok(withCircuits(read.value, known));
}

const folded = (circuit: string): string => circuit.trim().toLowerCase();

/** Circuits as the rules first spell them, by their folded name. */
function knownCircuits({ apart, circuits, frames }: FrameRequest): ReadonlyMap<string, string> {
  const known = new Map<string, string>();
  const beside = frames.flatMap((f) => f.openings.flatMap((o) => o.beside ?? []));
  for (const name of [...apart.flatMap((a) => a.circuits), ...(circuits ?? []), ...beside])
    if (!known.has(folded(name))) known.set(folded(name), name);
  return known;
}

/** Where circuits are kept apart, one that no rule knows would silently lie beside any other. */
function strangeCircuits({ cables, apart }: FrameRequest, known: ReadonlyMap<string, string>): Problem[] {
  if (apart.length === 0) return [];
  return cables.flatMap(({ circuit }, i) =>
    circuit === undefined || known.has(folded(circuit))
      ? []
      : [
          {
            path: `cables[${i}].circuit`,
            message: `is in no rule and not among the circuits (${[...known.values()].join(', ')}; upper and lower case are alike)`,
            value: circuit,
          },
        ],
  );
}

/** Circuits of cables that no rule names, where there are rules; without those that are declared. */
export const strangeCircuitsOf = (request: FrameRequest): string[] => [
  ...new Set(strangeCircuits(request, knownCircuits(request)).map((p) => String(p.value))),
];

/** The request with every circuit spelt as the rules spell it. */
export const foldCircuits = (request: FrameRequest): FrameRequest =>
  withCircuits(request, knownCircuits(request));

/** The request with every circuit spelt in one way. */
function withCircuits(request: FrameRequest, known: ReadonlyMap<string, string>): FrameRequest {
  const one = (name: string): string => known.get(folded(name)) ?? name;
  return {
    ...request,
    cables: request.cables.map((c) => (c.circuit === undefined ? c : { ...c, circuit: one(c.circuit) })),
    apart: request.apart.map((a) => ({ ...a, circuits: a.circuits.map(one) })),
  };
}

/** What a reader of the plan has to know of how the request was understood: spellings that were taken for one, circuits that nobody gave. */
export function requestNotes(asked: FrameRequest, read: FrameRequest): string[] {
  const notes = new Set<string>();
  asked.cables.forEach(({ tag, circuit }, i) => {
    const taken = read.cables[i]?.circuit;
    if (circuit !== undefined && taken !== undefined && circuit !== taken)
      notes.add(`circuit “${circuit}” is taken for “${taken}”: upper and lower case are alike`);
    if (circuit === undefined && asked.apart.length > 0)
      notes.add(`provisional: ${tag} names no circuit, so that nothing is kept apart from it`);
  });
  return [...notes];
}

/** Spares that so many carrying places of one size ask for, with what is owed beside them. */
export const sparesOwed = (share: number, carrying: number, extra: number): number =>
  carrying === 0 && extra <= 0 ? 0 : Math.max(0, Math.ceil(share * carrying + extra - 1e-9));

/** Frames that are always enough for so many cables, if any are: one for each, one for its spare, one for each spare that is owed beside. */
export const mostFrames = ({ spare }: FrameRequest, placed: number): number =>
  2 * placed + (spare.extra ?? []).reduce((sum, e) => sum + Math.max(0, Math.ceil(e.count)), 0);

/** Spares of a size that are asked for beside the share. `size` in micrometres. */
export const extraSpares = ({ spare }: FrameRequest, size: number): number =>
  (spare.extra ?? []).reduce((sum, e) => (toUm(e.size) === size ? sum + e.count : sum), 0);
