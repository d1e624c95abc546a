import { own, type Problem } from '@/core/kernel';
import type { Family } from './family';
import type { PartRole } from './part';
import type { Size } from './size';
import type { Stage } from './stage';
import type { ArmourKind, CutKind, ProcedureKind } from './vocabulary';

type Miss = (path: string, message: string) => void;

/** Cuts after which armour lies under a ring or on a cone. */
const ARMOURED_CUTS: readonly CutKind[] = ['stub', 'level', 'metalClad', 'sealingFitting', 'plugIn'];

/** Roles that go into the box; the stage that turns one of them is the entry. */
const ENTRY_ROLES: readonly PartRole[] = ['entryComponent', 'hub'];

/** The stage that brings the gland into the box; undefined in a family that lacks it. */
export const entryStageOf = (family: Family): Stage | undefined =>
  family.stages.find((stage) => {
    const part = family.parts.find((p) => p.id === stage.member);
    return part !== undefined && ENTRY_ROLES.includes(part.role) && stage.held === 'box';
  });

/**
 * What a family still lacks before a make-off can be led from it. Empty means complete; otherwise the family is *plan only*: it may
 * be judged and chosen, but neither cut marks nor bench steps come from it. The same check runs at import and over our own data.
 */
export function missingForProcedure(family: Family): Problem[] {
  const problems: Problem[] = [];
  const miss: Miss = (path, message) => problems.push({ path, message });
  missingStages(family, miss);
  missingSeal(family, miss);
  missingMineral(family, miss);
  missingCoupler(family, miss);
  missingInLine(family, miss);
  if (family.procedureKind === 'ownClamp' && family.device === undefined)
    miss('device', 'nothing says how its housing turns and its cover closes');
  if (!family.parts.some((p) => p.slideOn !== undefined)) miss('parts', 'no part says when it slides on');
  const armoured = ARMOURED_CUTS.includes(family.cutKind) && family.accepts.armour.some((a) => a !== 'none');
  if (armoured && family.cutKind !== 'plugIn' && family.makeOff.clampStage === undefined)
    miss('makeOff.clampStage', 'no stage is named that clamps the armour');
  if (family.cutKind === 'metalClad' && !family.parts.some((p) => p.role === 'armourEarthingRing'))
    miss('parts', 'a gland for metal-clad cable needs its armour earthing ring');
  family.sizes.forEach((size, i) => {
    if (armoured) missingArmour(size, i, miss);
    missingCutFigures(family, size, i, miss);
    missingSpanners(family, size, i, miss);
  });
  return problems;
}

/** When a family goes into the box: before its armour is clamped, or made off already; the clamp of a device is a part of it. */
const ENTRY_COMES: Readonly<Record<ProcedureKind, 'first' | 'afterTheClamp' | 'device'>> = {
  entryFirst: 'first',
  madeOffFirst: 'afterTheClamp',
  sealingFitting: 'first',
  plugIn: 'first',
  inLine: 'device',
  mineralSeal: 'first',
  ownClamp: 'device',
  coupler: 'device',
};

function missingStages(family: Family, miss: Miss): void {
  const { stages, makeOff } = family;
  if (stages.length === 0) miss('stages', 'no tightening stage is given');
  if (!stages.some((s) => s.phase === 'final')) miss('stages', 'no stage is of phase final');
  const entry = entryStageOf(family);
  const first = ENTRY_COMES[family.procedureKind];
  if (entry === undefined && first !== 'device')
    miss('stages', 'no stage brings the entry component or hub into the box');
  const clampAt = stages.findIndex((s) => s.id === makeOff.clampStage);
  if (makeOff.look) {
    if (makeOff.clampStage === undefined)
      miss('makeOff.clampStage', 'a look is asked for, but no stage clamps the armour');
    if (makeOff.checks.length === 0) miss('makeOff.checks', 'a look without anything to look for');
    const clamp = stages[clampAt];
    if (clamp && !stages.slice(clampAt + 1).some((s) => s.member === clamp.member && s.phase === 'final'))
      miss('stages', `after the look nothing tightens the ${clamp.member} again`);
  }
  if (!entry) return;
  if (first === 'afterTheClamp' && stages.indexOf(entry) < clampAt)
    miss('stages', 'this family is made off before it goes into the box, but its entry stage comes first');
  if (first === 'first' && clampAt >= 0 && stages.indexOf(entry) > clampAt)
    miss('stages', 'this family goes into the box first, but its entry stage comes after the clamping');
}

