import { entryStageOf, type Family, type ProcedureKind } from '@/core/catalogue';
import type { CouplerEndPlan } from '@/core/coupler';
import type { Mark } from '@/core/cut-back';
import type { DeviceEndPlan } from '@/core/device';
import type { MineralEndPlan } from '@/core/mineral-insulated';
import type { PlugInPlan } from '@/core/pin-map';
import type { StagePlan } from '@/core/tightening';
import { beforeLadderCut, ladderSteps } from './steps/coupler';
import { cutStep } from './steps/cut';
import { afterClamp, beforeClamp } from './steps/device';
import { clampSteps, endStopStep, lookStep, onThreadStep } from './steps/make-off';
import { insulationAgainStep, mineralMarksStep, potSteps } from './steps/mineral';
import { housingSteps, jointedSteps } from './steps/joint';
import { contactSteps, mateSteps } from './steps/plug-in';
import { preparation } from './steps/preparation';
import { cureSteps, fillSteps } from './steps/seal';
import { shroudStep, signStep, stageStep } from './steps/tighten';
import { asOther, chainSteps, type Settled, type Step, type StepDraft } from '@/core/record';
import type { TerminationPlan } from './termination-plan';

/**
 * The make-off as ordered steps, by the family's own procedure: into the entry first or made off on the cable first, with or without
 * armour, chamber, end stop, insert. The same list feeds the bench, the print and the trainer. Empty when the family is plan only or the
 * cut or the compound was refused: there is nothing safe to lead through.
 */
export function generateSteps(plan: TerminationPlan, family: Family): Step[] {
  if (!isLed(plan)) return [];
  if (family.procedureKind === 'inLine') return jointSteps(plan, family);
  return chainSteps(settledOf(plan), LOOSE, [...draftsOf(plan, family), signStep(plan)]);
}

const isLed = ({ planOnly, cut, sealRefusal }: TerminationPlan): boolean =>
  planOnly.length === 0 && cut !== null && sealRefusal.length === 0;

const settledOf = ({ decisions }: TerminationPlan): Map<string, Settled> =>
  new Map(decisions.map((d) => [d.id, { figures: d.figures, words: d.value }]));

/** What is done at one end before it is signed, but the stages that it shares with another. */
function draftsOf(plan: TerminationPlan, family: Family, shared: readonly string[] = []): StepDraft[] {
  const before = (plan.cut?.marks ?? []).filter((m) => m.datum !== 'hub');
  return [
    ...preparation(plan),
    ...BEFORE_CUTS[family.procedureKind](plan),
    ...before.flatMap((mark) => [...beforeCut(mark, before, plan), cutStep(mark, plan)]),
    ...stageByStage(plan, family, shared),
    ...(plan.slideOn.some((s) => s.role === 'shroud') ? [shroudStep(plan)] : []),
    ...BEFORE_SIGNING[family.procedureKind](plan),
  ];
}

/**
 * Both halves of an in-line joint, each led by itself: the one that goes into the housing first, its housing, the other one, and then what is done
 * at both. Nothing where they are no joint yet.
 */
function jointSteps(plan: TerminationPlan, family: Family): Step[] {
  const { joint } = plan;
  if (joint === undefined || !isLed(joint.other)) return [];
  const shared = [joint.houseStage, joint.mateStage];
  const own = chainSteps(settledOf(plan), LOOSE, draftsOf(plan, family, shared)).map((s): Step => ({
    ...s,
    end: plan.tag,
  }));
  const other = chainSteps(settledOf(joint.other), LOOSE, draftsOf(joint.other, family, shared)).map(
    (s): Step => ({
      ...s,
      id: asOther(s.id),
      end: joint.other.tag,
      buildsOn: s.buildsOn.map(asOther),
      decisions: s.decisions.map(asOther),
    }),
  );
  const [first, second] = joint.first === plan.tag ? [own, other] : [other, own];
  const last = (steps: readonly Step[]): Step[] => steps.slice(-1);
  const housed = chainSteps(settledOf(plan), NONE, housingSteps(plan, joint), last(first));
  const mated = chainSteps(settledOf(plan), NONE, jointedSteps(plan, joint), [
    ...last(housed),
    ...last(second),
  ]);
  return [...first, ...housed, ...second, ...mated];
}

