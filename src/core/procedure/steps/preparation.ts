import { trimNumber } from '@/core/units';
import type { StepDraft } from '@/core/record';
import type { TerminationPlan } from '../termination-plan';

/** Adaptor, washers, tag and locknut, in words. */
export const accessoriesOf = (plan: TerminationPlan): string[] =>
  [plan.adaptor, ...plan.outside, ...plan.inside].filter((p) => p !== null);

/** The hold points before anything is cut: dead, parts, tools, what must already be on the cable. */
export function preparation(plan: TerminationPlan): StepDraft[] {
  return [safeStep, partsStep(plan), toolsStep(plan), ...slideOnStep(plan)];
}

const safeStep: StepDraft = {
  id: 'safe',
  station: 'measure',
  kind: 'hold',
  title: 'Isolated, locked, proved dead',
  detail:
    'Nothing is opened and no tablet, tester or power tool comes into a classified area before this stands.',
  reason: 'A live or a gassed box kills.',
  caution: 'Permit and gas test where the area asks for them. This tablet is an ignition source.',
  checks: [
    'Isolated and locked off',
    'Proved dead at the box',
    'Permit and gas test where the area is classified',
  ],
  decisions: [],
};

/** Gaskets of a coupler, with their bores: they look alike. */
const gasketsOf = ({ coupler }: TerminationPlan): string[] =>
  coupler === undefined
    ? []
    : [coupler.entrance, coupler.relief].map((g) => `${g.part}, bore ${trimNumber(g.boreMm, 1)} mm`);

function partsStep(plan: TerminationPlan): StepDraft {
  const packs = (plan.seal?.packs.packs ?? []).map(
    (p) => `${p.count} × ${p.part}, ${trimNumber(p.ml, 1)} mL`,
  );
  return {
    id: 'parts',
    station: 'choose',
    kind: 'hold',
    title: 'Parts in hand match the plan',
    detail: `${plan.size}, sheet “${plan.family.sheet}” revision ${plan.family.revision}. The ranges are marked on the parts.`,
    reason: 'The certificate belongs to the exact parts and the sheet they came with.',
    caution:
      'Another revision of the sheet in the bag? Stop and replan: the certificate belongs to the exact parts and sheet.',
    list: [plan.partNumber, plan.ring?.ring, ...accessoriesOf(plan), ...gasketsOf(plan), ...packs].filter(
      (p): p is string => typeof p === 'string',
    ),
    ...(plan.seal ? { checks: ['Compound packs within their expiry date, sealed and undamaged'] } : {}),
    decisions: ['size', 'ring', 'adaptor', 'accessories', 'compound'],
  };
}

function toolsStep(plan: TerminationPlan): StepDraft {
  const spanners = [
    ...new Set(plan.stages.flatMap((s) => [s.memberSpannerMm, s.heldSpannerMm]).filter((s) => s !== null)),
  ];
  const blades = (plan.cut?.marks ?? []).map((m) => m.tools[0]?.tool).filter((t) => t !== undefined);
  return {
    id: 'tools',
    station: 'choose',
    kind: 'hold',
    title: 'Tools in hand, in calibration',
    detail: 'Lay them out before the first cut.',
    reason: 'A tool fetched in the middle is a pot life gone, or a nut left hand-tight.',
    list: [
      ...new Set(blades),
      ...(spanners.length > 0 ? [`Spanners ${spanners.map((s) => trimNumber(s, 1)).join(', ')} mm`] : []),
      ...(plan.stages.some((s) => s.method.kind === 'torque') ? ['Torque wrench, calibration in date'] : []),
      ...(plan.seal
        ? [
            'Thermometer for the work',
            'Gloves and eye protection; rags; tape for the core ends',
            ...(plan.seal.kind === 'resin' && plan.seal.rules.dam ? ['Dam material'] : []),
            ...(plan.seal.stickMm === null ? [] : ['Rule and knife for the putty']),
          ]
        : []),
    ],
    decisions: [],
  };
}

function slideOnStep(plan: TerminationPlan): StepDraft[] {
  if (plan.slideOn.length === 0) return [];
  return [
    {
      id: 'slideOn',
      station: 'makeOff',
      kind: 'hold',
      title: 'On the cable before the first cut',
      detail:
        'In this order, the first farthest from the cable end. Forgotten here means cut off and begin again.',
      reason: 'What is not on the cable now cannot be put on after the make-off.',
      list: plan.slideOn.map((s) => [s.name, s.facing, s.trim].filter(Boolean).join(' · ')),
      checks: ['Order as listed', 'Every part faces as listed'],
      decisions: ['size', 'ring', 'slideOn'],
    },
  ];
}
