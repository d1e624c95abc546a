import { hashText } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import {
  frameParts,
  type FrameOpening,
  type FramePlan,
  type FrameRequest,
  type Place,
  type PlannedOpening,
} from '@/core/frame-packing';
import { chainSteps, type Acceptance, type Settled, type Step, type StepDraft } from '@/core/record';
import { pressUnitOrder } from '@/core/tightening';

/** What the place of a crossing says about itself. */
export interface CrossingPlace {
  readonly name: string;
  /** Fire, gas and water rating of the wall, as it was given; empty when nobody has said. */
  readonly rating: string;
  /** What the frames' sheet warns of. */
  readonly cautions?: readonly string[];
  readonly school?: BuildingSchool;
}

/** Two schools: cables are there first and modules are laid round them, or the frame comes filled with spares and is opened for them. */
export const BUILDING_SCHOOLS = ['cablesFirst', 'preFilled'] as const;
export type BuildingSchool = (typeof BUILDING_SCHOOLS)[number];

const LOOSE: ReadonlySet<string> = new Set(['safe', 'rating', 'parts', 'clean']);

/** “1A”: the first opening of the first frame. */
export const openingName = (frame: number, opening: number): string =>
  `${frame + 1}${String.fromCharCode(65 + opening)}`;

/** An opening of a crossing: which one, and how it is called. */
export interface OpeningAt {
  readonly frame: number;
  readonly opening: number;
  readonly name: string;
}

export const openingAt = (frame: number, opening: number): OpeningAt => ({
  frame,
  opening,
  name: openingName(frame, opening),
});

export const openingTarget = ({ frame, opening }: OpeningAt) =>
  ({ kind: 'opening', frame, opening }) as const;

const mm = (value: number): string => trimNumber(value, 2);

/**
 * The building of a crossing as ordered steps: surfaces, lubricant, row by row with what is peeled from each half and the gap to look for,
 * plates, the last row, press unit, bolts in turn, indicator. From the same model of procedure as the glands', so that the same bench leads
 * through it.
 */
export function buildingSteps(request: FrameRequest, plan: FramePlan, place: CrossingPlace): Step[] {
  if (plan.frames.length === 0) return [];
  const drafts: StepDraft[] = [
    safe('Cables isolated, permits there'),
    rating(place, request.sheet),
    partsStep(request, plan),
    {
      id: 'clean',
      station: 'measure',
      kind: 'hold',
      title: 'Frames and cables clean',
      detail:
        'Inside of every frame and the cables, a hand’s breadth on both sides of the wall: clean, dry, no paint runs.',
      reason: 'Grit under a module is a path for gas and water.',
      checks: [
        'Frame surfaces clean',
        'Cable sheaths clean, without tape and tags',
        'Cables come straight through',
      ],
      decisions: [],
    },
  ];
  eachOpening(request, plan, (spec, opening, at) => {
    const stay = place.school === 'preFilled' ? rowsThatStay(opening) : 0;
    if (place.school === 'preFilled') drafts.push(unfill(at, opening, stay));
    // An opening that stays as it came is not taken apart for nothing.
    if (stay === opening.rows.length) return;
    drafts.push(lubricate(at, spec));
    opening.rows.forEach((_, r) => {
      if (r >= stay) drafts.push(rowStep(request, spec, opening, r, at));
    });
    drafts.push(...pressSteps(spec, opening, at));
  });
  drafts.push(sign());
  return chainSteps(settledBy(plan, place), LOOSE, drafts);
}

/** Rows opposite the press unit that carry no cable: in a frame that comes filled they stay shut. */
function rowsThatStay({ rows }: PlannedOpening): number {
  const first = rows.findIndex((row) => row.places.some((p) => p.cable !== undefined));
  return first < 0 ? rows.length : first;
}

