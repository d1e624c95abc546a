import { hashText } from '@/core/kernel';
import { entryStageOf, type Family } from '@/core/catalogue';
import type { StagePlan } from '@/core/tightening';
import { cutStep } from './steps/cut';
import { clampSteps, endStopStep, insertStep, lookStep, onThreadStep } from './steps/make-off';
import { preparation } from './steps/preparation';
import { cureSteps, fillSteps } from './steps/seal';
import { shroudStep, signStep, stageStep } from './steps/tighten';
import type { Step, StepDraft } from './step';
import type { TerminationPlan } from './termination-plan';

/**
 * The make-off as ordered steps, by the family's own procedure: into the entry first or made off on the cable first, with or without
 * armour, chamber, end stop, insert. The same list feeds the bench, the print and the trainer. Empty when the family is plan only or the
 * cut or the compound was refused: there is nothing safe to lead through.
 */
export function generateSteps(plan: TerminationPlan, family: Family): Step[] {
  if (plan.planOnly.length > 0 || plan.cut === null || plan.sealRefusal.length > 0) return [];
  const before = plan.cut.marks.filter((m) => m.datum !== 'hub');
  const settled = new Map(plan.decisions.map((d) => [d.id, d.value]));
  return chainSteps(settled, LOOSE, [
    ...preparation(plan),
    ...before.map((mark) => cutStep(mark, plan)),
    ...stageByStage(plan, family),
    ...(plan.slideOn.some((s) => s.role === 'shroud') ? [shroudStep(plan)] : []),
    signStep(plan),
  ]);
}

/** The stages in the order of the sheet, each with what belongs before and after it. */
function stageByStage(plan: TerminationPlan, family: Family): StepDraft[] {
  const { clampStage, innerStage, look } = family.makeOff;
  const entry = entryStageOf(family);
  const drafts: StepDraft[] = [];
  if (family.procedureKind === 'plugIn') drafts.push(insertStep(plan));
  const armoured = plan.armour !== 'none';
  if (armoured && clampStage === undefined) drafts.push(...clampSteps(plan));
  for (const stage of plan.stages) {
    if (stage.id === entry?.id) drafts.push(...onThreadStep(plan));
    if (stage.id === clampStage && armoured) {
      drafts.push(...endStopStep(plan, 'beforeClamp'), ...clampSteps(plan));
    }
    drafts.push(
      stageStep(stage, stage.id === innerStage ? `${stage.title}, cable pushed gently forward` : stage.title),
    );
    if (stage.id === clampStage && look) drafts.push(lookStep(family, stage, plan));
    drafts.push(...afterStage(plan, stage));
  }
  return drafts;
}

/** What the compound asks for behind a stage: filling, and the wait until it is hard. */
function afterStage(plan: TerminationPlan, stage: StagePlan): StepDraft[] {
  const { seal } = plan;
  if (seal === null) return [];
  return [
    ...(stage.id === seal.rules.fillAfter ? fillSteps(plan, seal) : []),
    ...(stage.id === seal.rules.cureAfter ? cureSteps(plan, seal) : []),
  ];
}

/** Preparation stands on nothing but itself; from the slide-on list on, each step stands on the one before. */
const LOOSE: ReadonlySet<string> = new Set(['safe', 'parts', 'tools', 'slideOn']);

// Control characters stand in no text of a plan, so that joined parts cannot be mistaken for one another.
const FIELD = '\u0001';
const ITEM = '\u0002';

/**
 * What a confirmation stands for: the figures, what the plan has settled, and what the family's sheet asks to be seen. Our own words and
 * checks are not in it: PROCEDURE_RULES stands for those, and lists repeat what the plan has settled.
 */
const substance = (draft: StepDraft, settled: readonly string[], below: string): string => {
  const { id, kind, figure, checks = [], accept } = draft;
  const bySheet = id.startsWith('stage.') || id === 'look';
  return [
    below,
    id,
    kind,
    figure ? [figure.value, figure.unit, figure.second ?? '', figure.markId ?? ''].join(ITEM) : '',
    bySheet ? checks.join(ITEM) : '',
    accept ? [accept.label, accept.minMm, accept.maxMm].join(ITEM) : '',
    settled.join(ITEM),
  ].join(FIELD);
};

/**
 * Chains steps to what they build on. `settled` are the decisions they carry out, by id; steps of `loose` stand on nothing but themselves.
 * A confirmation counts while the fingerprint stays the same.
 */
export function chainSteps(
  values: ReadonlyMap<string, string>,
  free: ReadonlySet<string>,
  drafts: readonly StepDraft[],
): Step[] {
  const steps: Step[] = [];
  const seen = new Set<string>();
  let below: Step | null = null;
  for (const draft of drafts) {
    if (seen.has(draft.id)) throw new Error(`step ${draft.id} stands twice`);
    seen.add(draft.id);
    const loose = free.has(draft.id);
    const settled = draft.decisions.map((id) => values.get(id) ?? '');
    const under = loose || below === null ? '' : below.fingerprint;
    const fingerprint = hashText(substance(draft, settled, under)).slice(0, 32);
    const step: Step = { ...draft, buildsOn: loose || below === null ? [] : [below.id], fingerprint };
    steps.push(step);
    // The first cut stands on the slide-on list where there is one, and on nothing else of the preparation.
    if (!loose || draft.id === 'slideOn') below = step;
  }
  return steps;
}
