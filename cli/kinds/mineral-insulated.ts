import { mineralRequestSchema, planMineral } from '@/core/mineral-insulated';
import { kind } from './kind';

const CAUTIONS = [
  'Isolated, locked off and proved dead at both ends; the far end is sealed or it draws water.',
  'Filings are tapped out and never blown; no powder is dug out. The pot is warm to the hand before it is filled, from one side.',
];

/** `mineral`: pot, packs, marks and where the insulation of each end stands. */
export const mineralKind = kind(mineralRequestSchema, (request) => {
  const plan = planMineral(request);
  return plan.ok ? { ok: true as const, value: { ...plan.value, cautions: CAUTIONS } } : plan;
});
