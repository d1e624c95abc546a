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
import { chainSteps, type Step, type StepDraft } from '@/core/procedure';
import { pressUnitOrder } from '@/core/tightening';

/** What the place of a crossing says about itself. */
export interface CrossingPlace {
  readonly name: string;
  /** Fire, gas and water rating of the wall, as it was given; empty when nobody has said. */
  readonly rating: string;
}

const LOOSE: ReadonlySet<string> = new Set(['safe', 'rating', 'parts', 'clean']);

/** How far one bolt of a press unit goes before the other takes its turn, mm, and how many there are (demo figures). */
const PRESS = { bolts: 2, incrementMm: 1 } as const;

/** “1A”: the first opening of the first frame. */
export const openingName = (frame: number, opening: number): string =>
  `${frame + 1}${String.fromCharCode(65 + opening)}`;

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
    rating(place),
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
  eachOpening(request, plan, (spec, opening, name) => {
    drafts.push(lubricate(name, spec));
    opening.rows.forEach((_, r) => drafts.push(rowStep(request, spec, opening, r, name)));
    drafts.push(...pressSteps(spec, opening, name));
  });
  drafts.push(sign());
  return chainSteps(settledBy(plan), LOOSE, drafts);
}

export function eachOpening(
  request: FrameRequest,
  plan: FramePlan,
  visit: (spec: FrameOpening, opening: PlannedOpening, name: string, frame: number, index: number) => void,
): void {
  plan.frames.forEach((frame, f) => {
    const kind = request.frames.find((k) => k.id === frame.frame);
    frame.openings.forEach((opening, o) => {
      const spec = kind?.openings[o];
      if (spec) visit(spec, opening, openingName(f, o), f, o);
    });
  });
}

/** What each row and each press unit was settled to: a changed row is another piece of work. */
export function settledBy(plan: FramePlan): Map<string, string> {
  const values = new Map<string, string>();
  plan.frames.forEach((frame, f) =>
    frame.openings.forEach((opening, o) => {
      const name = openingName(f, o);
      values.set(
        `press.${name}`,
        `${frame.frame} ${opening.press} ${opening.closure} ${opening.fillers.join()}`,
      );
      opening.rows.forEach((row, r) => values.set(`row.${name}.${r + 1}`, hashText(JSON.stringify(row))));
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

export const rating = (place: CrossingPlace): StepDraft => ({
  id: 'rating',
  station: 'choose',
  kind: 'hold',
  title: 'The wall’s rating, and a seal approved for it',
  detail:
    place.rating === ''
      ? 'Nobody has said which fire, gas and water rating this wall has: ask before anything is built.'
      : `Wall of ${place.name}: ${place.rating}. Frame, modules and lubricant are approved for it together.`,
  reason: 'A good seal of the wrong rating is a hole in a fire.',
  checks: [
    'Rating of the wall known',
    'Approval covers wall, frame and filling',
    'Sheet in the revision in hand',
  ],
  decisions: [],
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

export const lubricate = (name: string, spec: FrameOpening): StepDraft => ({
  id: `lubricate.${name}`,
  station: 'makeOff',
  kind: 'confirm',
  title: `Opening ${name}: lubricate the inside`,
  detail: `All four walls and the corners of ${mm(spec.width)} × ${mm(spec.height)} mm, thin and without gaps.`,
  reason: 'A dry corner holds a module back while the others close.',
  caution: 'The maker’s own lubricant only. When it is cold, warm it in the hand first.',
  checks: ['Corners too'],
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
  name: string,
): StepDraft {
  const row = opening.rows[r];
  if (!row) throw new Error('a row that is not planned');
  const last = r === opening.rows.length - 1;
  const plate = !last || (opening.press !== 'inside' && spec.plateAgainstPress);
  const cables = row.places.filter((p) => p.cable !== undefined);
  const window = request.modules.find((m) => m.id === row.places[0]?.module)?.gap;
  const again = cables.filter((p) => p.remeasure);
  return {
    id: `row.${name}.${r + 1}`,
    station: 'makeOff',
    kind: again.length > 0 ? 'hold' : 'confirm',
    title: `Opening ${name}, row ${r + 1} of ${opening.rows.length}${last && opening.press === 'inside' ? ': it slides in between two plates' : ''}`,
    detail: `${last && opening.press === 'inside' ? 'At the far side of the press unit.' : r === 0 ? 'Against the side opposite the press unit.' : 'On the plate of the row before.'} Both halves on the cable: the gap between them is what counts. Peel one, try, peel one. Both faces of every module lubricated.`,
    reason: 'Too much peeled leaks, too little does not close.',
    figure: {
      value: String(cables.length),
      unit: cables.length === 1 ? 'cable' : 'cables',
      second: `in ${row.places.length} places, ${mm(row.height)} mm high`,
    },
    list: leftToRight(row.places).map((p, i) => `${i + 1}  ${placeWords(p)}`),
    checks: [
      ...(cables.length > 0 && window
        ? [`Gap of ${mm(window.min)}–${mm(window.max)} mm at every cable`]
        : []),
      ...(again.length > 0 ? [`Measured again: ${again.map((p) => p.cable).join(', ')}`] : []),
      'Spares with their core in',
      ...(plate ? [`Plate of ${mm(spec.plate)} mm on the row`] : []),
    ],
    decisions: [`row.${name}.${r + 1}`],
  };
}

const WHERE = { top: 'at the top', bottom: 'at the bottom', inside: 'between the last two rows' } as const;

export function pressSteps(spec: FrameOpening, opening: PlannedOpening, name: string): StepDraft[] {
  const travel = Math.max(0, spec.press.max - opening.closure);
  const turns = travel > 0 ? pressUnitOrder({ ...PRESS, travelMm: travel }) : null;
  const order = turns?.ok ? turns.value.map((t) => `Bolt ${t.bolt} to ${mm(t.toMm)} mm`) : [];
  const fillers = opening.fillers.map((f) => `${mm(f)} mm`).join(', ');
  return [
    {
      id: `press.${name}`,
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
      decisions: [`press.${name}`],
    },
    {
      id: `bolts.${name}`,
      station: 'tighten',
      kind: 'hold',
      title: `Opening ${name}: bolts in turn to the stop`,
      detail:
        'Alternately, in equal steps, to the stop or the maximum torque of the sheet, whichever comes first. Torque before the stop is not closed: back off and look for the cause.',
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