const unfill = (at: OpeningAt, { rows }: PlannedOpening, stay: number): StepDraft => ({
  id: `unfill.${at.name}`,
  target: openingTarget(at),
  station: 'makeOff',
  kind: 'confirm',
  title:
    stay === rows.length
      ? `Opening ${at.name} stays as it came: no cable goes through`
      : `Opening ${at.name}: press unit out, ${rows.length - stay} of ${rows.length} rows out`,
  detail:
    stay === rows.length
      ? 'Filled with spares and closed: look that it is shut to the stop, and leave it.'
      : `Nearest the press unit first, laid down in their order.${stay > 0 ? ` ${stay === 1 ? 'Row 1 carries no cable and stays' : `Rows 1 to ${stay} carry no cable and stay`} shut.` : ''} The same modules go back in: those that carry a cable lose their core and are peeled.`,
  reason: 'What came out in order goes back without searching.',
  checks: ['Modules the sizes of the plan', 'No core taken out of a module that stays a spare'],
  decisions: [`press.${at.name}`],
});

export function eachOpening(
  request: FrameRequest,
  plan: FramePlan,
  visit: (spec: FrameOpening, opening: PlannedOpening, at: OpeningAt) => void,
): void {
  plan.frames.forEach((frame, f) => {
    const kind = request.frames.find((k) => k.id === frame.frame);
    frame.openings.forEach((opening, o) => {
      const spec = kind?.openings[o];
      if (spec) visit(spec, opening, openingAt(f, o));
    });
  });
}

/** What each row and each press unit was settled to: a changed row is another piece of work. */
export function settledBy(plan: FramePlan, place: CrossingPlace): Map<string, Settled> {
  const values = new Map<string, Settled>();
  const settle = (id: string, figures: string) => values.set(id, { figures, words: figures });
  settle('rating', place.rating.trim());
  plan.frames.forEach((frame, f) =>
    frame.openings.forEach((opening, o) => {
      const name = openingName(f, o);
      settle(`press.${name}`, `${frame.frame} ${opening.press} ${opening.closure} ${opening.fillers.join()}`);
      opening.rows.forEach((row, r) => settle(`row.${name}.${r + 1}`, hashText(JSON.stringify(row))));
    }),
  );
  return values;
}

export const safe = (title: string): StepDraft => ({
  id: 'safe',
  station: 'measure',
  kind: 'hold',
  title,
  detail:
    'No cable is moved and no tablet, torch or power tool comes into a classified area before this stands.',
  reason: 'Moving a live cable, or a spark beside a gas, kills.',
  caution: 'Permit and gas test where the area asks for them. This tablet is an ignition source.',
  checks: [
    'Cables that are moved are isolated and locked off',
    'Permit and gas test where the area is classified',
  ],
  decisions: [],
});

export const rating = (place: CrossingPlace, sheet: FrameRequest['sheet']): StepDraft => ({
  id: 'rating',
  station: 'choose',
  kind: 'hold',
  title: 'The wall’s rating, and a seal approved for it',
  detail:
    place.rating.trim() === ''
      ? 'Nobody has said which fire, gas and water rating this wall has: ask before anything is built.'
      : `Wall of ${place.name}: ${place.rating}. Frame, modules and lubricant must be approved for it together.`,
  reason: 'A good seal of the wrong rating is a hole in a fire.',
  checks: [
    'Rating of the wall known',
    'Approval covers wall, frame and filling',
    sheet ? `Sheet ${sheet.code} in hand is revision ${sheet.revision}` : 'Sheet in the revision in hand',
  ],
  list: place.cautions ?? [],
  ...(place.rating.trim() === ''
    ? {
        blockedBy:
          'nobody has said which fire, gas and water rating this wall has: ask, and write it at the crossing’s cables first',
      }
    : {}),
  decisions: ['rating'],
  newDecisions: ['rating'],
});

function partsStep(request: FrameRequest, plan: FramePlan): StepDraft {
  return {
    id: 'parts',
    station: 'choose',
    kind: 'hold',
    title: 'Parts in hand',
    detail: 'Counted before the first row: a frame that waits half built is open.',
    reason: 'One module short, and the row cannot be closed.',
    list: frameParts(request, plan).map(
      (p) => `${p.quantity}${p.unit === 'ml' ? ' mL' : ' ×'} ${p.what} ${p.id}`,
    ),
    decisions: [],
  };
}

export const lubricate = (at: OpeningAt, spec: FrameOpening): StepDraft => ({
  id: `lubricate.${at.name}`,
  target: openingTarget(at),
  station: 'makeOff',
  kind: 'confirm',
  title: `Opening ${at.name}: lubricate the inside`,
  detail: `A thin film on everything that rubber will slide along: the inside of ${mm(spec.width)} × ${mm(spec.height)} mm, right into where two sides meet.`,
  reason: 'A dry corner holds a module back while the others close.',
  caution: 'The maker’s own lubricant only. When it is cold, warm it in the hand first.',
  checks: ['No dry spot where two sides meet'],
  decisions: [],
});

