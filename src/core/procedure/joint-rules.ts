import { mayGoThrough } from '@/core/in-line';
import type { Measuring } from '@/core/instrument';
import { ok } from '@/core/kernel';
import {
  asOwn,
  isOfOther,
  type BenchAct,
  type ConfirmCommand,
  type Step,
  type SubjectRules,
} from '@/core/record';
import { terminationRules } from './termination-rules';
import type { TerminationPlan } from './termination-plan';

/** What is left of an end, mm, and of the other half where it is one of a joint. */
export interface Spare {
  readonly own: number;
  readonly other: number;
}

const ownStep = <T extends { readonly stepId: string }>(it: T): T => ({ ...it, stepId: asOwn(it.stepId) });

const ownActs = (acts: readonly BenchAct[], other: boolean): BenchAct[] =>
  acts.filter((a) => isOfOther(a.stepId) === other).map((a) => ({ ...ownStep(a), redo: a.redo.map(asOwn) }));

const plain = (step: Step): Step => ({ ...step, id: asOwn(step.id) });

/** What the record of an end asks: its own rules, or those of both halves of a joint, each at its own steps, and that every core rings through. */
export function rulesOfRecord(
  plan: Parameters<typeof terminationRules>[0] & Partial<Pick<TerminationPlan, 'joint'>>,
  spare: Spare,
  measuring: Measuring,
): SubjectRules {
  const own = terminationRules(plan, spare.own, measuring);
  const { joint, tag = '' } = plan;
  if (joint === undefined) return own;
  const other = terminationRules(joint.other, spare.other, measuring);
  return {
    ...own,
    confirm: (step: Step, command: ConfirmCommand, acts, now, across) => {
      if (step.id === 'through') {
        const may = mayGoThrough([tag, joint.other.tag], command.chosen ?? {});
        return may.ok ? ok({ waste: null }) : may;
      }
      const ofOther = isOfOther(step.id);
      return (ofOther ? other : own).confirm(
        plain(step),
        ownStep(command),
        ownActs(acts, ofOther),
        now,
        across,
      );
    },
    recut: (cutOffMm, end) => (end === joint.other.tag ? other : own).recut(cutOffMm),
  };
}
