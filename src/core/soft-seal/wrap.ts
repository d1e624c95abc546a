import { array, boolean, number, object, string, type InferType } from 'yup';
import {
  bundle,
  bundleBound,
  checkPacking,
  circleArea,
  type PackingOptions,
  type PackingRun,
} from '@/core/circle-packing';
import { eachOnce, type Problem } from '@/core/kernel';
import {
  answerOf,
  cartridgesFor,
  facesFinding,
  finding,
  ratingFinding,
  type SealFinding,
  type SealPart,
} from './finding';
import { outlineArea } from './outline';
import type { Between, Round, WrapPlan } from './plan-schema';
import { openTimeFindings } from './sealant';
import {
  effort,
  facesSchema,
  intervalOf,
  ratingSchema,
  tempSchema,
  throughSchema,
  type WrapSheet,
  wrapSheetSchema,
} from './sheet';
import { layerMm } from './sleeve';

export const CLOTHS = ['openable', 'closed'] as const;

/** What all bundles together are called, as a round. */
export const ALL = 'all';

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
  ratingKnown: ratingSchema,
  tempC: tempSchema,
  cloth: string().oneOf(CLOTHS).required(),
  /** Are the cables in already? */
  pulled: boolean().required(),
  /** None for a stub that is kept blank. */
  bundles: array()
    .of(
      object({
        id: string().min(1).max(40).notOneOf([ALL], 'is what all bundles together are called').required(),
        cables: array().of(throughSchema).min(1).max(200).required(),
      })
        .noUnknown()
        .required(),
    )
    .max(20)
    .test('once', 'names a bundle twice', (bundles) => eachOnce(bundles, 'id'))
    // Asked before each of them is known to be a bundle.
    .test('cables', 'names a cable twice', (bundles) =>
      eachOnce(
        (bundles ?? []).flatMap((b) => (Array.isArray(b?.cables) ? b.cables : [])),
        'tag',
      ),
    )
    .required(),
  ...effort,
})
  .noUnknown()
  .required();
export type WrapRequest = InferType<typeof wrapRequestSchema>;

/** What lies in one round, by its middle. */
export interface WrapArrangement {
  readonly id: string;
  readonly circles: Round['circles'];
}

/** What lies in a round: cables, or, in that round all, bundles with their strip. */
interface Inside {
  readonly name: string;
  readonly diameter: Between;
}

/** Finds how cables lie in their bundles, and bundles beside one another; the rest follows from it. */
export function* planWrap(request: WrapRequest): PackingRun<WrapPlan> {
  const { seed = 1, limitSeconds = 2 } = request;
  const options: PackingOptions = { clearance: 0, seed, limitSeconds };
  const found: WrapArrangement[] = [];
  for (const id of roundsOf(request)) {
    const inside = insideOf(request, id, settledRounds(request, found));
    const most = yield* bundle(
      inside.map((c) => c.diameter.max),
      options,
    );
    found.push({
      id,
      circles: most.circles.map(({ i, x, y, d }) => ({ name: inside[i]?.name ?? '', x, y, d })),
    });
  }
  return settleWrap(request, found);
}

/** Rounds in the order in which they are laid: each bundle, and, where there are several, all of them. */
export const roundsOf = ({ bundles }: WrapRequest): string[] => [
  ...bundles.map((b) => b.id),
  ...(bundles.length > 1 ? [ALL] : []),
];

function insideOf(request: WrapRequest, id: string, rounds: readonly Round[]): Inside[] {
  const own = request.bundles.find((b) => b.id === id);
  if (own !== undefined) return own.cables.map((c) => ({ name: c.tag, diameter: c.diameter }));
  // Each with its own strip round it.
  return rounds.map((r) => ({
    name: r.id,
    diameter: thicker(r.diameter, 2 * r.layers * request.sheet.strip.thicknessMm),
  }));
}

const settledRounds = (request: WrapRequest, found: readonly WrapArrangement[]): Round[] => {
  const rounds: Round[] = [];
  for (const { id, circles } of found)
    rounds.push(roundOf(request, id, insideOf(request, id, rounds), circles));
  return rounds;
};

/**
 * A fire wrap round a stub that is there, from how all lies in it. What has to be known of weld and stub is asked for first; bundles are as large as
 * their cables make them in this arrangement and no smaller than in any, and every length and volume stands between two figures. That the arrangement
 * is one is asked of `checkWrap`.
 */
