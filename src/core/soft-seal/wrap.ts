import { array, boolean, number, object, string, type InferType } from 'yup';
import { bundle, circleArea, type PackingRun, type Placed } from '@/core/circle-packing';
import { answerOf, cartridgesFor, finding, type SealFinding, type SealPart, type SealStep } from './finding';
import { outlineArea } from './outline';
import {
  effort,
  facesSchema,
  intervalOf,
  onceBy,
  throughSchema,
  type WrapSheet,
  wrapSheetSchema,
} from './sheet';
import { layerMm } from './sleeve';

export const wrapRequestSchema = object({
  sheet: wrapSheetSchema,
  /** Outside of the stub, and how far it stands out. */
  stub: object({
    outside: intervalOf(),
    inside: intervalOf(),
    lengthMm: number().min(0).max(20_000).required(),
    /** Not known when left out; looked at before anything goes on. */
    weldContinuous: boolean().optional(),
    centred: boolean().optional(),
  })
    .noUnknown()
    .required(),
  faces: facesSchema,
  cloth: string()
    .oneOf(['openable', 'closed'] as const)
    .required(),
  /** Are the cables in already? */
  pulled: boolean().required(),
  /** None for a stub that is kept blank. */
  bundles: array()
    .of(
      object({
        id: string().min(1).max(40).required(),
        cables: array().of(throughSchema).min(1).max(200).required(),
      })
        .noUnknown()
        .required(),
    )
    .max(20)
    .test(
      'once',
      'names a bundle twice',
      onceBy((b) => b?.id),
    )
    // Asked before each of them is known to be a bundle.
    .test('cables', 'names a cable twice', (bundles) =>
      onceBy((tag) => tag)(
        (bundles ?? []).flatMap((b) => (Array.isArray(b?.cables) ? b.cables.map((c) => c?.tag) : [])),
      ),
    )
    .required(),
  ...effort,
})
  .noUnknown()
  .required();
export type WrapRequest = InferType<typeof wrapRequestSchema>;

export interface Between {
  readonly min: number;
  readonly max: number;
}

/** One round: of a bundle, or of all bundles together. */
export interface Round {
  readonly id: string;
  readonly diameter: Between;
  readonly layers: number;
  /** Each layer, cut to meet without a gap round the largest that it may be, mm; the rest is cut off at the fit. */
  readonly strips: readonly Between[];
  /** Between what lies inside it, mL over the marked length. */
  readonly sealantMl: Between;
}

export interface WrapPlan {
  readonly answer: 'closes' | 'refused' | 'ask';
  readonly cloth: string | null;
  readonly findings: readonly SealFinding[];
  /** From the end of the stub, mm. */
  readonly marks: readonly [number, number];
  readonly rounds: readonly Round[];
  /** Over the strip before and under the tie, mm, and what of the tie's tail is pulled through. */
  readonly tie: { readonly before: Between; readonly target: Between; readonly pullMm: Between } | null;
  /** A stub without cables: the strip that is folded into it, mm. */
  readonly foldedMm: Between | null;
  readonly parts: readonly SealPart[];
  readonly steps: readonly SealStep[];
}

/**
 * A fire wrap round a stub that is there. What has to be known of weld and stub is asked for first; bundles are as large as their cables make them
 * in any arrangement, and every length and volume stands between two figures.
 */
