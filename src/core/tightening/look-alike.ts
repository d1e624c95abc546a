import type { Family, Stage } from '@/core/catalogue';
import { methodWords, type StagePlan } from './stage-plan';

/** A stage of another sheet that looks the same at the bench and asks for something else. */
export interface LookAlike {
  readonly family: string;
  readonly revision: string;
  readonly words: string;
}

/**
 * Stages of other families and of other revisions of this one that turn the same kind of part in the same phase by the same kind of
 * method, to another figure. Never averaged: they are shown so that the sheet that was followed is named. `outerMaxMm` is the top of the
 * cable's interval, for scale marks.
 */
export function lookAlikes(
  stage: StagePlan,
  own: Family,
  families: readonly Family[],
  outerMaxMm: number,
): LookAlike[] {
  const roleOf = (family: Family, id: string) => family.parts.find((p) => p.id === id)?.role ?? id;
  const role = roleOf(own, stage.memberId);
  const same = (family: Family, other: Stage) =>
    other.phase === stage.phase &&
    roleOf(family, other.member) === role &&
    other.method.kind === stage.method.kind &&
    // Torques and scale marks go by size: another family's figure says nothing.
    other.method.turns !== undefined;
  return families
    .filter((f) => f.code !== own.code || f.sheet.revision !== own.sheet.revision)
    .flatMap((family) =>
      family.stages
        .filter((other) => same(family, other) && other.method.turns !== stage.method.turns)
        // Within one family only the very same stage of the other revision is meant.
        .filter((other) => family.code !== own.code || other.id === stage.id)
        .map((other) => ({
          family: family.code,
          revision: family.sheet.revision,
          words: methodWords(other.method, outerMaxMm),
        })),
    );
}
