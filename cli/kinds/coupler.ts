import { couplerRequestSchema, planCoupler } from '@/core/coupler';
import { kind } from './kind';

const CAUTIONS = [
  'Isolated, locked off, proved dead and discharged: a screened trailing cable keeps its charge.',
  'Solvent and heat never at one time; flame and hot air by permit only. Damp is cut away, not dried out.',
];

/** `coupler`: gaskets, cut-back ladder, strap and tubes, gap at the stem, phase maps of both ends, potting. */
export const couplerKind = kind(couplerRequestSchema, (request) => {
  const plan = planCoupler(request);
  return plan.ok ? { ok: true as const, value: { ...plan.value, cautions: CAUTIONS } } : plan;
});
