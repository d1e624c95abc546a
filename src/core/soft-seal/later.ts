import { type PackingRun } from '@/core/circle-packing';
import { finding, type SealFinding } from './finding';
import { clearPlaces } from './gaps';
import type { SleeveCircle, SleevePlan } from './plan-schema';
import { planSleeve, settleSleeve, withBlanks, wrapCable } from './sleeve';
import { smallest, type SleeveRequest } from './sleeve-request';
import type { SealStep } from './step';

type Cable = SleeveRequest['cables'][number];

/** One more cable for a sleeve that is closed. */
export type LaterAnswer =
  /** It goes where blanks give way; every other cable stays. */
  | {
      readonly kind: 'into';
      readonly request: SleeveRequest;
      readonly plan: SleevePlan;
      readonly place: SleeveCircle;
      readonly gone: readonly SleeveCircle[];
      /** The smallest punch of the sheet that makes room for it; null where the sheet has none as large. */
      readonly punch: { readonly id: string; readonly mm: number } | null;
    }
  /** Only when everything is taken out and laid anew. */
  | { readonly kind: 'anew'; readonly request: SleeveRequest; readonly plan: SleevePlan }
  | {
      readonly kind: 'no';
      readonly findings: readonly SealFinding[];
      /** The largest, with what goes round it, that has a place as it lies, mm; null where nothing has. */
      readonly largestMm: number | null;
    };

/** Finds a place for one more cable: where the fewest blanks give way; else in a packing that is laid anew; else why not, and what would go in. */
export function* addLater(request: SleeveRequest, plan: SleevePlan, cable: Cable): PackingRun<LaterAnswer> {
  const { sheet, opening, cables } = request;
  const grown: SleeveRequest = { ...request, cables: [...cables, cable] };
  const wrapped = wrapCable(sheet, cable);
  const place = wrapped === null ? null : leastGivesWay(request, plan, wrapped.d);
  if (wrapped !== null && place !== null) {
    const circle: SleeveCircle = { tag: cable.tag, part: wrapped.with, ...place.at, d: wrapped.d };
    const stay = plan.circles.filter((c) => !place.gone.includes(c));
    const made = settleSleeve(grown, withBlanks(grown, smallest(opening), [...stay, circle]));
    if (made.answer !== 'refused')
      return {
        kind: 'into',
        request: grown,
        plan: made,
        place: circle,
        gone: place.gone,
        punch: punchFor(request, wrapped.d),
      };
  }
  const anew = yield* planSleeve(grown);
  if (anew.answer !== 'refused') return { kind: 'anew', request: grown, plan: anew };
  return {
    kind: 'no',
    findings:
      wrapped === null
        ? [finding('fails', 'noSleeve', { tag: cable.tag, ...cable.diameter })]
        : anew.findings.filter((f) => f.verdict === 'fails'),
    largestMm: largestWithPlace(request, plan),
  };
}

const punchFor = ({ sheet }: SleeveRequest, d: number) =>
  [...(sheet.punches ?? [])].sort((a, b) => a.mm - b.mm).find((p) => p.mm >= d) ?? null;

/** Where something this large lies clear of every cable, and which blanks give way for it: as few as can be among the places that touch two others. */
function leastGivesWay({ sheet, opening }: SleeveRequest, { circles }: SleevePlan, d: number) {
  const blanks = circles.filter((c) => c.tag === null);
  const cables = circles.filter((c) => c.tag !== null);
  let best: {
    readonly at: { readonly x: number; readonly y: number };
    readonly gone: readonly SleeveCircle[];
  } | null = null;
  // In a blank's own middle first: it is drawn out, and the new one put in its place.
  const middles = blanks.map(({ x, y }) => ({ x, y }));
  for (const at of clearPlaces(smallest(opening), cables, circles, d, sheet.clearanceMm, middles)) {
    const gone = blanks.filter(
      (b) => Math.hypot(b.x - at.x, b.y - at.y) < (b.d + d) / 2 + sheet.clearanceMm - 1e-7,
    );
    if (best === null || gone.length < best.gone.length) best = { at, gone };
  }
  return best;
}

/** By halving, to a tenth of a mm. */
function largestWithPlace(request: SleeveRequest, plan: SleevePlan): number | null {
  const shape = smallest(request.opening);
  let [low, high] = [0, shape.kind === 'circle' ? shape.d : Math.min(shape.w, shape.h)];
  while (high - low > 0.1) {
    const middle = (low + high) / 2;
    if (leastGivesWay(request, plan, middle) === null) high = middle;
    else low = middle;
  }
  return low < 1 ? null : Math.floor(low * 10) / 10;
}

/** A cable is taken out: blanks close its hole, everything else stays. Null when it does not lie there, or is the only one. */
export function takeOut(
  request: SleeveRequest,
  plan: SleevePlan,
  tag: string,
): {
  readonly request: SleeveRequest;
  readonly plan: SleevePlan;
  readonly closes: readonly SleeveCircle[];
} | null {
  const cables = request.cables.filter((c) => c.tag !== tag);
  if (cables.length === 0 || cables.length === request.cables.length) return null;
  const left: SleeveRequest = { ...request, cables };
  const stay = plan.circles.filter((c) => c.tag !== tag);
  const all = withBlanks(left, smallest(request.opening), stay);
  return { request: left, plan: settleSleeve(left, all), closes: all.slice(stay.length) };
}

/** The work on a closed sleeve for one more cable: through both faces, and both are sealed again. */
export function laterSteps(answer: Exclude<LaterAnswer, { readonly kind: 'no' }>): SealStep[] {
  const base = { hold: false, decisions: [] };
  const first: SealStep =
    answer.kind === 'anew'
      ? {
          ...base,
          id: 'later.out',
          title: 'Take everything out',
          detail: 'Sealant of both faces, blanks and sleeves: it is laid anew, as drawn.',
          reason: 'As it lies there is no room.',
        }
      : {
          ...base,
          id: 'later.punch',
          title: 'Open both faces',
          detail:
            answer.punch === null
              ? 'The sheet has no punch as large: cut the sealant out by hand, away from the cables beside it.'
              : `With punch ${answer.punch.id}, through the sealant of one face, what lies behind it, and the other face.`,
          reason: 'A knife that slips cuts the cable beside it.',
          list: answer.gone.map((c) => `${c.part} comes out`),
        };
  return [
    {
      ...base,
      hold: true,
      id: 'later.safe',
      title: 'Isolate and lock what lies beside it',
      detail: 'Nothing is cut beside a live cable; permit and gas test where the area asks for them.',
      reason: 'The blade goes where it cannot be seen.',
      checks: ['Neighbours isolated', 'Permit there'],
    },
    first,
    {
      ...base,
      id: 'later.in',
      title: 'Draw the cable in, with what goes round it',
      detail: 'Blanks in what stays open, as drawn; nothing moves by hand.',
      reason: 'A cable that lies loose takes the sealant with it.',
    },
    {
      ...base,
      hold: true,
      id: 'later.seal',
      title: 'Seal both faces again, and look',
      detail: 'Old sealant clean and dry, new from the middle outwards, pressed with a damp cloth.',
      reason: 'One face is no seal.',
      checks: ['First face closed', 'Second face closed'],
    },
  ];
}