type Drafts = (plan: TerminationPlan) => StepDraft[];
const nothing: Drafts = () => [];
const ofPot =
  (steps: (mineral: MineralEndPlan, plan: TerminationPlan) => StepDraft[]): Drafts =>
  (plan) => {
    if (plan.mineral === undefined)
      throw new Error('a seal for mineral-insulated cable is planned with its pot');
    return steps(plan.mineral, plan);
  };

const ofDevice =
  (steps: (device: DeviceEndPlan, plan: TerminationPlan) => StepDraft[]): Drafts =>
  (plan) => {
    if (plan.device === undefined)
      throw new Error('the clamp of a device is planned with its plate and its cover');
    return steps(plan.device, plan);
  };

const ofCoupler =
  (steps: (coupler: CouplerEndPlan, plan: TerminationPlan) => StepDraft[]): Drafts =>
  (plan) => {
    if (plan.coupler === undefined) throw new Error('a coupler is planned with its stem and its tubes');
    return steps(plan.coupler, plan);
  };

/** What lies between two cuts. */
const beforeCut = (mark: Mark, marks: readonly Mark[], { coupler, cut }: TerminationPlan): StepDraft[] =>
  coupler === undefined ? [] : beforeLadderCut(coupler, mark, marks, cut?.unit ?? 'mm');

/** What each kind of procedure does before the first cut. */
const BEFORE_CUTS: Readonly<Record<ProcedureKind, Drafts>> = {
  entryFirst: nothing,
  madeOffFirst: nothing,
  sealingFitting: nothing,
  plugIn: nothing,
  inLine: nothing,
  mineralSeal: ofPot((mineral, plan) => [mineralMarksStep(mineral, plan.cut?.unit ?? 'mm')]),
  ownClamp: ofDevice(beforeClamp),
  coupler: nothing,
};

/** What each kind of procedure proves before it is signed. */
const BEFORE_SIGNING: Readonly<Record<ProcedureKind, Drafts>> = {
  entryFirst: nothing,
  madeOffFirst: nothing,
  sealingFitting: nothing,
  plugIn: nothing,
  inLine: nothing,
  mineralSeal: ofPot((mineral) => [insulationAgainStep(mineral)]),
  ownClamp: ofDevice(afterClamp),
  coupler: nothing,
};

/** A plan of before says nothing of its contacts. */
const AS_BEFORE: PlugInPlan = { contacts: 0, liveCap: false };

/** What each kind of procedure does before the first stage of its sheet. */
const BEFORE_STAGES: Readonly<Record<ProcedureKind, Drafts>> = {
  entryFirst: nothing,
  madeOffFirst: nothing,
  sealingFitting: nothing,
  plugIn: (plan) => contactSteps(plan.plugIn ?? AS_BEFORE, plan),
  inLine: (plan) => contactSteps(plan.plugIn ?? AS_BEFORE, plan),
  mineralSeal: ofPot(potSteps),
  ownClamp: nothing,
  coupler: ofCoupler((coupler, plan) => ladderSteps(coupler, plan.cut?.unit ?? 'mm')),
};

/** The stages in the order of the sheet, each with what belongs before and after it. */
function stageByStage(plan: TerminationPlan, family: Family, shared: readonly string[]): StepDraft[] {
  const { clampStage, innerStage, look } = family.makeOff;
  const entry = entryStageOf(family);
  const drafts: StepDraft[] = [];
  drafts.push(...BEFORE_STAGES[family.procedureKind](plan));
  const armoured = plan.armour !== 'none';
  if (armoured && clampStage === undefined) drafts.push(...clampSteps(plan));
  for (const stage of plan.stages.filter((s) => !shared.includes(s.id))) {
    if (plan.plugIn?.mateStage === stage.id) drafts.push(...mateSteps(plan.plugIn));
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
const NONE: ReadonlySet<string> = new Set();
