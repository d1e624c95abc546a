import { refuse, type Problem, type Result, fail, ok } from '@/core/kernel';
import { optionOf, tally, type JobChoicePlan, type JobChoiceRequest } from './job-choice';

/**
 * Audits a choice without knowing how it was made: one pick for every termination that has options, from its own options, locks kept, and
 * the figures as they are counted here. Every violation is named.
 */
export function checkJobChoice(request: JobChoiceRequest, plan: JobChoicePlan): Result<null> {
  const problems: Problem[] = [];
  const note = (path: string, message: string, value?: unknown) =>
    problems.push(value === undefined ? { path, message } : { path, message, value });
  const picked = new Map<string, string>();
  plan.picks.forEach((pick, i) => {
    if (picked.has(pick.tag)) note(`picks[${i}].tag`, 'is picked twice', pick.tag);
    picked.set(pick.tag, pick.part);
  });
  const undecided = new Set(plan.undecided);
  const tags = new Set<string>();
  for (const termination of request.terminations) {
    const { tag, options, locked } = termination;
    if (tags.has(tag)) return refuse('terminations', 'stands twice in the request', tag);
    tags.add(tag);
    const part = picked.get(tag);
    if (locked === undefined && options.length === 0) {
      if (part !== undefined) note(tag, 'is picked although nothing may be taken', part);
      if (!undecided.has(tag)) note(tag, 'is neither picked nor named as undecided');
      continue;
    }
    if (undecided.has(tag)) note(tag, 'is called undecided although it has options');
    if (part === undefined) note(tag, 'is not picked');
    else if (locked && part !== locked.part) note(tag, `is locked to ${locked.part}`, part);
    else if (optionOf(termination, part) === null) note(tag, 'is not among its options', part);
  }
  for (const tag of [...picked.keys(), ...undecided]) if (!tags.has(tag)) note(tag, 'is not in the request');
  const counted = tally(request, plan.picks);
  for (const key of ['parts', 'adaptors', 'worstMarginMm'] as const)
    if (counted[key] !== plan[key]) note(key, `is counted as ${counted[key]}`, plan[key]);
  if (plan.partsBound > plan.parts)
    note('partsBound', `is above the ${plan.parts} parts that were found to do`, plan.partsBound);
  if (plan.status === 'optimal' && plan.partsBound !== plan.parts)
    note('status', 'claims a proof, but the bound is lower', plan.partsBound);
  return problems.length > 0 ? fail(problems) : ok(null);
}
