import { drive, ok, refuse } from '@/core/kernel';
import { checkJobChoice, chooseJob, jobChoiceRequestSchema, withoutMisfits } from '@/core/job-choice';
import { loadSolver } from '@/solver/highs';
import { kind } from './kind';

/** One program of the whole-job choice gets this long before the best that was found has to do. */
const SOLVER_SECONDS = 60;

/** `choose-job`: the options of many terminations → one part for each. What does not fit is left out of the options and named. */
export const chooseJobKind = kind(jobChoiceRequestSchema, async (asked) => {
  const tags = new Set<string>();
  for (const [t, { tag, options }] of asked.terminations.entries()) {
    if (tags.has(tag)) return refuse(`terminations[${t}].tag`, 'stands twice', tag);
    tags.add(tag);
    const parts = new Set<string>();
    for (const [i, { part }] of options.entries()) {
      if (parts.has(part)) return refuse(`terminations[${t}].options[${i}].part`, 'is listed twice', part);
      parts.add(part);
    }
  }
  const { request, leftOut } = withoutMisfits(asked);
  const plan = drive(chooseJob(request), await loadSolver({ seconds: SOLVER_SECONDS }));
  const audit = checkJobChoice(request, plan);
  return audit.ok ? ok({ ...plan, leftOut }) : audit;
});
