import { entryStageOf } from '@/core/catalogue';
import { own } from '@/core/kernel';
import { lookAlikes, type StagePlan } from '@/core/tightening';
import type { Planned } from './termination';

/** A stage with what other sheets and revisions ask for at one that looks the same, and where its figures stand. */
export function stageJson(stage: StagePlan, { candidate, request, locate, because, input }: Planned) {
  const { family, size } = candidate;
  const at = locate(candidate);
  const i = family.stages.findIndex((s) => s.id === stage.id);
  const ofSize = own(size.stageMethods, stage.id) !== undefined;
  return {
    ...stage,
    entry: entryStageOf(family)?.id === stage.id,
    lookAlikes: lookAlikes(stage, family, request.catalogue.families, input.outerSheath?.interval.max ?? 0),
    because: because([
      ofSize ? `${at.size}.stageMethods.${stage.id}` : `${at.family}.stages[${i}].method`,
      `${at.size}.spanners`,
    ]),
  };
}
