import { trimNumber } from '@/core/units';
import type { Between, Round, WrapPlan } from '../plan-schema';
import { openMinutes } from '../sealant';
import type { SealStep } from '../step';
import { ALL, type WrapRequest } from '../wrap';

const mm = (value: number): string => trimNumber(value, 0);
const span = ({ min, max }: Between): string => (mm(min) === mm(max) ? mm(max) : `${mm(min)}–${mm(max)}`);

/** The strip of a round, layer by layer. */
const stripLines = (r: Round): string[] =>
  r.strips.map((s, i) => `${r.id === ALL ? 'all' : r.id}, layer ${i + 1}: cut ${mm(s.max)} mm`);

/** The work on a fire wrap. Its order follows the cloth: a closed one is on before anything is pulled. Both sides of the wall, one after the other. */
export function wrapSteps(request: WrapRequest, plan: WrapPlan): SealStep[] {
  const closed = request.cloth === 'closed';
  return [
    {
      id: 'stub',
      title: 'Look at the stub',
      detail: 'Before anything goes on: it carries all that follows.',
      reason: 'Fire goes through a gap in the weld past the whole wrap.',
      hold: true,
      checks: ['Its weld runs all round without a gap', 'It stands in the middle of the wall’s opening'],
      decisions: [],
    },
    ...(closed ? [clothStep(request, plan, 'both', true)] : []),
    ...(request.pulled || request.bundles.length === 0
      ? []
      : [
          {
            id: 'pull',
            title: 'Pull the cables',
            detail: `Bundle by bundle: ${request.bundles.map((b) => b.id).join(', ')}.`,
            reason: 'What lies crosswise cannot be filled between.',
            hold: false,
            decisions: ['bundles'],
          },
        ]),
    ...side(request, plan, 'first'),
    ...side(request, plan, 'second'),
  ];
}

const clothStep = (
  { sheet }: WrapRequest,
  { cloth }: WrapPlan,
  where: 'both' | 'first' | 'second',
  closed: boolean,
): SealStep => ({
  id: `${where}.cloth`,
  title: closed ? 'Cloths over the stub, one on each side' : `${NAMES[where]}: cloth round the stub`,
  detail: `${cloth ?? sheet.cloths[0]?.id ?? ''}${closed ? ', before any cable is pulled' : ', laid round it, seam closed'}: the swelling face outward.`,
  reason: 'With the swelling face inward it pushes the strip off.',
  hold: true,
  checks: ['Swelling face outward', ...(closed ? [] : ['Seam closed and overlapping as its sheet says'])],
  decisions: ['cloth'],
});

const NAMES = { both: 'Both sides', first: 'First side', second: 'Second side' } as const;

function side(request: WrapRequest, plan: WrapPlan, which: 'first' | 'second'): SealStep[] {
  const name = NAMES[which];
  const open = request.cloth === 'openable';
  const cloth = open ? [clothStep(request, plan, which, false)] : [];
  const done: SealStep = {
    id: `${which}.look`,
    title: `${name}: look`,
    detail: 'All round, on both edges of the strip.',
    reason: 'Sealant that does not show was not pressed into every gap.',
    hold: true,
    checks:
      plan.rounds.length === 0
        ? ['No fold open', 'Swelling face outward']
        : ['Sealant squeezes out all round', 'Swelling face outward', 'Ends of the strip meet'],
    decisions: ['bundles'],
  };
  if (plan.rounds.length === 0)
    return [
      ...cloth,
      {
        id: `${which}.fold`,
        title: `${name}: fold the strip and press it in`,
        detail: 'In even folds, as wide as the strip, flush with the end of the stub.',
        reason: 'A loose fold is a chimney.',
        hold: false,
        figure: {
          value: plan.foldedMm === null ? '' : span(plan.foldedMm),
          unit: 'mm',
          second: 'of strip go in',
        },
        decisions: ['bundles'],
      },
      {
        id: `${which}.tie`,
        title: `${name}: tie the cloth`,
        detail: 'Behind the strip and over it.',
        reason: 'Untied it opens in the draught of a fire.',
        hold: false,
        decisions: ['cloth'],
      },
      done,
    ];
  return [...bundled(request, plan, which, name), ...cloth, ...tied(plan, which, name), done];
}

