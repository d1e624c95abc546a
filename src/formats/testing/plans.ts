import type { ArmourKind } from '@/core/catalogue';
import { judge } from '@/core/gland-selection';
import { generateSteps, planHash, planTermination, type PlanRequest } from '@/core/procedure';
import { DEMO, demoSize, fitting } from '@/core/testing';
import type { CutCard } from '../pdf/cut-card';

export const PRINTED = new Date('2026-11-10T08:00:00.000Z');

/** A card for a cable that sits in the middle of every range of a size. */
export function cardFor(code: string, armour: ArmourKind, more: Partial<PlanRequest> = {}): CutCard {
  const [family, size] = demoSize(code);
  const input = fitting(family, size, armour, true);
  const request: PlanRequest = {
    tag: 'K-140/B',
    input,
    routeMm: 320,
    spareMm: 20,
    unit: 'mm',
    compounds: DEMO.compounds ?? [],
    ...more,
  };
  const plan = planTermination(request, judge(input, family, size, DEMO));
  return {
    plan,
    steps: generateSteps(plan, family),
    hash: planHash(plan),
    jobName: 'Quillmere',
    place: 'Mash valve (MV-1), entry E1',
    cable: 'K-140: 4-core',
    stale: false,
    broken: false,
    signedBy: null,
    record: null,
    printed: PRINTED,
  };
}
