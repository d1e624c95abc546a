import { array, boolean, number, object, string, type InferType } from 'yup';
import {
  CLOTHS,
  facesSchema,
  intervalOf,
  LIES,
  MM,
  plugRequestSchema,
  SLEEVE_SCHOOLS,
  sleeveRequestSchema,
  tempSchema,
  wrapRequestSchema,
  type PlugRequest,
  type SleeveRequest,
  type WrapRequest,
} from '@/core/soft-seal';
import { ok, validate, type Problem, type Result } from '@/core/kernel';
import { memberFields, placeFields, sheetNameSchema, type KnownDiameter } from './member';

// What nobody has said yet is left out of a setup: it is asked for when the crossing is planned, and never guessed.

const maybe = () => intervalOf().optional().default(undefined);

/** One cable through a soft seal; `bundle` where the seal is a wrap. */
const sealMemberSchema = object({ ...memberFields, bundle: string().max(40).optional() })
  .noUnknown()
  .required();
export type SealMember = InferType<typeof sealMemberSchema>;

const common = {
  ...placeFields,
  members: array().of(sealMemberSchema).max(300).required(),
  sheet: sheetNameSchema,
  faces: facesSchema,
};

export const sleeveSetupSchema = object({
  kind: string()
    .oneOf(['sleeve'] as const)
    .required(),
  ...common,
  shape: string()
    .oneOf(['circle', 'rectangle'] as const)
    .required(),
  /** Bore of a round opening, mm. */
  bore: maybe(),
  /** Sides of a rectangular one. */
  width: maybe(),
  height: maybe(),
  /** Along the axis of the opening. */
  depth: maybe(),
  slantDeg: number().min(0).max(80).optional(),
  tempC: tempSchema,
  lies: string().oneOf(LIES).optional(),
  school: string().oneOf(SLEEVE_SCHOOLS).required(),
})
  .noUnknown()
  .required();
export type SleeveSetup = InferType<typeof sleeveSetupSchema>;

export const plugSetupSchema = object({
  kind: string()
    .oneOf(['plug'] as const)
    .required(),
  ...common,
  bore: maybe(),
  /** At the shallowest, mm. */
  depthMm: MM().optional(),
  angleDeg: number().min(0).max(90).optional(),
  offsetMm: number().min(0).max(2000).optional(),
})
  .noUnknown()
  .required();
export type PlugSetup = InferType<typeof plugSetupSchema>;

export const wrapSetupSchema = object({
  kind: string()
    .oneOf(['wrap'] as const)
    .required(),
  ...common,
  /** Outside and inside of the stub, and how far it stands out. */
  outside: maybe(),
  inside: maybe(),
  stubMm: number().min(0).max(20_000).optional(),
  weldContinuous: boolean().optional(),
  centred: boolean().optional(),
  tempC: tempSchema,
  cloth: string().oneOf(CLOTHS).required(),
  /** Are the cables in already? */
  pulled: boolean().optional(),
})
  .noUnknown()
  .required();
export type WrapSetup = InferType<typeof wrapSetupSchema>;

export type SealSetup = SleeveSetup | PlugSetup | WrapSetup;

/** What a soft seal is planned from, or what is lacking for it. */
export interface SealAsked<R> {
  /** Null while something is lacking. */
  readonly request: R | null;
  /** What nobody has said yet, by the fields of the setup. */
  readonly lacking: readonly Problem[];
  /** Why a plan from it is provisional, cable by cable. */
  readonly provisional: readonly string[];
  /** Cables of which nobody knows how large they are: with one of them nothing is planned. */
  readonly missing: readonly { readonly tag: string; readonly reason: string }[];
}

interface Through {
  readonly cables: readonly SleeveRequest['cables'][number][];
  readonly provisional: readonly string[];
  readonly missing: readonly { readonly tag: string; readonly reason: string }[];
}

function through(members: readonly SealMember[], known: ReadonlyMap<string, KnownDiameter>): Through {
  const provisional: string[] = [];
  const missing: { tag: string; reason: string }[] = [];
  const cables = members.flatMap(({ tag, diameter: own, circuit }) => {
    const fromSchedule = known.get(tag);
    const diameter = own ?? fromSchedule?.interval;
    if (diameter === undefined) {
      missing.push({ tag, reason: 'its outer sheath is not measured' });
      return [];
    }
    if (own === undefined && fromSchedule?.nominal === true)
      provisional.push(`${tag} is known from its datasheet only`);
    const { min, max } = diameter;
    return [{ tag, diameter: { min, max }, ...(circuit === undefined || circuit === '' ? {} : { circuit }) }];
  });
  return { cables, provisional, missing };
}

