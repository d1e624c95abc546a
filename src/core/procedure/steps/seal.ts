import type { SealPlan } from '@/core/compound-cure';
import { trimNumber } from '@/core/units';
import type { StepDraft } from '@/core/record';
import type { TerminationPlan } from '../termination-plan';
import { cutStep } from './cut';
import { endStopStep } from './make-off';

/** Resin is poured, so its chamber is on first whatever the putty's order would be. */
export const fillOrder = (seal: SealPlan): 'packThenChamber' | 'chamberThenPour' =>
  seal.kind === 'resin' ? 'chamberThenPour' : seal.rules.order;

/** From the bare cores to the filled chamber. The pot life runs from the mixing on. */
export function fillSteps(plan: TerminationPlan, seal: SealPlan): StepDraft[] {
  const second = (plan.cut?.marks ?? []).filter((m) => m.datum === 'hub').map((m) => cutStep(m, plan));
  return [
    ...second,
    ...endStopStep(plan, 'beforeCompound'),
    plan.coupler === undefined ? prepareStep(seal) : bodyStep,
    ...(seal.kind === 'resin' ? [uprightStep(seal)] : []),
    mixStep(seal),
    plan.coupler === undefined ? fillStep(seal) : pourBodyStep(seal),
  ];
}

/** The body of a coupler before it is potted. */
const bodyStep: StepDraft = {
  id: 'cores',
  station: 'seal',
  kind: 'hold',
  title: 'Body clean and dry, cores apart',
  detail:
    'Look in from the entrance: nothing that moves, nothing that is damp; every finished core away from its neighbours and from the body.',
  reason: 'Air between two cores that touch glows under voltage, and no compound comes in there.',
  checks: [
    'A gap round each core',
    'No tie, cloth or tool inside',
    'Entrance casting and its gasket at hand: they go on at once',
  ],
  partId: 'body',
  decisions: ['compound'],
};

/** Poured up to the air that stays above it; the entrance closes it at once. */
function pourBodyStep(seal: SealPlan): StepDraft {
  const air = seal.airMl ?? 0;
  return {
    id: 'fill',
    station: 'seal',
    kind: 'confirm',
    title: 'Pour the body, upright',
    detail: `Slowly and at one side, so that air rises at the other. ${air > 0 ? `${trimNumber(air, 1)} mL of air stay above it: compound expands while it cures. ` : ''}The entrance goes on at once, before it sets.`,
    reason: 'A body that is filled to the brim bursts its gasket while it cures.',
    caution: 'Within the pot life. Too late is waste: mix again.',
    figure: { value: trimNumber(seal.needMl, 1), unit: 'mL', second: packWords(seal).join(' and ') },
    checks: [
      'No bubble rises any more',
      'Thread and joint face free of compound',
      'A test dab of the same mix laid beside it',
    ],
    timer: 'potLife',
    partId: 'body',
    decisions: ['compound'],
  };
}

const prepareStep = (seal: SealPlan): StepDraft => ({
  id: 'cores',
  station: 'seal',
  kind: 'hold',
  title: 'Every core on its own, earths opened',
  detail: `Clear the length that will lie in the chamber: no wrap, string or filler. Hold each core away from its neighbours, so that compound can close round it. Open the strands of bare earths below the chamber’s final mouth. Core ends ${seal.rules.tips === 'cap' ? 'under the fitted cap' : 'taped'}; they go through straight.`,
  reason: 'Gas finds its way along a string, a strand or two cores that touch.',
  checks: [
    'No wrap, string, tape or filler inside the chamber',
    'A gap all round each core, the whole length',
    'Strands of the bare earths opened, none bundled',
    'No splice inside the seal',
    'All conductors within the chamber’s outline, so that it will pass',
    'Joint faces and earthing taper clean',
  ],
  partId: 'chamber',
  decisions: ['compound'],
});

const uprightStep = (seal: SealPlan): StepDraft => ({
  id: 'dam',
  station: 'seal',
  kind: 'hold',
  title: seal.rules.dam ? 'Fitting upright, dam below the chamber' : 'Fitting upright',
  detail: seal.rules.dam
    ? 'Pack the dam below the chamber round every core. Hold the part that carries the compound still.'
    : 'The chamber’s mouth up. Hold the part that carries the compound still.',
  reason: 'Resin runs out of every gap until it is hard.',
  checks: ['Stands upright by itself', ...(seal.rules.dam ? ['Dam closes round every core'] : [])],
  partId: 'chamber',
  decisions: ['compound'],
});

