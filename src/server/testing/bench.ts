import { randomUUID } from 'node:crypto';
import { takeSize } from '../operations/choose';
import { confirmStep } from '../operations/record';
import { viewTermination } from '../operations/view';
import { FITTER, good, NOW, PLANNER } from './job';

// Work at the bench of a test job, step by step, as a fitter would.

export const ref = (job: string, cable = 'K-1', end = 'A') => ({ job, cable, end });
export const view = (job: string, cable = 'K-1', end = 'A') => good(viewTermination(ref(job, cable, end)));
export const take = (job: string, size: string) => takeSize(ref(job), size, randomUUID(), PLANNER, NOW);

export async function confirmNext(
  job: string,
  actor = FITTER,
  decision: 'clamped' | 'trim' | 'spreadAgain' = 'clamped',
  now = NOW,
  end = 'A',
) {
  const v = await view(job, 'K-1', end);
  const step = v.steps.find((s) => s.id === v.nextStep);
  if (!step) throw new Error('no next step');
  return confirmStep(
    ref(job, 'K-1', end),
    {
      id: randomUUID(),
      stepId: step.id,
      fingerprint: step.fingerprint,
      decision: step.kind === 'look' ? decision : null,
      at: now.toISOString(),
    },
    actor,
    now,
  );
}

export async function workUntil(job: string, until: string) {
  for (let guard = 0; guard < 40; guard += 1) {
    if ((await view(job)).nextStep === until) return;
    await good(confirmNext(job));
  }
  throw new Error(`never came to ${until}`);
}
