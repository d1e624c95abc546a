import { hashOf } from '@/core/kernel';
import { formatInchFraction, trimNumber } from '@/core/units';
import type { Family } from '@/core/catalogue';
import { markText, type Mark } from '@/core/cut-back';
import type { StagePlan } from '@/core/tightening';
import type { Step } from './step';
import type { TerminationPlan } from './termination-plan';

type Draft = Omit<Step, 'fingerprint'>;

/**
 * The make-off as ordered steps, for families that go into the entry first and clamp the armour afterwards. The same list
 * feeds the bench and the print. Empty when the family is plan only or the cut was refused: there is nothing safe to lead through.
 */
export function generateSteps(plan: TerminationPlan, family: Family): Step[] {
  if (plan.planOnly.length > 0 || plan.cut === null) return [];
  return fingerprinted(plan, [
    ...preparation(plan),
    ...plan.cut.marks.map((mark) => cutStep(mark, plan)),
    ...makeOff(plan, family),
    shroudStep(plan),
    signStep(plan),
  ]);
}

function fingerprinted(plan: TerminationPlan, drafts: readonly Draft[]): Step[] {
  const values = new Map(plan.decisions.map((d) => [d.id, d.value]));
  const prints = new Map<string, string>();
  return drafts.map((draft) => {
    const below = draft.buildsOn.map((id) => {
      const print = prints.get(id);
      if (print === undefined)
        throw new Error(`step ${draft.id} builds on ${id}, which does not come before it`);
      return print;
    });
    const { buildsOn: _below, ...own } = draft;
    const settled = draft.decisions.map((id) => values.get(id) ?? null);
    const fingerprint = hashOf([own, settled, below]).slice(0, 32);
    prints.set(draft.id, fingerprint);
    return { ...draft, fingerprint };
  });
}

const accessories = (plan: TerminationPlan): string[] =>
  [plan.adaptor, ...plan.outside, ...plan.inside].filter((p) => p !== null);

function preparation(plan: TerminationPlan): Draft[] {
  const parts = [plan.partNumber, plan.ring?.ring, ...accessories(plan)].filter(
    (p): p is string => typeof p === 'string',
  );
  const spanners = [
    ...new Set(plan.stages.flatMap((s) => [s.memberSpannerMm, s.heldSpannerMm]).filter((s) => s !== null)),
  ];
  return [
    {
      id: 'safe',
      station: 'measure',
      kind: 'hold',
      title: 'Isolated, locked, proved dead',
      detail:
        'Nothing is opened and no tablet, tester or power tool comes into a classified area before this stands.',
      caution: 'Permit and gas test where the area asks for them. This tablet is an ignition source.',
      checks: [
        'Isolated and locked off',
        'Proved dead at the box',
        'Permit and gas test where the area is classified',
      ],
      decisions: [],
      buildsOn: [],
    },
    {
      id: 'parts',
      station: 'choose',
      kind: 'hold',
      title: 'Parts in hand match the plan',
      detail: `${plan.size}, sheet “${plan.family.sheet}” revision ${plan.family.revision}. The ranges are marked on the parts.`,
      caution:
        'Another revision of the sheet in the bag? Stop and replan: the certificate belongs to the exact parts and sheet.',
      list: parts,
      decisions: ['size', 'ring', 'adaptor', 'accessories'],
      buildsOn: [],
    },
    {
      id: 'tools',
      station: 'choose',
      kind: 'hold',
      title: 'Tools in hand, in calibration',
      detail: 'Lay them out before the first cut.',
      list: [
        ...new Set(
          (plan.cut?.marks ?? []).map((m) => m.tools[0]?.tool).filter((t): t is string => t !== undefined),
        ),
        `Spanners ${spanners.map((s) => `${s}`).join(', ')} mm`,
        ...(plan.stages.some((s) => s.method.kind === 'torque')
          ? ['Torque wrench, calibration in date']
          : []),
      ],
      decisions: [],
      buildsOn: [],
    },
    {
      id: 'slideOn',
      station: 'makeOff',
      kind: 'hold',
      title: 'On the cable before the first cut',
      detail:
        'In this order, the first farthest from the cable end. Forgotten here means cut off and begin again.',
      list: plan.slideOn.map((s) => [s.name, s.facing, s.trim].filter(Boolean).join(' · ')),
      decisions: ['size', 'ring', 'slideOn'],
      buildsOn: [],
    },
  ];
}

const CUT_ORDER: Readonly<Record<Mark['id'], string>> = {
  outerSheath: 'slideOn',
  armour: 'cut.outerSheath',
  innerSheath: 'cut.armour',
};

function cutStep(mark: Mark, plan: TerminationPlan): Draft {
  const { guard } = mark;
  const unit = plan.cut?.unit ?? 'mm';
  const second = unit === 'mm' ? `${formatInchFraction(mark.atMm, 32)} in` : `${trimNumber(mark.atMm, 1)} mm`;
  const depth = guard.maxDepthMm === null ? '' : `Not deeper than ${guard.maxDepthMm.toFixed(1)} mm: `;
  return {
    id: `cut.${mark.id}`,
    station: 'cut',
    kind: 'confirm',
    title: `${mark.title}: mark from the cable end`,
    detail: mark.tools[0]?.technique ?? '',
    caution: `Blade away from the body. ${depth}${guard.reason}.`,
    ...(mark.tools[0] ? { tool: mark.tools[0].tool } : {}),
    figure: { value: markText(mark.atMm, unit), unit, second, markId: mark.id },
    checks: [mark.check],
    decisions: [`mark.${mark.id}`, `depth.${mark.id}`],
    buildsOn: [CUT_ORDER[mark.id]],
  };
}

