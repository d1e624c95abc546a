import { randomUUID } from 'node:crypto';
import {
  asHeld,
  type ConfirmCommand,
  type LookDecision,
  type MixRecord,
  type WorkCommand,
} from '@/core/record';
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

export async function nextStep(job: string, end = 'A') {
  const v = await view(job, 'K-1', end);
  const step = v.steps.find((s) => s.id === v.nextStep);
  if (!step) throw new Error('no next step');
  return step;
}

/** Confirms the step whose turn it is, as one does who has seen everything; `more` says what is otherwise. */
export async function confirmNext(
  job: string,
  actor: Actor = FITTER,
  decision: LookDecision = 'clamped',
  now = NOW,
  end = 'A',
  more: Partial<ConfirmCommand> = {},
) {
  const step = await nextStep(job, end);
  const looks = step.kind === 'look' ? decision : null;
  const command = { ...asHeld(step, null, looks), ...more };
  return work(subject(job, 'K-1', end), sent(command, now), actor, now);
}

export const logTemperature = (job: string, tempC: number, now = NOW, id?: string) =>
  work(subject(job), sent({ kind: 'temperature', tempC }, now, id), FITTER, now);

export const recutEnd = (job: string, text: string, now = NOW, id?: string) =>
  work(subject(job), sent({ kind: 'recut', text }, now, id), FITTER, now);

export const takeBack = (job: string, stepId: string, reason: string, actor: Actor = FITTER, now = NOW) =>
  work(subject(job), sent({ kind: 'correct', stepId, reason }, now), actor, now);

export const PACK: MixRecord = { batch: 'CR-2611', expiry: '2028-06-30', tempC: 20 };

export async function workUntil(job: string, until: string) {
  for (let guard = 0; guard < 40; guard += 1) {
    if ((await view(job)).nextStep === until) return;
    await good(confirmNext(job));
  }
  throw new Error(`never came to ${until}`);
}