/** Places of a row as the fitter reads them: from the left as seen from the front, lower ones first. */
export const leftToRight = (places: readonly Place[]): Place[] =>
  [...places].sort((a, b) => a.x - b.x || a.y - b.y);

/** “3 + 2”: layers from one half and from the other. */
export const peelWords = (place: Place): string =>
  place.peel ? `${place.peel[0]} + ${place.peel[1]}` : 'solid';

/** “−0.08 to 0.97 mm”: what is left between the halves over the whole interval. */
export const gapWords = ({ gap }: Place): string =>
  gap ? `${mm(gap.min)} to ${mm(gap.max)} mm`.replaceAll('-', '−') : 'no gap known';

/** What is done for one place, in one line. */
export function placeWords(place: Place): string {
  if (place.cable === undefined) return `${place.module}, spare: the core stays in`;
  const again = place.noPeel
    ? '; no count of layers fits: measure again before peeling'
    : place.remeasure
      ? '; measure again, peel one, try, peel one'
      : '';
  return `${place.module}, ${place.cable}: peel ${peelWords(place)}, gap ${gapWords(place)}${again}`;
}

export function rowStep(
  request: FrameRequest,
  spec: FrameOpening,
  opening: PlannedOpening,
  r: number,
  at: OpeningAt,
): StepDraft {
  const row = opening.rows[r];
  if (!row) throw new Error('a row that is not planned');
  const last = r === opening.rows.length - 1;
  const plate = !last || (opening.press !== 'inside' && spec.plateAgainstPress);
  const cables = row.places.filter((p) => p.cable !== undefined);
  const window = gapWindow(request, cables);
  const again = cables.filter((p) => p.remeasure);
  const accepts = gapsToMeasure(request, cables);
  return {
    id: `row.${at.name}.${r + 1}`,
    target: { kind: 'row', frame: at.frame, opening: at.opening, row: r },
    station: 'makeOff',
    kind: again.length > 0 ? 'hold' : 'confirm',
    title: `Opening ${at.name}, row ${r + 1} of ${opening.rows.length}${last && opening.press === 'inside' ? ': it slides in between two plates' : ''}`,
    detail: `${last && opening.press === 'inside' ? 'At the far side of the press unit.' : r === 0 ? 'Against the side opposite the press unit.' : 'On the plate of the row before.'} Both halves on the cable: the gap between them is what counts. Peel one, try, peel one. Both faces of every module lubricated.`,
    reason: 'Too much peeled leaks, too little does not close.',
    figure: {
      value: String(cables.length),
      unit: cables.length === 1 ? 'cable' : 'cables',
      second: `in ${row.places.length} places, ${mm(row.height)} mm high`,
    },
    list: leftToRight(row.places).map(placeWords),
    checks: [
      ...(cables.length > 0 && window
        ? [`Gap of ${mm(window.min)}–${mm(window.max)} mm at every cable`]
        : []),
      ...(again.length > 0 ? [`Measured again: ${again.map((p) => p.cable).join(', ')}`] : []),
      'Spares with their core in',
      ...(plate ? [`Plate of ${mm(spec.plate)} mm on the row`] : []),
    ],
    accepts,
    formerAccept:
      window && cables.length > 0
        ? { label: 'Tightest gap in this row', min: window.min, max: window.max }
        : null,
    decisions: [`row.${at.name}.${r + 1}`],
  };
}

const WORDS_OF_GAP = {
  over: 'too much, a layer too many is off: take another module',
  under: 'too little, peel one more and try again',
} as const;

/**
 * The gaps that are measured in a row. Where the plan knows how many layers come off, the tightest says enough, one for each window that its
 * modules have. A cable for which no count of layers is certain has its own, and the row does not pass without it.
 */