export function settleWrap(request: WrapRequest, found: readonly WrapArrangement[]): WrapPlan {
  const { sheet, stub } = request;
  const cloth = sheet.cloths.find(
    (c) => c.kind === request.cloth && c.stub.min <= stub.outside.min && stub.outside.max <= c.stub.max,
  );
  const rounds = settledRounds(request, found);
  const outer = rounds.at(-1);
  const findings: SealFinding[] = [
    known(stub.weldContinuous, 'weld', 'askWeld'),
    known(stub.centred, 'centred', 'askCentred'),
    facesFinding(request.faces),
    ratingFinding(request.ratingKnown),
    finding(stub.lengthMm >= sheet.minStubMm ? 'holds' : 'fails', 'stubLength', {
      mm: stub.lengthMm,
      least: sheet.minStubMm,
    }),
    finding(cloth === undefined ? 'fails' : 'holds', 'cloth', {
      kind: request.cloth,
      stubMin: stub.outside.min,
      stubMax: stub.outside.max,
    }),
    ...openTimeFindings(sheet.sealant, request.tempC),
    ...(request.cloth === 'closed' && request.pulled ? [finding('fails', 'clothOn', {})] : []),
    ...rounds.filter((r) => r.layers === 0).map((r) => finding('fails', 'layers', { mm: r.diameter.max })),
    ...tooManyFor(request),
  ];
  const answer = answerOf(findings);
  return {
    answer,
    cloth: cloth?.id ?? null,
    findings,
    marks: { first: sheet.marks.fromStubMm, second: sheet.marks.fromStubMm + sheet.marks.apartMm },
    rounds,
    tie: outer === undefined || outer.layers === 0 ? null : tieOver(sheet, outer),
    foldedMm: rounds.length === 0 ? foldedInto(sheet, stub.inside) : null,
    parts: answer === 'refused' || cloth === undefined ? [] : partsOf(request, cloth.id, rounds),
  };
}

/** Cables that no arrangement brings through the stub: something was measured or counted wrongly. */
function tooManyFor({ bundles, stub }: WrapRequest): SealFinding[] {
  const least = bundleBound(
    bundles.flatMap((b) => b.cables.map((c) => c.diameter.min)),
    0,
  );
  return bundles.length > 0 && least > stub.inside.max
    ? [finding('fails', 'inStub', { mm: least, inside: stub.inside.max })]
    : [];
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

/** A circle round the middle that holds all, mm across. */
const across = (circles: Round['circles']): number =>
  circles.reduce((most, { x, y, d }) => Math.max(most, 2 * Math.hypot(x, y) + d), 0);

function roundOf(
  { sheet }: WrapRequest,
  id: string,
  inside: readonly Inside[],
  circles: Round['circles'],
): Round {
  const most = across(circles);
  // No bundle is smaller than its bound, and none has to be larger than what was found.
  const diameter = {
    min: Math.min(
      bundleBound(
        inside.map((c) => c.diameter.min),
        0,
      ),
      most,
    ),
    max: most,
  };
  const { strip, marks } = sheet;
  const layers = strip.layers.find((l) => l.upTo >= diameter.max - HAIR_MM)?.layers ?? 0;
  const filled = (pick: (d: Between) => number) =>
    inside.reduce((sum, c) => sum + circleArea(pick(c.diameter)), 0);
  const hull = outlineArea(circles.map(({ x, y, d }) => ({ x, y, r: d / 2 })));
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
    circles: [...circles],
  };
}

/**
 * Audits how all lies in the rounds of a wrap, whoever laid it: the rounds that there are, in their order, in each what belongs into it once and as large
 * as it is, none in another. To 1e-6 mm.
 */
export function checkWrap(request: WrapRequest, found: readonly WrapArrangement[]): Problem[] {
  const asked = roundsOf(request);
  if (found.map((r) => r.id).join('\n') !== asked.join('\n'))
    return [{ path: 'rounds', message: `must be ${asked.join(', ') || 'none'}` }];
  const problems: Problem[] = [];
  found.forEach(({ id, circles }, k) => {
    const inside = insideOf(request, id, settledRounds(request, found.slice(0, k)));
    const placed = circles.map(({ name, x, y, d }) => ({
      i: inside.findIndex((c) => c.name === name),
      x,
      y,
      d,
    }));
    const wrong = checkPacking(
      inside.map((c) => c.diameter.max),
      0,
      { kind: 'circle', d: across(circles) },
      placed,
    );
    for (const v of wrong)
      problems.push({
        path: `rounds[${k}]`,
        message: `does not lie as it must (${v.kind})`,
        value: inside[v.i]?.name ?? id,
      });
  });
  return problems;
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

function partsOf({ sheet, stub }: WrapRequest, cloth: string, rounds: readonly Round[]): SealPart[] {
  const ml = rounds.reduce((sum, r) => sum + r.sealantMl.max, 0);
  const strips = rounds.reduce((sum, r) => sum + r.strips.reduce((a, s) => a + s.max, 0), 0);
  const folded = rounds.length === 0 ? foldedInto(sheet, stub.inside).max : 0;
  const outer = rounds.at(-1);
  const tied =
    sheet.tie === undefined || outer === undefined || outer.layers === 0
      ? 0
      : tieOver(sheet, outer).before.max + sheet.tie.tailMm;
  return [
    // One for each side of the wall, of everything.
    { id: cloth, kind: 'cloth', count: 2, unit: 'piece' },
    { id: sheet.strip.id, kind: 'strip', count: Math.ceil(2 * (strips + folded)), unit: 'mm' },
    ...(sheet.tie !== undefined && tied > 0
      ? [{ id: sheet.tie.id, kind: 'tie' as const, count: Math.ceil(2 * tied), unit: 'mm' as const }]
      : []),
    ...(ml > 0
      ? [
          {
            id: sheet.sealant.id,
            kind: 'sealant' as const,
            count: cartridgesFor(2 * ml, sheet.sealant),
            unit: 'piece' as const,
          },
        ]
      : []),
  ];
}
