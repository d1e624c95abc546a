import type { StepDraft } from '@/core/record';
import type { JointPlan, TerminationPlan } from '../termination-plan';
import { mateSteps } from './plug-in';
import { signStep, stageStep } from './tighten';

const stageOf = ({ stages }: TerminationPlan, id: string): StepDraft[] =>
  stages.filter((s) => s.id === id).map((stage) => stageStep(stage, stage.title));

/** The half that goes in first, into its housing. */
export const housingSteps = (plan: TerminationPlan, joint: JointPlan): StepDraft[] => [
  {
    id: 'housing',
    station: 'makeOff',
    kind: 'hold',
    title: `${joint.first} into the housing, the first of the two`,
    detail: `Housing ${joint.housing.part} on this cable, its insert drawn in until the key holds it.`,
    reason: 'What goes in first is closed in from behind by the other: it cannot be reached any more.',
    caution: 'Sockets on the cable that feeds: what stands bare when the halves part must not be live.',
    checks: [
      'The feeding cable has the sockets, by its tag at the other end',
      'Gasket of the housing in its groove, clean',
      'Key of the insert in its slot',
      'Nuts and rings of the other half lie on their own cable already',
    ],
    partId: 'insert',
    decisions: ['joint'],
  },
  ...stageOf(plan, joint.houseStage),
];

/** Both halves are made off: mated, rung through core by core, and signed once. */
export const jointedSteps = (plan: TerminationPlan, joint: JointPlan): StepDraft[] => [
  ...mateSteps({ contacts: joint.through.length, liveCap: false }),
  ...stageOf(plan, joint.mateStage),
  {
    id: 'through',
    station: 'prove',
    kind: 'hold',
    title: 'Rung through the joint, core by core',
    detail: `From the far end of ${cableOf(plan.tag)} to the far end of ${cableOf(joint.other.tag)}: say of each core on which one it rings there.`,
    reason: 'Two maps that agree on paper say nothing of a core that was pushed into the hole beside it.',
    caution: 'The tester is an ignition source: by permit where the area is classified.',
    choices: joint.through.map(({ core }) => ({
      key: core,
      label: core,
      options: joint.through.map((t) => t.core),
    })),
    checks: ['No core rings on a second one, nor on the housing but the earth'],
    decisions: ['joint', 'pins'],
  },
  {
    ...signStep(plan),
    title: 'Sign the joint',
    detail: `${plan.tag} and ${joint.other.tag} made off as planned in ${plan.size} and joined in ${joint.housing.part}. One record, one signature for both. Electrical tests that are kept in it must hold.`,
  },
];

/** `K-180` of `K-180/A`. */
const cableOf = (tag: string): string => tag.replace(/\/[AB]$/, '');