function gapsToMeasure(request: FrameRequest, cables: readonly Place[]): Acceptance[] {
  const windowOf = (place: Place) => request.modules.find((m) => m.id === place.module)?.gap;
  const sure = new Map<string, Acceptance>();
  const doubtful: Acceptance[] = [];
  for (const place of cables) {
    const window = windowOf(place);
    if (!window || place.cable === undefined) continue;
    const span = { min: window.min, max: window.max, ...WORDS_OF_GAP };
    if (place.remeasure)
      doubtful.push({
        key: `gap.${place.cable}`,
        label: `Gap at ${place.cable}`,
        ...span,
        needed: place.noPeel
          ? 'by what is known of this cable no count of layers fits'
          : 'by what is known of this cable two counts of layers come into question',
      });
    else {
      const key = `gap.${mm(window.min)}-${mm(window.max)}`;
      sure.set(key, { key, label: 'Tightest gap in this row', ...span });
    }
  }
  return [...sure.values(), ...doubtful];
}

/** The gap that every module of these places allows; null when they have none in common. */
function gapWindow(request: FrameRequest, places: readonly Place[]): { min: number; max: number } | null {
  const windows = places.flatMap((p) => request.modules.find((m) => m.id === p.module)?.gap ?? []);
  const min = Math.max(...windows.map((w) => w.min));
  const max = Math.min(...windows.map((w) => w.max));
  return windows.length > 0 && min <= max ? { min, max } : null;
}

const WHERE = { top: 'at the top', bottom: 'at the bottom', inside: 'between the last two rows' } as const;

export function pressSteps(spec: FrameOpening, opening: PlannedOpening, at: OpeningAt): StepDraft[] {
  const { name } = at;
  const target = openingTarget(at);
  const travel = Math.max(0, spec.press.max - opening.closure);
  const { bolts } = spec.press;
  const turns =
    bolts && travel > 0
      ? pressUnitOrder({ bolts: bolts.count, incrementMm: bolts.incrementMm, travelMm: travel })
      : null;
  const order = turns?.ok ? turns.value.map((t) => `Bolt ${t.bolt} to ${mm(t.toMm)} mm`) : [];
  const fillers = opening.fillers.map((f) => `${mm(f)} mm`).join(', ');
  return [
    {
      id: `press.${name}`,
      target,
      station: 'tighten',
      kind: 'confirm',
      title: `Opening ${name}: press unit ${WHERE[opening.press]}`,
      detail: `${fillers === '' ? 'No filler plates.' : `Filler plates ${fillers} first.`} The room that is left must be there before the press unit goes in; if it is less, compress the rows with the clamp first.`,
      reason: 'Upside down it presses on its own bolts.',
      figure: {
        value: mm(opening.closure),
        unit: 'mm',
        second: `room, ${mm(spec.press.min)}–${mm(spec.press.max)} mm`,
      },
      checks: ['Bolt heads to the side from which it is tightened', 'Lubricated on its faces'],
      accepts: [
        {
          key: 'room',
          label: 'Room for the press unit',
          min: spec.press.min,
          max: spec.press.max,
          over: 'too much: a filler plate or a row is missing',
          under: 'too little: compress the rows with the clamp, wait, measure again',
        },
      ],
      decisions: [`press.${name}`],
    },
    {
      id: `bolts.${name}`,
      target,
      station: 'tighten',
      kind: 'hold',
      title: `Opening ${name}: bolts in turn to the stop`,
      detail: `No bolt runs ahead: one step${bolts ? ` of ${mm(bolts.incrementMm)} mm` : ''} at the first, the same at the next, until all stand at the stop. Torque that reaches the sheet’s most${bolts?.maxTorqueNm ? ` (${mm(bolts.maxTorqueNm)} N·m)` : ''} earlier says that something is in the way: back off, find it.`,
      reason: 'Driven one after the other it tilts and the rows stay open on one side.',
      caution: 'Wait as long as the sheet says and follow up: rubber creeps.',
      list: order,
      checks: ['Closing indicator fits', 'Excess lubricant wiped off, on both sides'],
      decisions: [`press.${name}`],
    },
  ];
}

export const sign = (): StepDraft => ({
  id: 'sign',
  station: 'prove',
  kind: 'sign',
  title: 'Looked at from both sides, and signed',
  detail:
    'Every row closed, no light between modules, cables straight on both sides. What was built otherwise is recorded as built.',
  reason: 'The next one opens this frame by this record.',
  checks: ['No light through', 'As built agrees with the plan, or is recorded'],
  decisions: [],
});
