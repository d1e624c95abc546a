import { trimNumber } from '@/core/units';
import type { SleevePlan, Wrapped } from '../plan-schema';
import { openMinutes } from '../sealant';
import type { SleeveRequest } from '../sleeve-request';
import type { SealStep } from '../step';

const mm = (value: number): string => trimNumber(value, 1);

/** What goes round one cable, in a line. */
export const wrappedWords = ({ tag, with: part, kind, strips, layerMm }: Wrapped): string =>
  kind === 'sleeve'
    ? `${tag}: ${part}`
    : `${tag}: ${part}, ${strips} side by side, cut to ${layerMm.map((l) => mm(l)).join(', then ')} mm`;

/** The work on a packed sleeve: dry, wrapped, packed, and sealed on one face after the other. */
export function sleeveSteps(request: SleeveRequest, plan: SleevePlan): SealStep[] {
  const { lies, cables } = request;
  return [
    {
      id: 'clean',
      title: 'Clean and dry',
      detail: 'Opening and cables are free of dust, water and grease. No grease goes in here.',
      reason: 'Sealant does not hold on grease or on water.',
      hold: true,
      checks: ['Opening clean and dry', 'Cables clean and dry', 'No grease, no lubricant'],
      decisions: [],
    },
    depthStep(request, plan),
    wrapStep(request, plan),
    {
      id: 'blanks',
      title: 'Fill the gaps',
      detail: 'Blanks as drawn, until nothing moves by hand.',
      reason: 'What is loose goes with the first fire.',
      hold: false,
      figure: {
        value: String(plan.circles.length - cables.length),
        unit: plan.circles.length - cables.length === 1 ? 'blank' : 'blanks',
        second: `${trimNumber(100 * (plan.openShare ?? 1), 0)} % of the face stays open for the sealant`,
      },
      list: blankLines(plan),
      decisions: ['packing'],
    },
    {
      id: 'try',
      title: 'Try the packing',
      detail:
        lies === 'upright'
          ? 'Upright: pressed from above all round, and nothing drops.'
          : 'Pressed by hand, and nothing moves.',
      reason: 'What moves now falls out later.',
      hold: true,
      checks: [lies === 'upright' ? 'Nothing drops' : 'Nothing moves'],
      decisions: ['packing'],
    },
    ...sealed(request, plan, 'first'),
    ...sealed(request, plan, 'second'),
  ];
}

/** Where the filling lies along the opening. */
function depthStep({ sheet, depth }: SleeveRequest, { sealantMm, airMm }: SleevePlan): SealStep {
  const room = sealantMm;
  return {
    id: 'depth',
    title: 'Measure the depth',
    detail: `${mm(room)} mm stay free for sealant at each face; the filling of ${mm(sheet.fillingMm)} mm lies between${airMm > 0 ? `, with ${mm(airMm)} mm of air` : ''}.`,
    reason: 'Sealant that is too shallow burns through.',
    hold: false,
    figure: { value: mm(2 * room + sheet.fillingMm + airMm), unit: 'mm', second: 'needed at least' },
    accepts: [
      {
        key: 'depth',
        label: 'Depth of the opening',
        min: 2 * room + sheet.fillingMm + airMm,
        max: Math.max(depth.max, 2 * room + sheet.fillingMm + airMm),
        over: 'deeper than it was measured: plan again',
        under: 'too shallow: sealant, filling and air do not lie in it',
        needed: 'only the measure says that sealant and filling lie in it',
      },
    ],
    decisions: ['depth'],
  };
}

function wrapStep({ school, cables }: SleeveRequest, plan: SleevePlan): SealStep {
  const whilePulling = school === 'whilePulling' || plan.pullingFrom !== null;
  const from =
    school === 'afterPulling' && plan.pullingFrom !== null
      ? ` From the ${plan.pullingFrom}${plan.pullingFrom === 1 ? 'st' : plan.pullingFrom === 2 ? 'nd' : plan.pullingFrom === 3 ? 'rd' : 'th'} largest cable on they go on while pulling: afterwards there is no room for a hand.`
      : '';
  return {
    id: 'round',
    title: whilePulling ? 'Sleeves and strips on, while pulling' : 'Sleeves and strips on',
    detail: `Each cable with its own, slits away from one another, all ends level.${from}`,
    reason: 'A cable on bare steel is a gap, and is chafed.',
    hold: false,
    figure: { value: String(cables.length), unit: cables.length === 1 ? 'cable' : 'cables' },
    list: plan.wrapped.map(wrappedWords),
    decisions: ['wrapped'],
  };
}

function blankLines({ circles }: SleevePlan): string[] {
  const count = new Map<string, number>();
  for (const { tag, part } of circles) if (tag === null) count.set(part, (count.get(part) ?? 0) + 1);
  return [...count].map(([part, n]) => `${n} × ${part}`);
}

function sealed(
  { sheet, tempC }: SleeveRequest,
  { sealantMm, sealantMl }: SleevePlan,
  which: 'first' | 'second',
): SealStep[] {
  const title = which === 'first' ? 'First face' : 'Second face';
  const minutes = tempC === undefined ? null : openMinutes(sheet.sealant, tempC);
  return [
    {
      id: `${which}.sealant`,
      title: `${title}: sealant`,
      detail: `From the middle outwards, between all cables, about ${trimNumber(sealantMl / 2, 0)} mL.${minutes === null ? '' : ` It can be pressed for ${trimNumber(minutes, 0)} minutes.`}`,
      reason: 'From the edge inwards it closes over a hole in the middle.',
      hold: false,
      figure: { value: mm(sealantMm), unit: 'mm', second: 'deep, along the opening' },
      checks: [`Batch of ${sheet.sealant.id} in date`],
      decisions: ['depth'],
    },
    {
      id: `${which}.look`,
      title: `${title}: press and look`,
      detail: 'Pressed with a damp cloth, between the cables too.',
      reason: 'A hole the size of a pencil lets the smoke through.',
      hold: true,
      checks: ['Nothing open between the cables', 'Flush with the face all round'],
      decisions: ['depth'],
    },
  ];
}