const packWords = (seal: SealPlan): string[] =>
  seal.packs.packs.map((p) => `${p.count} × ${p.part}, ${trimNumber(p.ml, 1)} mL`);

const mixStep = (seal: SealPlan): StepDraft => ({
  id: 'mix',
  station: 'seal',
  kind: 'mix',
  title: seal.kind === 'resin' ? `Mix ${seal.product}` : `Knead ${seal.product}`,
  detail: `${seal.kind === 'resin' ? 'Both parts wholly into one another: no streak, no bubble left' : 'Both parts wholly into one another: no streak left'}; about ${trimNumber(seal.mixMinutes, 1)} min. The pot life begins now, by the temperature of the work.`,
  reason: 'Batch and expiry are part of the record; what is out of date or too hot is not mixed.',
  caution: seal.cautions[0] ?? 'Gloves and air: compounds sensitise.',
  figure: { value: trimNumber(seal.needMl, 1), unit: 'mL', second: packWords(seal).join(' and ') },
  timer: 'potLife',
  decisions: ['compound'],
});

function fillStep(seal: SealPlan): StepDraft {
  const order = fillOrder(seal);
  const stick = seal.stickMm === null ? '' : `Cut ${seal.stickMm} mm of stick. `;
  const gauge =
    seal.kind === 'putty' && seal.rules.puttyGauge === 'chamber'
      ? 'No stick is cut: what levels the chamber’s mouth is the right amount. '
      : '';
  return {
    id: 'fill',
    station: 'seal',
    kind: 'confirm',
    title:
      order === 'packThenChamber' ? 'Pack the cores, then the chamber over them' : 'Chamber on, then fill it',
    detail: `${stick}${gauge}${
      order === 'packThenChamber'
        ? 'Between the cores first, then round them, then the chamber over it without twisting.'
        : seal.kind === 'resin'
          ? 'Pour slowly at one side until it stands at the mouth; let bubbles rise.'
          : 'Press it in from the middle outwards until it stands at the mouth.'
    } Wipe spills at once.`,
    reason:
      'A void is a way for flame; compound on a joint face or the earthing taper is no joint and no earth.',
    caution: 'Within the pot life. Too late is waste: mix again.',
    ...(seal.stickMm === null
      ? {}
      : { figure: { value: String(seal.stickMm), unit: 'mm', second: 'of putty stick' } }),
    checks: [
      'No void to be seen, compound all round every core',
      ...(seal.extentMm === null
        ? []
        : [`Compound ends within ${trimNumber(seal.extentMm, 1)} mm beyond the mouth`]),
      'Joint faces and earthing taper free of compound',
      'A test dab of the same mix laid beside the gland',
    ],
    timer: 'potLife',
    partId: 'chamber',
    decisions: ['compound'],
  };
}

/** The wait, and what the sheet asks to be done when it is over. */
export function cureSteps(plan: TerminationPlan, seal: SealPlan): StepDraft[] {
  const wait: StepDraft = {
    id: 'cure',
    station: 'seal',
    kind: 'cure',
    title: 'Nothing moves until it is hard',
    detail: 'Log the temperature of the work at least every half hour. The test dab is tried first.',
    reason: 'A chamber that was disturbed before the cure leaks along the cores.',
    checks: ['Test dab hard right through', 'Nobody has moved cable or gland'],
    timer: 'cure',
    partId: 'chamber',
    decisions: ['compound'],
  };
  if (seal.rules.afterCure === 'noLook') return [wait];
  const doubt = seal.rules.afterCure === 'inDoubt';
  return [
    wait,
    {
      id: 'voids',
      station: 'seal',
      kind: 'look',
      title: doubt ? 'Look at the open face; chamber out only in doubt' : 'Open and look for voids',
      detail: doubt
        ? 'Where the face is smooth and full, leave the chamber where it is. In doubt take it out and look all round.'
        : `Open the gland, take the chamber out with its compound and look all round it.`,
      reason: 'A void found now costs one pack; later it costs the certificate.',
      checks: ['Hard, the same throughout', 'Without voids or cracks', 'Compound stands round every core'],
      caution: 'A repair is a fresh mix with its own pot life and its own cure.',
      branches: [
        { decision: 'sound', button: 'Hold: hard, no voids', backTo: null },
        { decision: 'repair', button: 'Voids: mix fresh', backTo: 'mix' },
      ],
      partId: 'chamber',
      decisions: [],
    },
  ];
}
