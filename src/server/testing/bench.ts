import type { Role } from '@/core/people';
import { randomUUID } from 'node:crypto';
import {
  asHeld,
  type ConfirmCommand,
  type LookDecision,
  type MixRecord,
  type WorkCommand,
} from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import type { Actor } from '../actor';
import { takeSize } from '../operations/gland-selection';
import { viewTermination } from '../operations/view';
import { work } from '../operations/work';
import { FITTER, good, NOW, PLANNER } from './job';

// Work at the bench of a test job, step by step, as a fitter would.

export const ref = (job: string, cable = 'K-1', end = 'A') => ({ job, cable, end });
export const subject = (job: string, cable = 'K-1', end = 'A') =>
  ({ kind: 'termination', job, cable, end }) as const;
export const view = (job: string, cable = 'K-1', end = 'A') => good(viewTermination(ref(job, cable, end)));
export const take = (job: string, size: string) => takeSize(ref(job), size, randomUUID(), PLANNER, NOW);

/** A command as a device sends it, with an id of its own. */
export const sent = (command: WorkCommand, now = NOW, id: string = randomUUID()) => ({
  id,
  at: now.toISOString(),
  command,
});

/** As what the people of the tests work. */
export const WORKS: readonly Role[] = ['fitter', 'inspector'];

type Step = TerminationView['steps'][number];

export async function nextStep(job: string, end = 'A') {
  const v = await view(job, 'K-1', end);
  const step = v.steps.find((s) => s.id === v.nextStep);
  if (!step) throw new Error('no next step');
  return step;
}

/** What somebody sends who has seen everything at a step, and mixes what is in date and warm. */
const held = (step: Step, decision?: LookDecision): ConfirmCommand => ({
  ...asHeld(step, null, step.kind === 'look' ? (decision ?? step.branches?.[0]?.decision ?? null) : null),
  ...(step.kind === 'mix' ? { mix: PACK } : {}),
});

interface Confirming {
  readonly actor?: Actor;
  readonly decision?: LookDecision | undefined;
  readonly now?: Date;
  readonly end?: string;
  readonly more?: Partial<ConfirmCommand>;
  /** Of what is sent; one of its own where it is left out. */
  readonly id?: string;
}

/** Confirms the step whose turn it is; `more` says what is otherwise. */
export async function confirmNext(
  job: string,
  actor: Actor = FITTER,
  decision?: LookDecision,
  now = NOW,
  end = 'A',
  more: Partial<ConfirmCommand> = {},
) {
  return confirmStep(job, await nextStep(job, end), { actor, decision, now, end, more });
}

/** Confirms this step, whoever's turn it is by now. */
export const confirmStep = (
  job: string,
  step: Step,
  { actor = FITTER, decision, now = NOW, end = 'A', more = {}, id }: Confirming,
) => work(subject(job, 'K-1', end), sent({ ...held(step, decision), ...more }, now, id), actor, WORKS, now);

/** Works from where it stands to a step, in the order of the plan. */
export async function workUntil(job: string, until: string, now = NOW) {
  const { steps, nextStep: next } = await view(job);
  const at = (id: string | null) => steps.findIndex((s) => s.id === id);
  for (const step of steps.slice(at(next), at(until)))
    await good(work(subject(job), sent(held(step), now), FITTER, WORKS, now));
  if ((await view(job)).nextStep !== until) throw new Error(`never came to ${until}`);
}

export const logTemperature = (job: string, tempC: number, now = NOW, id?: string) =>
  work(subject(job), sent({ kind: 'temperature', tempC }, now, id), FITTER, WORKS, now);

export const recutEnd = (job: string, text: string, now = NOW, id?: string) =>
  work(subject(job), sent({ kind: 'recut', text }, now, id), FITTER, WORKS, now);

export const takeBack = (job: string, stepId: string, reason: string, actor: Actor = FITTER, now = NOW) =>
  work(subject(job), sent({ kind: 'correct', stepId, reason }, now), actor, WORKS, now);

export const PACK: MixRecord = { batch: 'CR-2611', expiry: '2028-06-30', tempC: 20 };
