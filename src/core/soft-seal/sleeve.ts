import { array, object, string, type InferType } from 'yup';
import {
  boundWords,
  circleArea,
  enclose,
  shapeArea,
  type PackingOptions,
  type PackingRun,
  type Placed,
  type Shape,
} from '@/core/circle-packing';
import { answerOf, cartridgesFor, finding, type SealFinding, type SealPart, type SealStep } from './finding';
import { fillGaps } from './gaps';
import {
  effort,
  facesSchema,
  intervalOf,
  onceBy,
  type SleeveSheet,
  sleeveSheetSchema,
  throughSchema,
} from './sheet';

/** A measure that only one kind of opening has. */
const only = (kind: 'circle' | 'rectangle') =>
  intervalOf()
    .optional()
    .default(undefined)
    .when('kind', {
      is: kind,
      then: (s) => s.required(),
      otherwise: (s) => s.test('none', `is for a ${kind}`, (v) => v === undefined),
    });

const openingSchema = object({
  kind: string()
    .oneOf(['circle', 'rectangle'] as const)
    .required(),
  d: only('circle'),
  w: only('rectangle'),
  h: only('rectangle'),
})
  .noUnknown()
  .required();

export const sleeveRequestSchema = object({
  sheet: sleeveSheetSchema,
  opening: openingSchema,
  depth: intervalOf(),
  faces: facesSchema,
  /** The cables run up and down: what is loose falls out. */
  lies: string()
    .oneOf(['level', 'upright'] as const)
    .required(),
  cables: array()
    .of(throughSchema)
    .min(1)
    .max(300)
    .test(
      'once',
      'names a cable twice',
      onceBy((c) => c?.tag),
    )
    .required(),
  /** Sleeves go on after the cables are pulled, or while. */
  school: string()
    .oneOf(['afterPulling', 'whilePulling'] as const)
    .required(),
  ...effort,
})
  .noUnknown()
  .required();
export type SleeveRequest = InferType<typeof sleeveRequestSchema>;

/** What goes round a cable, and how large it is with it. */
export interface Wrapped {
  readonly tag: string;
  /** Its sleeve, or the strip. */
  readonly with: string;
  readonly kind: 'sleeve' | 'strip';
  readonly d: number;
  /** Strips beside one another along the filling, and how long each layer is cut, mm. */
  readonly strips: number;
  readonly layerMm: readonly number[];
}

export interface SleevePlan {
  readonly answer: 'closes' | 'refused' | 'ask';
  readonly findings: readonly SealFinding[];
  readonly wrapped: readonly Wrapped[];
  /** Where each lies; a blank has no tag. The middle of a round opening, or the lower left corner, is 0, 0. */
  readonly circles: readonly {
    readonly tag: string | null;
    readonly part: string;
    readonly x: number;
    readonly y: number;
    readonly d: number;
  }[];
  /** Of the face that stays open between what lies there, as a share. */
  readonly openShare: number | null;
  /** Sealant for all faces, mL, before waste. */
  readonly sealantMl: number;
  readonly parts: readonly SealPart[];
  /** From so many cables on sleeves belong on while pulling; null when all go on after it. */
  readonly pullingFrom: number | null;
  readonly steps: readonly SealStep[];
}

/** The smallest that an opening may be. */
const smallest = ({ kind, d, w, h }: SleeveRequest['opening']): Shape =>
  kind === 'circle' ? { kind, d: d?.min ?? 0 } : { kind, w: w?.min ?? 0, h: h?.min ?? 0 };
const largestArea = ({ kind, d, w, h }: SleeveRequest['opening']): number =>
  kind === 'circle' ? circleArea(d?.max ?? 0) : (w?.max ?? 0) * (h?.max ?? 0);

/** Length of the i-th layer of a strip that meets round a cable without a gap, mm; i from 1. */
export const layerMm = (d: number, thicknessMm: number, layer: number): number =>
  Math.PI * (d + (2 * layer - 1) * thicknessMm);

/** A cable with what its sheet puts round it; null when nothing on the sheet takes the whole of what it may measure. */
function wrap(
  { sleeves, strip, fillingMm }: SleeveSheet,
  { tag, diameter }: SleeveRequest['cables'][number],
): Wrapped | null {
  const sleeve = sleeves.find((s) => s.takes.min <= diameter.min && diameter.max <= s.takes.max);
  if (sleeve !== undefined)
    return {
      tag,
      with: sleeve.id,
      kind: 'sleeve',
      d: diameter.max + 2 * sleeve.wallMm,
      strips: 0,
      layerMm: [],
    };
  if (strip === undefined || diameter.min < strip.fromMm) return null;
  return {
    tag,
    with: strip.id,
    kind: 'strip',
    d: diameter.max + 2 * strip.layers * strip.thicknessMm,
    strips: Math.ceil(fillingMm / strip.widthMm - 1e-9),
    layerMm: Array.from({ length: strip.layers }, (_, i) => layerMm(diameter.max, strip.thicknessMm, i + 1)),
  };
}

/**
 * A sleeve packed with rubber and sealed on both faces. The cables lie with what goes round them (an arrangement, not an area), blanks fill the gaps
 * that are there, and what stays open, the depth and the sealant are figured on the side of the worst that the intervals leave.
 */
