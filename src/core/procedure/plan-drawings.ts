import { strippedEndDrawing } from '@/core/cut-back';
import type { Drawing } from '@/core/kernel';
import { facesDrawing } from '@/core/pin-map';
import { couplerSection, explodedDrawing, glandSection, type CableInGland } from '@/core/make-off';
import type { TerminationPlan } from './termination-plan';

/** The drawings of a plan: the stripped end to scale, the parts on the cable in their order, the closed gland, and the faces of a pin map where it has one. */
export const PLAN_DRAWINGS = ['stripped', 'on-the-cable', 'closed', 'faces'] as const;
export type PlanDrawing = (typeof PLAN_DRAWINGS)[number];

export const PLAN_DRAWING_WORDS: Readonly<Record<PlanDrawing, string>> = {
  stripped: 'Stripped',
  'on-the-cable': 'On cable',
  closed: 'Closed',
  faces: 'Pins',
};

/** The cable as it lies in the closed gland of a plan. */
export const cableInGland = (plan: TerminationPlan): CableInGland => ({
  ...plan.diameters,
  armour: plan.armour,
  armourMm: plan.cut?.armour?.mm ?? 0,
  stubMm: plan.cut?.stub?.mm ?? 0,
  wallMm: Math.max(3, (plan.cut?.stopToWallMm ?? 0) - plan.gland.innerLengthMm),
  ...(plan.mineral === undefined ? {} : { potDepthMm: plan.mineral.depthMm }),
});

/** One drawing of a plan, or null when there is nothing to draw. `highlight` is the part that a stage turns. */
export function drawPlan(
  plan: TerminationPlan,
  which: PlanDrawing,
  width: number,
  highlight: string | null = null,
): Drawing | null {
  const { cut } = plan;
  switch (which) {
    case 'stripped':
      return cut === null
        ? null
        : strippedEndDrawing({ cut, ...plan.diameters, armour: plan.armour, cores: plan.cores }, width);
    case 'on-the-cable':
      return plan.slideOn.length === 0 ? null : explodedDrawing(plan.gland, plan.slideOn, width);
    case 'faces':
      return plan.plugIn?.pins === undefined ? null : facesDrawing(plan.plugIn.pins, width);
    case 'closed':
      return cut === null || plan.gland.parts.length === 0
        ? null
        : plan.coupler === undefined
          ? glandSection(plan.gland, cableInGland(plan), highlight, width)
          : couplerSection(plan.gland, plan.diameters.outerMm, highlight, width);
  }
}