/** Fields of a request by what they are called in the setup. */
type Renamed = Readonly<Record<string, string>>;

/** Judges what is said so far: a request when all is said, else what lacks, by the fields of the setup. */
function asked<R>(
  { provisional, missing }: Through,
  judge: (said: unknown) => Result<R>,
  said: object,
  renamed: Renamed,
  own: readonly Problem[] = [],
): Result<SealAsked<R>> {
  const read = judge(JSON.parse(JSON.stringify(said)));
  const problems = read.ok
    ? []
    : read.problems.map((p) => {
        const [name, field] = Object.entries(renamed).find(([path]) => p.path.startsWith(path)) ?? [];
        return name === undefined || field === undefined
          ? p
          : { ...p, path: `${field}${p.path.slice(name.length)}` };
      });
  const lacking = [...own, ...problems];
  const whole = read.ok && missing.length === 0 && own.length === 0;
  return ok({ request: whole ? read.value : null, lacking, provisional, missing });
}

const rated = ({ rating }: { readonly rating: string }): true | undefined =>
  rating.trim() === '' ? undefined : true;

/** Twice in one seal is one of them wrong. */
const twice = (members: readonly SealMember[]): Problem[] =>
  members.flatMap(({ tag }, i) =>
    members.findIndex((m) => m.tag === tag) < i
      ? [{ path: `members[${i}].tag`, message: 'stands twice', value: tag }]
      : [],
  );

export function sleeveAsked(
  setup: SleeveSetup,
  known: ReadonlyMap<string, KnownDiameter>,
  sheet: SleeveRequest['sheet'],
): Result<SealAsked<SleeveRequest>> {
  const cables = through(setup.members, known);
  const { shape, bore, width, height, depth, slantDeg, faces, tempC, lies, school } = setup;
  const opening = shape === 'circle' ? { kind: shape, d: bore } : { kind: shape, w: width, h: height };
  return asked(
    cables,
    (said) => validate(sleeveRequestSchema, said),
    {
      sheet,
      opening,
      depth,
      slantDeg,
      faces,
      ratingKnown: rated(setup),
      tempC,
      lies,
      cables: cables.cables,
      school,
    },
    { 'opening.d': 'bore', 'opening.w': 'width', 'opening.h': 'height', cables: 'members' },
    twice(setup.members),
  );
}

export function plugAsked(
  setup: PlugSetup,
  known: ReadonlyMap<string, KnownDiameter>,
  sheet: PlugRequest['sheet'],
): Result<SealAsked<PlugRequest>> {
  const cables = through(setup.members, known);
  const { bore, depthMm, angleDeg, offsetMm, faces } = setup;
  const [cable] = cables.cables;
  const many: Problem[] =
    setup.members.length > 1
      ? [
          {
            path: 'members',
            message: `are ${setup.members.length}: a plug takes one; more go through a packed sleeve`,
          },
        ]
      : [];
  return asked(
    cables,
    (said) => validate(plugRequestSchema, said),
    { sheet, bore, cable, angleDeg, offsetMm, depthMm, faces, ratingKnown: rated(setup) },
    { cable: 'members' },
    many,
  );
}

export function wrapAsked(
  setup: WrapSetup,
  known: ReadonlyMap<string, KnownDiameter>,
  sheet: WrapRequest['sheet'],
): Result<SealAsked<WrapRequest>> {
  const cables = through(setup.members, known);
  const { outside, inside, stubMm, weldContinuous, centred, faces, tempC, cloth, pulled, members } = setup;
  const bundleOf = new Map(members.map((m) => [m.tag, (m.bundle ?? '').trim()]));
  const loose = members.flatMap((m, i) =>
    (bundleOf.get(m.tag) ?? '') === ''
      ? [{ path: `members[${i}].bundle`, message: 'is not said', value: m.tag }]
      : [],
  );
  const ids = [...new Set(members.map((m) => bundleOf.get(m.tag) ?? '').filter((id) => id !== ''))];
  const bundles = ids.map((id) => ({
    id,
    cables: cables.cables.filter((c) => bundleOf.get(c.tag) === id),
  }));
  return asked(
    cables,
    (said) => validate(wrapRequestSchema, said),
    {
      sheet,
      stub: { outside, inside, lengthMm: stubMm, weldContinuous, centred },
      faces,
      ratingKnown: rated(setup),
      tempC,
      cloth,
      pulled,
      bundles,
    },
    {
      'stub.outside': 'outside',
      'stub.inside': 'inside',
      'stub.lengthMm': 'stubMm',
      bundles: 'members',
    },
    [...twice(members), ...loose],
  );
}