export function* planSleeve(request: SleeveRequest): PackingRun<SleevePlan> {
  const { sheet, opening, depth, faces, cables } = request;
  const shape = smallest(opening);
  const findings: SealFinding[] = [
    faces === undefined
      ? finding('ask', 'askFaces', {})
      : finding(faces === 2 ? 'holds' : 'fails', 'bothFaces', { reachable: faces }),
    depthFinding(sheet, depth),
  ];
  const wrapped: Wrapped[] = [];
  for (const cable of cables) {
    const made = wrap(sheet, cable);
    if (made !== null) wrapped.push(made);
    else findings.push(finding('fails', 'noSleeve', { tag: cable.tag, ...cable.diameter }));
  }
  const whole = wrapped.length === cables.length;
  const options: PackingOptions = {
    clearance: sheet.clearanceMm,
    seed: request.seed ?? 1,
    limitSeconds: request.limitSeconds ?? 4,
  };
  const lies = whole
    ? yield* enclose(
        shape,
        wrapped.map((w) => w.d),
        options,
      )
    : null;
  const filled = wrapped.reduce((sum, w) => sum + circleArea(w.d), 0);
  if (lies?.answer === 'fits')
    findings.push(
      finding('holds', 'lies', { count: cables.length, percent: (100 * filled) / shapeArea(shape) }),
    );
  if (lies?.answer === 'cannot')
    findings.push(finding('fails', 'never', { words: boundWords(lies.bound, shape) }));
  if (lies?.answer === 'notFound') findings.push(finding('fails', 'notFound', { by: lies.shortBy }));
  const circles = lies?.answer === 'fits' ? lies.circles : [];
  const blanks = circles.length === 0 ? [] : fillGaps(shape, circles, sheet.fillers, sheet.clearanceMm);
  const open =
    circles.length === 0
      ? null
      : 1 - (filled + blanks.reduce((sum, b) => sum + circleArea(b.d), 0)) / shapeArea(shape);
  if (open !== null)
    findings.push(
      finding(open <= sheet.maxOpenShare ? 'holds' : 'fails', 'open', {
        percent: 100 * open,
        most: 100 * sheet.maxOpenShare,
      }),
    );
  // Sealant lies round the bare cables: in the largest face that the intervals leave.
  const face = largestArea(opening) - cables.reduce((sum, c) => sum + circleArea(c.diameter.min), 0);
  const sealantMl = (2 * face * sheet.sealantDepthMm) / 1000;
  const answer = answerOf(findings);
  return {
    answer,
    findings,
    wrapped,
    circles: [
      ...circles.map(({ i, x, y, d }: Placed) => ({
        tag: wrapped[i]?.tag ?? '',
        part: wrapped[i]?.with ?? '',
        x,
        y,
        d,
      })),
      ...blanks.map(({ x, y, d, filler }) => ({ tag: null, part: filler.id, x, y, d })),
    ],
    openShare: open,
    sealantMl,
    parts: answer === 'refused' ? [] : partsOf(sheet, wrapped, blanks, sealantMl),
    pullingFrom: pullingFrom(sheet, shape, wrapped),
    steps: answer === 'closes' ? stepsOf(request) : [],
  };
}

/** Sealant on both faces, the filling, and the air that a deep opening asks for, against the shallowest that it may be. */
function depthFinding(sheet: SleeveSheet, depth: SleeveRequest['depth']): SealFinding {
  const air = sheet.air !== undefined && depth.max >= sheet.air.fromDepthMm ? sheet.air.gapMm : 0;
  const need = 2 * sheet.sealantDepthMm + sheet.fillingMm + air;
  return finding(need <= depth.min ? 'holds' : 'fails', 'depth', { need, depth: depth.min });
}

/** From how many cables on, the largest first, the opening is so full that sleeves no longer go on afterwards. */
function pullingFrom(sheet: SleeveSheet, shape: Shape, wrapped: readonly Wrapped[]): number | null {
  const limit = sheet.pullingShare * shapeArea(shape);
  let sum = 0;
  for (const [i, d] of wrapped
    .map((w) => w.d)
    .sort((a, b) => b - a)
    .entries()) {
    sum += circleArea(d);
    if (sum > limit) return i + 1;
  }
  return null;
}

function partsOf(
  sheet: SleeveSheet,
  wrapped: readonly Wrapped[],
  blanks: readonly { readonly filler: { readonly id: string } }[],
  sealantMl: number,
): SealPart[] {
  const count = new Map<string, SealPart>();
  const add = (id: string, name: string, n: number) =>
    count.set(id, { id, name, count: (count.get(id)?.count ?? 0) + n });
  for (const w of wrapped)
    if (w.kind === 'sleeve') add(w.with, 'split filler sleeve', 1);
    else add(w.with, 'strips, in lengths by layer', w.strips * w.layerMm.length);
  for (const b of blanks) add(b.filler.id, 'blank filler sleeve', 1);
  add(sheet.sealant.id, 'cartridges of sealant', cartridgesFor(sealantMl, sheet.sealant));
  return [...count.values()];
}

const step = (title: string, detail: string, hold = false): SealStep => ({ title, detail, hold });

function stepsOf({ sheet, school, lies }: SleeveRequest): SealStep[] {
  const round =
    school === 'whilePulling'
      ? step(
          'Sleeves on while pulling',
          'Each cable with its own, slit away from the neighbours, pushed back out of the way.',
        )
      : step('Sleeves on', 'Each cable with its own, slit closed, all ends level.');
  return [
    step(
      'Clean and dry',
      'Opening and cables are free of dust, water and grease. No grease goes in here.',
      true,
    ),
    round,
    step('Fill the gaps', 'Blanks as drawn, until nothing moves by hand.'),
    step(
      'Try the packing',
      lies === 'upright'
        ? 'Upright: nothing drops when it is pressed from above, all round.'
        : 'Pressed by hand nothing moves.',
      true,
    ),
    step(
      'First face: sealant',
      `${sheet.sealantDepthMm} mm deep, from the middle outwards, between all cables.`,
    ),
    step('First face: press and look', 'With a damp cloth; between the cables too nothing is open.', true),
    step('Second face: sealant', 'As the first.'),
    step('Second face: press and look', 'As the first.', true),
  ];
}
