import { deviceRequestSchema, planDevice } from '@/core/device';
import { kind } from './kind';

const CAUTIONS = [
  'Isolated, locked off and proved dead. A device whose plate differs from its order is not connected.',
  'Joint faces are the protection: never forced, levered or scratched; the cover comes off and goes on a little at each bolt.',
];

/** `device`: nameplate against the order, turning of the housing, packing ring, passes of the cover. */
export const deviceKind = kind(deviceRequestSchema, (request) => {
  const plan = planDevice(request);
  return plan.ok ? { ok: true as const, value: { ...plan.value, cautions: CAUTIONS } } : plan;
});