export function* planWrap(request: WrapRequest): PackingRun<WrapPlan> {
  const { sheet, stub } = request;
  const cloth = sheet.cloths.find(
    (c) => c.kind === request.cloth && c.stub.min <= stub.outside.min && stub.outside.max <= c.stub.max,
  );
  const findings: SealFinding[] = [
    known(stub.weldContinuous, 'weld', 'askWeld'),
    known(stub.centred, 'centred', 'askCentred'),
    request.faces === undefined
      ? finding('ask', 'askFaces', {})
      : finding(request.faces === 2 ? 'holds' : 'fails', 'bothFaces', { reachable: request.faces }),
    finding(stub.lengthMm >= sheet.minStubMm ? 'holds' : 'fails', 'stubLength', {
      mm: stub.lengthMm,
      least: sheet.minStubMm,
    }),
    finding(cloth === undefined ? 'fails' : 'holds', 'cloth', {
      kind: request.cloth,
      stubMin: stub.outside.min,
      stubMax: stub.outside.max,
    }),
    ...(request.cloth === 'closed' && request.pulled ? [finding('fails', 'clothOn', {})] : []),
  ];
  const rounds: Round[] = [];
  for (const { id, cables } of request.bundles)
    rounds.push(
      yield* roundOf(
        request,
        id,
        cables.map((c) => c.diameter),
      ),
    );
  if (rounds.length > 1)
    rounds.push(
      yield* roundOf(
        request,
        'all',
        // Each with its own strip round it.
        rounds.map((r) => thicker(r.diameter, 2 * r.layers * sheet.strip.thicknessMm)),
      ),
    );
  for (const r of rounds)
    if (r.layers === 0) findings.push(finding('fails', 'layers', { mm: r.diameter.max }));
  const answer = answerOf(findings);
  const outer = rounds[rounds.length - 1];
  return {
    answer,
    cloth: cloth?.id ?? null,
    findings,
    marks: [sheet.marks.fromStubMm, sheet.marks.fromStubMm + sheet.marks.apartMm],
    rounds,
    tie: outer === undefined || outer.layers === 0 ? null : tieOver(sheet, outer),
    foldedMm: rounds.length === 0 ? foldedInto(sheet, stub.inside) : null,
    parts: answer === 'refused' || cloth === undefined ? [] : partsOf(sheet, cloth.id, rounds, stub.inside),
    steps: answer === 'closes' ? stepsOf(request) : [],
  };
}

const known = (
  value: boolean | undefined,
  holds: 'weld' | 'centred',
  ask: 'askWeld' | 'askCentred',
): SealFinding =>
  value === undefined ? finding('ask', ask, {}) : finding(value ? 'holds' : 'fails', holds, {});

const thicker = ({ min, max }: Between, by: number): Between => ({ min: min + by, max: max + by });
/** What the packing takes for nothing, and more than it. */
const HAIR_MM = 1e-6;

function* roundOf(
  { sheet, seed = 1, limitSeconds = 2 }: WrapRequest,
  id: string,
  inside: readonly Between[],
): PackingRun<Round> {
  const options = { clearance: 0, seed, limitSeconds };
  const least = yield* bundle(
    inside.map((d) => d.min),
    options,
  );
  const most = yield* bundle(
    inside.map((d) => d.max),
    options,
  );
  // No bundle is smaller than its bound, and none has to be larger than what was found.
  const diameter = { min: Math.min(least.bound, most.diameter), max: most.diameter };
  const { strip, marks } = sheet;
  const layers = strip.layers.find((l) => l.upTo >= diameter.max - HAIR_MM)?.layers ?? 0;
  const filled = (pick: (d: Between) => number) => inside.reduce((sum, d) => sum + circleArea(pick(d)), 0);
  const hull = outlineArea(most.circles.map(({ x, y, d }: Placed) => ({ x, y, r: d / 2 })));
  const ml = (area: number) => (Math.max(0, area) * marks.apartMm) / 1000;
  return {
    id,
    diameter,
    layers,
    strips: Array.from({ length: layers }, (_, i) => ({
      min: layerMm(diameter.min, strip.thicknessMm, i + 1),
      max: layerMm(diameter.max, strip.thicknessMm, i + 1),
    })),
    sealantMl: {
      min: ml(hull - filled((d) => d.max)),
      max: ml(circleArea(diameter.max) - filled((d) => d.min)),
    },
  };
}

