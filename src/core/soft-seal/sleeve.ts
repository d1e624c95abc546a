import {
  bundle,
  circleArea,
  enclose,
  shapeArea,
  type PackingRun,
  type Placed,
  type Shape,
} from '@/core/circle-packing';
import {
  answerOf,
  cartridgesFor,
  facesFinding,
  finding,
  ratingFinding,
  type SealFinding,
  type SealPart,
} from './finding';
import { fillGaps } from './gaps';
import type { SleeveCircle, SleevePlan, Wrapped } from './plan-schema';
import { openTimeFindings } from './sealant';
import type { SleeveSheet } from './sheet';
import { airMm, largestArea, sealantAlongMm, smallest, type SleeveRequest } from './sleeve-request';

/** Length of the i-th layer of a strip that meets round a cable without a gap, mm; i from 1. */
export const layerMm = (d: number, thicknessMm: number, layer: number): number =>
  Math.PI * (d + (2 * layer - 1) * thicknessMm);

/** A cable with what its sheet puts round it; null when nothing on the sheet takes the whole of what it may measure. */
export function wrapCable(
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

/** Every cable with what goes round it; those that nothing on the sheet takes are left out. */
export const wrappedOf = ({ sheet, cables }: SleeveRequest): Wrapped[] =>
  cables.flatMap((c) => wrapCable(sheet, c) ?? []);

/** Finds where all lies: cables by the engine, blanks in the gaps that they leave. */
export function* planSleeve(request: SleeveRequest): PackingRun<SleevePlan> {
  const { sheet, cables, seed = 1, limitSeconds = 4 } = request;
  const shape = smallest(request.opening);
  const wrapped = wrappedOf(request);
  if (wrapped.length < cables.length) return settleSleeve(request, []);
  const clearance = sheet.clearanceMm;
  const lies = yield* enclose(
    shape,
    wrapped.map((w) => w.d),
    { clearance, seed, limitSeconds },
  );
  if (lies.answer !== 'fits') {
    const round = yield* bundle(
      wrapped.map((w) => w.d),
      { clearance, seed, limitSeconds },
    );
    return {
      ...settleSleeve(
        request,
        [],
        lies.answer === 'cannot'
          ? finding('fails', 'never', { bound: lies.bound, shape })
          : finding('fails', 'notFound', { by: lies.shortBy }),
      ),
      wouldFit: { mm: round.diameter, circles: lyingIn(wrapped, round.circles) },
    };
  }
  return settleSleeve(request, withBlanks(request, shape, lyingIn(wrapped, lies.circles)));
}

const lyingIn = (wrapped: readonly Wrapped[], circles: readonly Placed[]): SleeveCircle[] =>
  circles.map(({ i, x, y, d }) => {
    const { tag = '', with: part = '' } = wrapped[i] ?? {};
    return { tag, part, x, y, d };
  });

/** What lies there, with blanks in the gaps that are left. */
export function withBlanks(
  { sheet }: SleeveRequest,
  shape: Shape,
  lying: readonly SleeveCircle[],
): SleeveCircle[] {
  const placed = lying.map(({ x, y, d }, i) => ({ i, x, y, d }));
  const blanks = fillGaps(shape, placed, sheet.fillers, sheet.clearanceMm);
  return [...lying, ...blanks.map(({ x, y, d, filler }) => ({ tag: null, part: filler.id, x, y, d }))];
}

/**
 * A sleeve packed with rubber and sealed on both faces, from where all lies in it. What stays open, the depth and the sealant are figured on the side of
 * the worst that the intervals leave. `misfit` says why nothing lies. That the arrangement is one is asked of `checkSleeve`.
 */
export function settleSleeve(
  request: SleeveRequest,
  circles: readonly SleeveCircle[],
  misfit: SealFinding | null = null,
): SleevePlan {
  const { sheet, opening, faces, cables } = request;
  const shape = smallest(opening);
  const wrapped = wrappedOf(request);
  const taken = new Set(wrapped.map((w) => w.tag));
  const whole = shapeArea(shape);
  const blanks = circles.filter((c) => c.tag === null);
  const filled = wrapped.reduce((sum, w) => sum + circleArea(w.d), 0);
  const open = circles.length === 0 ? null : openShare(request, circles);
  const findings: SealFinding[] = [
    facesFinding(faces),
    ratingFinding(request.ratingKnown),
    slantFinding(request),
    depthFinding(request),
    ...openTimeFindings(sheet.sealant, request.tempC),
    ...cables
      .filter((c) => !taken.has(c.tag))
      .map((c) => finding('fails', 'noSleeve', { tag: c.tag, ...c.diameter })),
    ...(misfit === null ? [] : [misfit]),
    ...(open === null
      ? []
      : [
          finding('holds', 'lies', { count: cables.length, percent: (100 * filled) / whole }),
          finding(open <= sheet.maxOpenShare ? 'holds' : 'fails', 'open', {
            percent: 100 * open,
            most: 100 * sheet.maxOpenShare,
          }),
        ]),
  ];
  // Sealant lies round the bare cables: in the largest face that the intervals leave.
  const face = largestArea(opening) - cables.reduce((sum, c) => sum + circleArea(c.diameter.min), 0);
  const sealantMl = (2 * face * sealantAlongMm(request)) / 1000;
  const answer = answerOf(findings);
  return {
    answer,
    findings,
    wrapped,
    circles: [...circles],
    openShare: open,
    sealantMl,
    sealantMm: sealantAlongMm(request),
    airMm: airMm(request),
    parts: answer === 'refused' ? [] : partsOf(sheet, wrapped, blanks, sealantMl),
    pullingFrom: pullingFrom(sheet, shape, wrapped),
    wouldFit: null,
  };
}

/** Of the face that stays open at most: the opening as large and the cables as small as they may be. */
function openShare({ opening, cables }: SleeveRequest, circles: readonly SleeveCircle[]): number {
  const play = new Map(cables.map(({ tag, diameter }) => [tag, diameter.max - diameter.min]));
  const filled = circles.reduce(
    (sum, { tag, d }) => sum + circleArea(d - (tag === null ? 0 : (play.get(tag) ?? 0))),
    0,
  );
  return 1 - filled / largestArea(opening);
}

/** How far the opening may run out of square: asked for where nobody has said. */
function slantFinding({ sheet, slantDeg }: SleeveRequest): SealFinding {
  if (slantDeg === undefined) return finding('ask', 'askSlant', {});
  const most = sheet.maxSlantDeg ?? 0;
  return finding(slantDeg <= most ? 'holds' : 'fails', 'slant', { deg: slantDeg, most });
}

/** Sealant on both faces, the filling, and the air that a deep opening asks for, against the shallowest that it may be. */
function depthFinding(request: SleeveRequest): SealFinding {
  const { sheet, depth } = request;
  const need = 2 * sealantAlongMm(request) + sheet.fillingMm + airMm(request);
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
  blanks: readonly SleeveCircle[],
  sealantMl: number,
): SealPart[] {
  const parts = new Map<string, SealPart>();
  const add = (id: string, kind: SealPart['kind'], n: number, unit: SealPart['unit'] = 'piece') =>
    parts.set(`${kind} ${id}`, { id, kind, unit, count: (parts.get(`${kind} ${id}`)?.count ?? 0) + n });
  for (const w of wrapped)
    if (w.kind === 'sleeve') add(w.with, 'sleeve', 1);
    else
      add(
        w.with,
        'strip',
        w.layerMm.reduce((sum, long) => sum + Math.ceil(w.strips * long), 0),
        'mm',
      );
  for (const b of blanks) add(b.part, 'filler', 1);
  add(sheet.sealant.id, 'sealant', cartridgesFor(sealantMl, sheet.sealant));
  return [...parts.values()];
}