function missingSeal(family: Family, miss: Miss): void {
  const { seal, stages, sizes } = family;
  const chambers = sizes.filter((s) => s.chamber !== undefined).length;
  if (chambers > 0 && seal === undefined)
    miss('seal', 'the sizes have a chamber, but nothing says how it is filled');
  if (seal === undefined) return;
  sizes.forEach((size, i) => {
    if (size.chamber === undefined) miss(`sizes[${i}].chamber`, 'no chamber, in a family that is filled');
  });
  const at = (id: string) => stages.findIndex((s) => s.id === id);
  if (at(seal.fillAfter) > at(seal.cureAfter))
    miss('seal.cureAfter', 'the cure would begin before the compound is in');
}

/** A coupler takes screened trailing cable only, and has a ladder, gaskets and stems of its own. */
function missingCoupler({ procedureKind, cutKind, accepts, coupler, sizes }: Family, miss: Miss): void {
  if (procedureKind !== 'coupler') return;
  if (cutKind !== 'ladder') miss('cutKind', 'the cores of a coupler are cut back by a ladder');
  if (accepts.construction !== 'screenedTrailing')
    miss('accepts.construction', 'a coupler of this kind takes screened trailing cable and no other');
  if (coupler === undefined) {
    miss('coupler', 'nothing says how its cores are cut back and closed');
    return;
  }
  const { gap, joint, contacts } = coupler;
  if (gap.tapedMm < gap.openMm) miss('coupler.gap.tapedMm', 'less is taped than may stay open');
  if (Math.min(...gap.tapeWidthsMm) > gap.openMm)
    miss('coupler.gap.tapeWidthsMm', 'no tape is as narrow as the least gap that is taped');
  if (!contacts.some((c) => c.use === 'phase')) miss('coupler.contacts', 'no contact is for a phase');
  sizes.forEach(({ coupler: size, outerSeal }, i) => {
    if (size === undefined) {
      miss(`sizes[${i}].coupler`, 'no gaskets and no stem');
      return;
    }
    const { entrance, screwsAtMm, holdMm, stemDepthMm, screwTorqueNm } = size;
    if (outerSeal?.max !== entrance.lastMm || outerSeal.min !== entrance.firstMm - entrance.stepMm)
      miss(`sizes[${i}].outerSeal`, 'is not what the bores of its entrance take');
    if ((joint === 'setScrews') !== screwsAtMm.length > 0)
      miss(`sizes[${i}].coupler.screwsAtMm`, 'set screws and the way the stem is joined do not agree');
    if (joint === 'setScrews' && screwTorqueNm === undefined)
      miss(`sizes[${i}].coupler.screwTorqueNm`, 'nothing says how tight its set screws are');
    if (Math.max(0, ...screwsAtMm) + holdMm > stemDepthMm)
      miss(`sizes[${i}].coupler.holdMm`, 'the stem is not as deep as its screws ask for');
  });
}

/** A seal for mineral-insulated cable takes that construction only, and has a sheet of its own. */
function missingMineral({ procedureKind, cutKind, accepts, mineral }: Family, miss: Miss): void {
  if (procedureKind !== 'mineralSeal') return;
  if (mineral === undefined)
    miss('mineral', 'nothing says how the insulation is tested and the pot is filled');
  if (cutKind !== 'mineral') miss('cutKind', 'the sheath of a mineral-insulated cable is cut in its own way');
  if (accepts.construction !== 'mineralInsulated')
    miss('accepts.construction', 'a pot seals mineral-insulated cable and no other');
}

