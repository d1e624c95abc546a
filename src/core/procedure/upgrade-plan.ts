import { byEye, type CutPlan, type Mark } from '@/core/cut-back';
import type { TerminationPlan } from './termination-plan';

/**
 * A plan as it was stored, in today's shape. Plans of the first releases listed no parts, knew no end stop and no compound, and cut in one
 * way only. Their rules number makes them stale; this keeps them readable until they are made again.
 */
export function upgradePlan(
  stored: Omit<TerminationPlan, 'parts' | 'endStop' | 'seal' | 'sealRefusal' | 'gland'> &
    Partial<TerminationPlan>,
): TerminationPlan {
  return {
    ...stored,
    endStop: stored.endStop ?? null,
    seal: stored.seal ?? null,
    sealRefusal: stored.sealRefusal ?? [],
    gland: stored.gland ?? { hexFlatsMm: 0, innerLengthMm: 0, protrusionMm: 0, threadLengthMm: 0, parts: [] },
    parts: stored.parts ?? [{ part: stored.partNumber, kind: 'gland', name: stored.size }],
    cut: stored.cut === null ? null : upgradeCut(stored.cut),
  };
}

function upgradeCut(
  cut: CutPlan & Partial<Pick<CutPlan, 'kind' | 'jacketed' | 'strip' | 'coreTails'>>,
): CutPlan {
  if (cut.kind !== undefined) return cut;
  const marks = cut.marks.map((m): Mark => ({
    ...m,
    datum: 'cableEnd',
    fromDatumMm: m.atMm,
    tools: m.tools.map((t) => ({ ...t, kerfMm: 0, guard: m.guard ?? byEye('as the sheet says') })),
  }));
  return { ...(cut as CutPlan), kind: 'stub', jacketed: true, strip: null, coreTails: [], marks };
}