function bundled(
  { sheet, tempC }: WrapRequest,
  { marks, rounds }: WrapPlan,
  which: string,
  name: string,
): SealStep[] {
  const own = rounds.filter((r) => r.id !== ALL);
  const all = rounds.find((r) => r.id === ALL);
  const minutes = tempC === undefined ? null : openMinutes(sheet.sealant, tempC);
  const ml = (list: readonly Round[]) =>
    `${span({
      min: list.reduce((sum, r) => sum + r.sealantMl.min, 0),
      max: list.reduce((sum, r) => sum + r.sealantMl.max, 0),
    })} mL`;
  return [
    {
      id: `${which}.marks`,
      title: `${name}: mark twice`,
      detail: `${mm(marks.first)} mm and ${mm(marks.second)} mm from the end of the stub, on every bundle.`,
      reason: 'Between the marks every gap is filled; beyond them it does no good.',
      hold: false,
      figure: {
        value: mm(marks.second - marks.first),
        unit: 'mm',
        second: `apart, the first ${mm(marks.first)} mm from the stub`,
      },
      decisions: ['marks'],
    },
    {
      id: `${which}.between`,
      title: `${name}: sealant between all cables`,
      detail: `Over the marked length, in every gap; cables are bent apart for it. ${ml(own)} go in.${minutes === null ? '' : ` It can be pressed for ${trimNumber(minutes, 0)} minutes.`}`,
      reason: 'Smoke runs along the gap between three cables.',
      hold: false,
      checks: ['Every gap filled between the marks'],
      decisions: ['bundles', 'marks'],
    },
    {
      id: `${which}.strips`,
      title: `${name}: strip round ${own.length > 1 ? 'each bundle' : 'the bundle'}`,
      detail: 'Layer by layer, each cut so that its ends meet without a gap, joints turned.',
      reason: 'A gap where the ends should meet is a hole right through.',
      hold: false,
      list: own.flatMap(stripLines),
      decisions: ['bundles'],
    },
    ...(all === undefined
      ? []
      : [
          {
            id: `${which}.gaps`,
            title: `${name}: fill between the bundles`,
            detail: `Sealant in every gap over the marked length: ${ml([all])}.`,
            reason: 'Bundles side by side leave the largest gaps of all.',
            hold: false,
            decisions: ['bundles', 'marks'],
          },
          {
            id: `${which}.all`,
            title: `${name}: strip round all`,
            detail: 'As round each.',
            reason: 'Only the outer strip closes against the stub.',
            hold: false,
            list: stripLines(all),
            decisions: ['bundles'],
          },
        ]),
  ];
}

function tied({ tie }: WrapPlan, which: string, name: string): SealStep[] {
  if (tie === null) return [];
  return [
    {
      id: `${which}.tie`,
      title: `${name}: tie over the middle of the strip`,
      detail: `From ${span(tie.before)} mm round, drawn until ${span(tie.pullMm)} mm of its tail have come through; then it is ${span(tie.target)} mm round.`,
      reason: 'Too little leaks, too much cuts the strip.',
      hold: false,
      figure: { value: span(tie.pullMm), unit: 'mm', second: 'of tail pulled through' },
      accepts: [
        {
          key: 'pull',
          label: 'Tail pulled through',
          min: tie.pullMm.min,
          max: tie.pullMm.max,
          over: 'too much: the strip is cut; take it off and lay a new one',
          under: 'too little: draw on',
          needed: 'only the figure says that the strip is in its window',
        },
      ],
      decisions: ['tie'],
    },
  ];
}
