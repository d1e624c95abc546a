import type { StagePlan } from '@/core/tightening';
import { trimNumber } from '@/core/units';
import type { Acceptance, StepDraft } from '@/core/record';
import type { TerminationPlan } from '../termination-plan';
import { torqueAccepts } from './torque';

const STATION_OF = { makeOff: 'makeOff', seat: 'seal', final: 'tighten' } as const;

const REASON_OF = {
  makeOff: 'The armour is gripped now; the look shows whether it is all of it.',
  seat: 'It locates the chamber: from here on nothing moves until the compound is hard.',
  final: 'This is the hold that stays.',
} as const;

/** What the wrench may show at its peak. */
const torqueAccepted = ({ method: { torqueNm, toleranceNm } }: StagePlan): Acceptance[] =>
  torqueNm === undefined || toleranceNm === undefined
    ? []
    : torqueAccepts({ torqueNm, toleranceNm }, '', 'slacken, look at thread and seal, and tighten anew');

/** One tightening stage: member, held part, spanners, how far, what to see. */
export function stageStep(stage: StagePlan, title: string): StepDraft {
  const spanner = (mm: number | null) => (mm === null ? 'by hand' : `spanner ${trimNumber(mm, 1)} mm`);
  const torque = stage.method.kind === 'torque';
  const travel = stage.travelMm === null ? '' : ` The nut travels ${trimNumber(stage.travelMm, 2)} mm.`;
  return {
    id: `stage.${stage.id}`,
    target: { kind: 'stage', stage: stage.id },
    station: STATION_OF[stage.phase],
    kind: 'confirm',
    title,
    detail: `Turn the ${stage.member} (${spanner(stage.memberSpannerMm)}), hold the ${stage.held}${stage.heldSpannerMm === null ? '' : ` (${spanner(stage.heldSpannerMm)})`}. ${stage.words}.${travel}`,
    reason: REASON_OF[stage.phase],
    caution: stage.lubricant
      ? 'The cable must not twist. Approved, non-setting thread lubricant only, never where it breaks the earth path.'
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
    ...(torque ? { accepts: torqueAccepted(stage) } : {}),
    checks: [stage.see],
    checksBySheet: true,
    partId: stage.memberId,
    decisions: [`stage.${stage.id}`],
  };
}

export const shroudStep = (plan: TerminationPlan): StepDraft => ({
  id: 'shroud',
  station: 'tighten',
  kind: 'confirm',
  title: 'Shroud over the gland',
  detail: plan.slideOn.find((s) => s.trim !== null)?.trim ?? 'Drawn up to the wall.',
  reason: 'It keeps water and hands off the armour.',
  partId: 'shroud',
  decisions: ['slideOn'],
});

export const signStep = (plan: TerminationPlan): StepDraft => ({
  id: 'sign',
  station: 'prove',
  kind: 'sign',
  title: 'Sign the cut card',
  detail: `${plan.tag} made off as planned in ${plan.size}. Electrical tests that are kept in its record must hold; whatever else the test sheet of the job asks for is not part of this signature.`,
  reason: 'The record says who answers for the joint.',
  caution: 'A signature cannot authorise a departure from the product’s own sheet.',
  decisions: [],
});
