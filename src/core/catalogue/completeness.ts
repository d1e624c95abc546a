import type { ArmourKind, CutKind } from './vocabulary';
import type { Family } from './family';
import type { Problem } from '@/core/kernel';

const ARMOURED_CUTS: readonly CutKind[] = ['stub', 'level', 'metalClad', 'sealingFitting'];

/** Kinds of cut that the cut-back engine carries out today; a family that needs another stays plan only. */
export const SUPPORTED_CUTS: readonly CutKind[] = ['stub'];
export const SUPPORTED_PROCEDURES = ['entryFirst'] as const;

/**
 * What a family still lacks before a make-off can be led from it. Empty means complete; otherwise the family is *plan only*: it may
 * be judged and chosen, but neither cut marks nor bench steps come from it. The same check runs at import and over our own data.
 */
export function missingForProcedure(family: Family): Problem[] {
  const problems: Problem[] = [];
  const miss = (path: string, message: string) => problems.push({ path, message });
  if (!SUPPORTED_CUTS.includes(family.cutKind))
    miss('cutKind', `cut-back of kind “${family.cutKind}” is not built yet`);
  if (!SUPPORTED_PROCEDURES.some((k) => k === family.procedureKind)) {
    miss('procedureKind', `procedure of kind “${family.procedureKind}” is not built yet`);
  }
  if (family.stages.length === 0) miss('stages', 'no tightening stage is given');
  if (!family.stages.some((s) => s.phase === 'final')) miss('stages', 'no stage is of phase final');
  if (!family.parts.some((p) => p.slideOn !== undefined)) miss('parts', 'no part says when it slides on');
  if (family.makeOff.look && family.makeOff.clampStage === undefined) {
    miss('makeOff.clampStage', 'a look is asked for, but no stage clamps the armour');
  }
  if (family.makeOff.look && family.makeOff.checks.length === 0)
    miss('makeOff.checks', 'a look without anything to look for');
  const armoured = ARMOURED_CUTS.includes(family.cutKind) && family.accepts.armour.some((a) => a !== 'none');
  family.sizes.forEach((size, i) => {
    if (armoured) {
      const lengths = new Set<ArmourKind>(size.armourLengths.flatMap((l) => l.armour));
      for (const ring of size.rings) {
        for (const armour of ring.armour) {
          if (!lengths.has(armour)) miss(`sizes[${i}].armourLengths`, `no armour length for ${armour}`);
        }
      }
      if (size.rings.length === 0) miss(`sizes[${i}].rings`, 'no armour range');
    }
    for (const stage of family.stages) {
      for (const id of [stage.member, stage.held]) {
        if (id === 'cable' || id === 'box' || isHandTight(family, stage.id, size)) continue;
        if (size.spanners[id] === undefined) miss(`sizes[${i}].spanners`, `no spanner for ${id}`);
      }
    }
  });
  return problems;
}

function isHandTight(family: Family, stageId: string, size: Family['sizes'][number]): boolean {
  const method = size.stageMethods?.[stageId] ?? family.stages.find((s) => s.id === stageId)?.method;
  return method?.kind === 'handPlusTurns' && method.turns === 0;
}
