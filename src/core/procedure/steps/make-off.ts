import type { ArmourKind, Family } from '@/core/catalogue';
import { markText } from '@/core/cut-back';
import { END_STOP_WORDS, isMetalClad } from '@/core/gland-selection';
import type { StagePlan } from '@/core/tightening';
import type { Branch, StepDraft } from '@/core/record';
import type { TerminationPlan } from '../termination-plan';
import { accessoriesOf } from './preparation';

const sentence = (words: string): string => `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}.`;

/** Adaptor, washers and tag onto the thread; nothing where the thread stays bare. */
export function onThreadStep(plan: TerminationPlan): StepDraft[] {
  const list = accessoriesOf(plan);
  if (list.length === 0) return [];
  return [
    {
      id: 'onThread',
      station: 'makeOff',
      kind: 'confirm',
      title: 'Onto the entry thread',
      detail: 'From the shoulder inwards, in this order. Joint faces clean and dry.',
      reason: 'Washer and tag cannot be put on once the gland stands in the box.',
      list,
      decisions: ['adaptor', 'accessories'],
    },
  ];
}

/** What the end stop asks for: it stays, it goes for good, or it stays until the compound goes in. */
export function endStopStep(plan: TerminationPlan, when: 'beforeClamp' | 'beforeCompound'): StepDraft[] {
  if (plan.endStop === null) return [];
  if (when === 'beforeCompound' && plan.endStop !== 'untilCompound') return [];
  return [
    {
      id: when === 'beforeClamp' ? 'endStop' : 'endStopOut',
      station: 'makeOff',
      kind: 'confirm',
      title: when === 'beforeClamp' ? sentence(END_STOP_WORDS[plan.endStop]).slice(0, -1) : 'End stop out',
      detail:
        when === 'beforeClamp'
          ? 'Look into the gland and make it so before the cable goes in.'
          : 'It has done its work: take it out before any compound goes in.',
      reason:
        when === 'beforeClamp'
          ? 'A stop that should be out holds the cable back; one that is missing lets it through.'
          : 'A stop left in the chamber keeps the compound from the cores behind it.',
      decisions: ['endStop'],
    },
  ];
}

/** Spreading and ring for wire, braid and tape; the clean edge and the earthing ring for metal-clad cable. */
export const clampSteps = (plan: TerminationPlan): StepDraft[] =>
  isMetalClad(plan.armour) ? [edgeStep(plan), earthingRingStep(plan)] : [spreadStep(plan), ringStep(plan)];

const LIE: Readonly<Record<ArmourKind, string>> = {
  roundWire: 'no wire crosses another',
  braid: 'the braid keeps its lay',
  tape: 'the tape lies flat, its corner dressed down',
  interlocked: '',
  corrugated: '',
  none: '',
};

const armourFigure = (plan: TerminationPlan, second: string): Pick<StepDraft, 'figure'> =>
  plan.cut?.armour
    ? {
        figure: {
          value: markText(plan.cut.armour.mm, plan.cut.unit),
          unit: plan.cut.unit,
          second,
          markId: 'armourLength',
        },
      }
    : {};

const spreadStep = (plan: TerminationPlan): StepDraft => ({
  id: 'spread',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Spread the armour evenly round the cone',
  detail: `Cone under the armour until it stops; ${LIE[plan.armour]}; nothing bunched on one side.`,
  reason: 'Armour bunched on one side is not clamped on the other.',
  caution: 'Armour ends are sharp: gloves, and eyes covered.',
  ...armourFigure(plan, 'of armour on the cone'),
  checks: ['Armour lies all round', 'No plastic wrap, tape or string left under a seal'],
  partId: 'cone',
  decisions: [],
});

const ringStep = (plan: TerminationPlan): StepDraft => ({
  id: 'ring',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Ring to its place behind the armour’s end',
  detail: plan.ringWords === '' ? 'As the sheet shows.' : sentence(plan.ringWords),
  reason: 'The wrong face of a ring looks right and holds nothing.',
  partId: 'clampingRing',
  decisions: ['ring'],
});

const edgeStep = (plan: TerminationPlan): StepDraft => ({
  id: 'spread',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Clean the armour’s edge for the earth',
  detail:
    'File the burr off the cut edge, wipe the armour bright where the earthing ring will lie, bush the edge before the conductors pass.',
  reason: 'A burr cuts a core; a dirty edge is no earth.',
  caution: 'The edge cuts: gloves. No filings into the cable.',
  ...armourFigure(plan, 'of armour under the ring'),
  checks: ['No burr towards the conductors', 'Earthing edge clean and bright all round'],
  partId: 'armourEarthingRing',
  decisions: [],
});

const earthingRingStep = (plan: TerminationPlan): StepDraft => ({
  id: 'ring',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Armour earthing ring onto the armour',
  detail: plan.ringWords === '' ? 'The jacket’s edge meets the ring’s edge.' : sentence(plan.ringWords),
  reason: 'The ring carries the earth fault current from the armour into the gland.',
  checks: ['The jacket’s edge meets the edge of the ring', 'Ring square on the armour'],
  partId: 'armourEarthingRing',
  decisions: ['ring'],
});

/** Open the clamp again and look; two ways lead back, and whatever was seen the next stage closes it again. */
export function lookStep(family: Family, stage: StagePlan, plan: TerminationPlan): StepDraft {
  const metalClad = isMetalClad(plan.armour);
  const branches: Branch[] = [
    { decision: 'clamped', button: 'Hold: clamped all round', backTo: null },
    {
      decision: 'trim',
      button: metalClad ? 'Dress the edge, tighten' : 'Cut what stands out, tighten',
      backTo: `stage.${stage.id}`,
    },
    {
      decision: 'spreadAgain',
      button: metalClad ? 'Back to the edge' : 'Back to spreading',
      backTo: 'spread',
    },
  ];
  return {
    id: 'look',
    checksBySheet: true,
    station: 'makeOff',
    kind: 'look',
    title: 'Undo, look, decide',
    detail: `Undo the ${stage.member} again and look at the clamped armour. It cannot be seen once the gland is closed.`,
    reason: 'Half-clamped armour is the fault that nobody sees afterwards.',
    caution: 'Whatever you see, the gland is closed again by its stage. It is not skipped.',
    checks: family.makeOff.checks,
    branches,
    partId: stage.memberId,
    decisions: [],
  };
}