function makeOff(plan: TerminationPlan, family: Family): Draft[] {
  const { clampStage, innerStage, look, checks } = family.makeOff;
  const drafts: Draft[] = [];
  let last = 'cut.innerSheath';
  const add = (draft: Omit<Draft, 'buildsOn'>) => {
    drafts.push({ ...draft, buildsOn: [last] });
    last = draft.id;
  };
  const onThread = accessories(plan);
  if (onThread.length > 0) {
    add({
      id: 'onThread',
      station: 'makeOff',
      kind: 'confirm',
      title: 'Onto the entry thread',
      detail: 'From the shoulder inwards, in this order. Joint faces clean and dry.',
      list: onThread,
      decisions: ['adaptor', 'accessories'],
    });
  }
  for (const stage of plan.stages) {
    if (stage.id === clampStage) {
      add(spreadStep(plan));
      add(ringStep(plan));
    }
    const title = stage.id === innerStage ? `${stage.title}, cable pushed gently forward` : stage.title;
    add(stageStep(stage, title));
    if (stage.id === clampStage && look) {
      add(lookStep(checks, stage));
    }
  }
  return drafts;
}

const spreadStep = (plan: TerminationPlan): Omit<Draft, 'buildsOn'> => ({
  id: 'spread',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Spread the armour evenly round the cone',
  detail: `Cone under the armour until it stops; ${plan.armour === 'braid' ? 'the braid keeps its lay' : 'no wire crosses another'}; nothing bunched on one side.`,
  caution: 'Armour ends are sharp: gloves, and eyes covered.',
  ...(plan.cut
    ? {
        figure: {
          value: markText(plan.cut.armour.mm, plan.cut.unit),
          unit: plan.cut.unit,
          second: 'of armour on the cone',
          markId: 'armourLength',
        },
      }
    : {}),
  checks: ['Armour lies all round', 'No plastic wrap, tape or string left under a seal'],
  decisions: [],
});

const ringStep = (plan: TerminationPlan): Omit<Draft, 'buildsOn'> => ({
  id: 'ring',
  station: 'makeOff',
  kind: 'confirm',
  title: 'Bring the clamping ring over the armour',
  detail:
    plan.ringWords === ''
      ? 'As the sheet shows.'
      : `${plan.ringWords[0]?.toUpperCase() ?? ''}${plan.ringWords.slice(1)}.`,
  decisions: ['ring'],
});

function stageStep(stage: StagePlan, title: string): Omit<Draft, 'buildsOn'> {
  const spanner = (mm: number | null) => (mm === null ? 'by hand' : `spanner ${mm} mm`);
  const torque = stage.method.kind === 'torque';
  return {
    id: `stage.${stage.id}`,
    station: stage.phase === 'makeOff' ? 'makeOff' : 'tighten',
    kind: 'confirm',
    title,
    detail: `Turn the ${stage.member} (${spanner(stage.memberSpannerMm)}), hold the ${stage.held}${stage.heldSpannerMm === null ? '' : ` (${spanner(stage.heldSpannerMm)})`}. ${stage.words}.`,
    caution: stage.lubricant
      ? 'The cable must not twist. Approved, non-setting thread lubricant only.'
      : 'The cable must not twist: support it.',
    ...(torque
      ? {
          figure: {
            value: trimNumber(stage.method.torqueNm ?? 0, 1),
            unit: 'N·m',
            second: `± ${trimNumber(stage.method.toleranceNm ?? 0, 1)}`,
          },
        }
      : {}),
    ...(!torque && stage.method.turns
      ? { figure: { value: trimNumber(stage.method.turns, 2), unit: 'turn', second: stage.words } }
      : {}),
    checks: [stage.see],
    decisions: [`stage.${stage.id}`],
  };
}

const lookStep = (checks: readonly string[], stage: StagePlan): Omit<Draft, 'buildsOn'> => ({
  id: 'look',
  station: 'makeOff',
  kind: 'look',
  title: 'Undo, look, decide',
  detail: `Undo the ${stage.member} again and look at the clamped armour. It cannot be seen once the gland is closed.`,
  caution: 'Whatever you see, the next stage closes it again. It is not skipped.',
  checks,
  decisions: [],
});

const shroudStep = (plan: TerminationPlan): Draft => ({
  id: 'shroud',
  station: 'tighten',
  kind: 'confirm',
  title: 'Shroud over the gland',
  detail: plan.slideOn.find((s) => s.trim !== null)?.trim ?? 'Drawn up to the wall.',
  decisions: ['slideOn'],
  buildsOn: [`stage.${plan.stages[plan.stages.length - 1]?.id ?? ''}`],
});

const signStep = (plan: TerminationPlan): Draft => ({
  id: 'sign',
  station: 'prove',
  kind: 'sign',
  title: 'Sign the cut card',
  detail: `${plan.tag} made off as planned in ${plan.size}. Electrical tests belong to the test sheet of the job and are not part of this signature.`,
  caution: 'A signature cannot authorise a departure from the product’s own sheet.',
  decisions: [],
  buildsOn: ['shroud'],
});
