import { array, object, string, type InferType } from 'yup';
import type { Finding, NoFigures, Said, Verdict } from '@/core/kernel';
import { FACE_WORDS, FACES, faceOf, type Face, type Seen } from './faces';
import { insertSchema, POSITION_USES, type Insert, type PositionUse } from './insert';

const name = () => string().trim().min(1).max(40).required();
const MOST_CORES = 128;

const coreSchema = object({
  name: name(),
  use: string().oneOf(POSITION_USES).required(),
})
  .noUnknown()
  .required();

const placeSchema = object({ core: name(), position: name() }).noUnknown().required();

/** One end: its insert, the cores of its cable, and which goes where. */
const endSchema = object({
  tag: name(),
  insert: insertSchema,
  cores: array().of(coreSchema).min(1).max(MOST_CORES).required(),
  map: array()
    .of(placeSchema)
    .max(2 * MOST_CORES)
    .required(),
})
  .noUnknown()
  .required();
export type PinMapEnd = InferType<typeof endSchema>;

export const pinMapRequestSchema = object({
  end: endSchema,
  /** The other end of the same cable, or the other half of an in-line joint: both must agree core by core. */
  other: endSchema.optional().default(undefined),
})
  .noUnknown()
  .required();
export type PinMapRequest = InferType<typeof pinMapRequestSchema>;

export interface PinMapCases {
  complete: { tag: string; cores: number; spare: number };
  coreUnknown: { tag: string; core: string };
  positionUnknown: { tag: string; position: string };
  coreMissing: { tag: string; core: string };
  coreTwice: { tag: string; core: string; positions: readonly string[] };
  positionTwice: { tag: string; position: string; cores: readonly string[] };
  coreNamedTwice: { tag: string; core: string };
  tooFew: { tag: string; cores: number; positions: number; use: PositionUse };
  wrongUse: { tag: string; core: string; of: PositionUse; position: string; for: PositionUse };
  noEarth: { tag: string };
  earthLater: { tag: string; position: string };
  askEarthFirst: { tag: string; position: string };
  agree: { a: string; b: string; cores: number };
  differ: { a: string; b: string; core: string; atA: string; atB: string };
  onlyAt: { at: string; not: string; core: string };
  askOther: NoFigures;
}
export type PinMapFinding = Finding<PinMapCases>;

const found = <K extends keyof PinMapCases>(
  verdict: Verdict,
  code: K,
  figures: PinMapCases[K],
): PinMapFinding => ({
  verdict,
  case: { code, ...figures } as unknown as Said<PinMapCases>,
});

export interface PinMapPlan {
  readonly answer: Verdict;
  readonly findings: readonly PinMapFinding[];
  /** Of each end, position by position in the order of its insert: the core, or null for a spare one. */
  readonly ends: readonly {
    readonly tag: string;
    readonly places: readonly {
      readonly position: string;
      readonly use: PositionUse;
      readonly core: string | null;
    }[];
    /** The four faces, each position as it lies there with its core. */
    readonly faces: readonly {
      readonly face: Face;
      readonly words: string;
      readonly positions: readonly (Seen & { readonly core: string | null })[];
    }[];
  }[];
}

const twice = <T>(list: readonly T[]): T[] => [...new Set(list.filter((x, i) => list.indexOf(x) !== i))];