/** The tie before it is drawn, and when the strip under it has lost the sheet's share of its thickness. */
function tieOver({ strip }: WrapSheet, { diameter, layers }: Round) {
  const round = (d: number, lost: number) => Math.PI * (d + 2 * layers * strip.thicknessMm * (1 - lost));
  const before = { min: round(diameter.min, 0), max: round(diameter.max, 0) };
  const target = {
    min: round(diameter.min, strip.compression.max),
    max: round(diameter.max, strip.compression.min),
  };
  // Whatever the bundle measures, between these the strip is in its window.
  const pull = (lost: number) => 2 * Math.PI * layers * strip.thicknessMm * lost;
  return {
    before,
    target,
    pullMm: { min: pull(strip.compression.min), max: pull(strip.compression.max) },
  };
}

/** A strip that is folded into a blank stub fills it when it has lost its share: as long as its volume asks for. */
function foldedInto({ strip }: WrapSheet, inside: Between): Between {
  const long = (d: number, lost: number) => circleArea(d) / (strip.thicknessMm * (1 - lost));
  return {
    min: long(inside.max, strip.compression.min),
    max: long(inside.min, strip.compression.max),
  };
}

function partsOf(sheet: WrapSheet, cloth: string, rounds: readonly Round[], inside: Between): SealPart[] {
  const ml = rounds.reduce((sum, r) => sum + r.sealantMl.max, 0);
  const strips = rounds.reduce((sum, r) => sum + r.strips.reduce((a, s) => a + s.max, 0), 0);
  const folded = rounds.length === 0 ? foldedInto(sheet, inside).max : 0;
  return [
    { id: cloth, name: 'cloths, one for each side', count: 2 },
    { id: sheet.strip.id, name: 'mm of strip, both sides', count: Math.ceil(2 * (strips + folded)) },
    ...(ml > 0
      ? [
          {
            id: sheet.sealant.id,
            name: 'cartridges of sealant, both sides',
            count: cartridgesFor(2 * ml, sheet.sealant),
          },
        ]
      : []),
  ];
}

const step = (title: string, detail: string, hold = false): SealStep => ({ title, detail, hold });

/** The order of work follows the cloth: a closed one is on before anything is pulled. */
function stepsOf({ cloth, bundles, pulled }: WrapRequest): SealStep[] {
  const look = step(
    'Look at the stub',
    'Its weld runs all round without a gap, and it stands in the middle.',
    true,
  );
  const on =
    cloth === 'closed'
      ? step('Cloth over the stub', 'Before any cable is pulled, swelling face outward.', true)
      : step('Cloth round the stub', 'Laid round it, seam closed, swelling face outward.', true);
  if (bundles.length === 0)
    return [
      look,
      on,
      step('Fold the strip', 'In even folds, as wide as the strip, until it has to be pressed in.'),
      step('Press it in', 'Flush with the end of the stub, no fold open.', true),
      step('Tie the cloth', 'Behind the strip and over it.'),
      step('The other side', 'The same.'),
    ];
  return [
    look,
    ...(cloth === 'closed' ? [on] : []),
    ...(pulled ? [] : [step('Pull the cables', 'Bundle by bundle.')]),
    step('Mark twice', 'At both distances from the end of the stub, on every bundle.'),
    step('Sealant between all cables', 'Over the marked length, in every gap; cables are bent apart for it.'),
    step(
      'Strip round each bundle',
      'Layer by layer, each cut so that its ends meet without a gap, joints turned.',
    ),
    ...(bundles.length > 1
      ? [
          step('Fill between the bundles', 'Sealant in every gap over the marked length.'),
          step('Strip round all', 'As round each.'),
        ]
      : []),
    ...(cloth === 'closed' ? [] : [on]),
    step(
      'Tie over the middle of the strip',
      'Pulled until its tail has come through by the figure, and no farther.',
    ),
    step('Look: sealant squeezes out', 'All round, on both edges of the strip.', true),
    step('The other side', 'The same.'),
  ];
}