function missingArmour(size: Size, i: number, miss: Miss): void {
  const lengths = new Set<ArmourKind>(size.armourLengths.flatMap((l) => l.armour));
  for (const ring of size.rings) {
    for (const armour of ring.armour) {
      if (!lengths.has(armour)) miss(`sizes[${i}].armourLengths`, `no armour length for ${armour}`);
    }
  }
  if (size.rings.length === 0) miss(`sizes[${i}].rings`, 'no armour range');
}

function missingCutFigures(family: Family, size: Size, i: number, miss: Miss): void {
  if (family.cutKind === 'sealingFitting') {
    const cut = size.sealingCut;
    const least = Math.min(...size.armourLengths.map((l) => l.minMm));
    if (cut === undefined) miss(`sizes[${i}].sealingCut`, 'no figures for the first and the second cut');
    else if (cut.firstJacketMm >= least)
      miss(`sizes[${i}].sealingCut.firstJacketMm`, 'the first jacket cut is not before the final one');
    else if (size.chamber && cut.secondInnerMm > size.chamber.lengthMm)
      miss(`sizes[${i}].sealingCut.secondInnerMm`, 'the second cut lies beyond the chamber');
  }
  if (family.cutKind === 'plugIn' && size.insert === undefined)
    miss(`sizes[${i}].insert`, 'no figures for the contact insert');
  if (size.insert !== undefined) missingInsert(family, size.insert, i, miss);
  if (family.cutKind === 'mineral' && size.pot === undefined)
    miss(`sizes[${i}].pot`, 'no figures for the pot');
  if (['unarmoured', 'mineral', 'ladder'].includes(family.cutKind) && size.outerSeal === undefined)
    miss(`sizes[${i}].outerSeal`, 'nothing holds the cable');
}

/** An insert whose positions are numbered has as many as contacts; a crimp has its die; what is capped live is mated by a stage. */
function missingInsert(
  { makeOff, stages }: Family,
  { contacts, positions, joint, crimp, liveCap }: NonNullable<Size['insert']>,
  i: number,
  miss: Miss,
): void {
  if (positions !== undefined && positions.length !== contacts)
    miss(`sizes[${i}].insert.positions`, `are ${positions.length}, and the insert has ${contacts} contacts`);
  if (joint === 'crimp' && crimp === undefined)
    miss(`sizes[${i}].insert.crimp`, 'nothing says with which die its contacts are crimped');
  if (liveCap === true && !stages.some((s) => s.id === makeOff.mateStage))
    miss('makeOff.mateStage', 'what stands under a live cap has no stage that mates it');
}

/** Halves of an in-line joint: what they go into, which stage brings the first one there and which mates them, and what each is ordered by. */
function missingInLine({ procedureKind, inLine, makeOff, stages, sizes }: Family, miss: Miss): void {
  if (procedureKind !== 'inLine') return;
  if (inLine === undefined) {
    miss('inLine', 'nothing says which half goes into the housing first');
    return;
  }
  if (!stages.some((s) => s.id === inLine.houseStage))
    miss('inLine.houseStage', 'is no stage of this sheet: nothing brings the first half into the housing');
  if (!stages.some((s) => s.id === makeOff.mateStage))
    miss('makeOff.mateStage', 'no stage mates the two halves');
  sizes.forEach(({ insert }, i) => {
    if (insert?.halves === undefined)
      miss(`sizes[${i}].insert.halves`, 'its two halves have no part numbers');
    if (insert?.positions === undefined)
      miss(`sizes[${i}].insert.positions`, 'nobody can say which core meets which');
    if (insert?.liveCap === true)
      miss(`sizes[${i}].insert.liveCap`, 'a half on a cable has no cap of a plant');
  });
}

function missingSpanners(family: Family, size: Size, i: number, miss: Miss): void {
  for (const stage of family.stages) {
    for (const id of [stage.member, stage.held]) {
      if (id === 'cable' || id === 'box' || isHandTight(stage, size)) continue;
      if (own(size.spanners, id) === undefined) miss(`sizes[${i}].spanners`, `no spanner for ${id}`);
    }
  }
}

function isHandTight(stage: Stage, size: Size): boolean {
  const method = own(size.stageMethods, stage.id) ?? stage.method;
  return method.kind === 'handPlusTurns' && method.turns === 0;
}