/** What is wrong with one end by itself: every core once, at a position of its own kind; earth there, and first to make. */
function judgeEnd({ tag, insert, cores, map }: PinMapEnd): PinMapFinding[] {
  const positions = new Map(insert.positions.map((p) => [p.id, p]));
  const known = new Map(cores.map((c) => [c.name, c]));
  const findings: PinMapFinding[] = [
    ...twice(cores.map((c) => c.name)).map((core) => found('fails', 'coreNamedTwice', { tag, core })),
    ...[...new Set(map.map((m) => m.core))]
      .filter((core) => !known.has(core))
      .map((core) => found('fails', 'coreUnknown', { tag, core })),
    ...[...new Set(map.map((m) => m.position))]
      .filter((position) => !positions.has(position))
      .map((position) => found('fails', 'positionUnknown', { tag, position })),
    ...twice(map.map((m) => m.core)).map((core) =>
      found('fails', 'coreTwice', {
        tag,
        core,
        positions: map.filter((m) => m.core === core).map((m) => m.position),
      }),
    ),
    ...twice(map.map((m) => m.position)).map((position) =>
      found('fails', 'positionTwice', {
        tag,
        position,
        cores: map.filter((m) => m.position === position).map((m) => m.core),
      }),
    ),
  ];
  for (const use of POSITION_USES) {
    const count = (list: readonly { readonly use: PositionUse }[]) =>
      list.filter((x) => x.use === use).length;
    const [wanted, there] = [count(cores), count(insert.positions)];
    if (wanted > there)
      findings.push(found('fails', 'tooFew', { tag, cores: wanted, positions: there, use }));
  }
  for (const core of known.keys())
    if (!map.some((m) => m.core === core)) findings.push(found('ask', 'coreMissing', { tag, core }));
  for (const { core, position } of map) {
    const [of, at] = [known.get(core), positions.get(position)];
    if (of !== undefined && at !== undefined && of.use !== at.use)
      findings.push(found('fails', 'wrongUse', { tag, core, of: of.use, position, for: at.use }));
  }
  findings.push(...judgeEarth(tag, insert));
  if (findings.every((f) => f.verdict === 'holds'))
    findings.unshift(
      found('holds', 'complete', { tag, cores: cores.length, spare: insert.positions.length - cores.length }),
    );
  return findings;
}

/** The earth makes before anything else and breaks after it: an insert that does not say so is asked about. */
function judgeEarth(tag: string, { positions }: Insert): PinMapFinding[] {
  const earths = positions.filter((p) => p.use === 'earth');
  if (earths.length === 0) return [found('fails', 'noEarth', { tag })];
  return earths.flatMap(({ id: position, firstToMake }) => {
    if (firstToMake === true) return [];
    return [
      firstToMake === undefined
        ? found('ask', 'askEarthFirst', { tag, position })
        : found('fails', 'earthLater', { tag, position }),
    ];
  });
}

/** Where two ends put one core at different positions, or only one of them has it: each named. Whichever end is asked first, the same cores come out. */
export function differences(a: PinMapEnd, b: PinMapEnd): PinMapFinding[] {
  const at = ({ map }: PinMapEnd, core: string) => map.find((m) => m.core === core)?.position ?? null;
  const cores = [...new Set([...a.map, ...b.map].map((m) => m.core))].sort();
  return cores.flatMap((core) => {
    const [atA, atB] = [at(a, core), at(b, core)];
    if (atA === atB) return [];
    if (atA === null) return [found('fails', 'onlyAt', { at: b.tag, not: a.tag, core })];
    if (atB === null) return [found('fails', 'onlyAt', { at: a.tag, not: b.tag, core })];
    return [found('fails', 'differ', { a: a.tag, b: b.tag, core, atA, atB })];
  });
}

/** Judges a pin map, and against the one of the other end where it is given; draws each on the four faces that a fitter can hold. */
export function planPinMap({ end, other }: PinMapRequest): PinMapPlan {
  const ends = other === undefined ? [end] : [end, other];
  const apart = other === undefined ? [] : differences(end, other);
  const findings: PinMapFinding[] = [
    ...ends.flatMap(judgeEnd),
    ...apart,
    ...(other === undefined
      ? [found('ask', 'askOther', {})]
      : apart.length === 0
        ? [found('holds', 'agree', { a: end.tag, b: other.tag, cores: end.map.length })]
        : []),
  ];
  return {
    answer: findings.some((f) => f.verdict === 'fails')
      ? 'fails'
      : findings.some((f) => f.verdict === 'ask')
        ? 'ask'
        : 'holds',
    findings,
    ends: ends.map(({ tag, insert, map }) => {
      const coreAt = (position: string) => map.find((m) => m.position === position)?.core ?? null;
      return {
        tag,
        places: insert.positions.map(({ id, use }) => ({ position: id, use, core: coreAt(id) })),
        faces: FACES.map((face) => ({
          face,
          words: FACE_WORDS[face],
          positions: faceOf(insert, face).map(({ id, xMm, yMm }) => ({ id, xMm, yMm, core: coreAt(id) })),
        })),
      };
    }),
  };
}
