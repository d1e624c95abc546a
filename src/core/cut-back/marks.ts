import type { CutInput } from './cut-input';
import type { BladeGuard, CutTool, MarkId, OuterCut } from './cut-cases';
import { byEye, innerGuard, outerGuard } from './depth-guard';
import { armourTools, coreTools, mineralTools, sheathTools } from './tools';

/** One cut. `atMm` is measured from the raw cable end, always; `datum` says what the fitter measures it from. */
export interface CutMark {
  readonly id: MarkId;
  /** What the outermost cut of this cable takes off. */
  readonly outer: OuterCut;
  readonly atMm: number;
  /** `hub`: made with the fitting on, `fromDatumMm` from the hub's edge. `coreEnd`: on each core, from its own end. */
  readonly datum: 'cableEnd' | 'hub' | 'coreEnd';
  readonly fromDatumMm: number;
  readonly guard: BladeGuard;
  readonly tools: readonly CutTool[];
}

/** Settled lengths, mm; null where the cut has no such part. */
export interface SettledLengths {
  readonly tailsMm: number;
  readonly stubMm: number;
  readonly armourMm: number | null;
  readonly firstMm: number | null;
  readonly secondMm: number | null;
  readonly stripMm: number | null;
}

/** Marks in the order in which they are cut. */
export function marksOf(input: CutInput, lengths: SettledLengths): CutMark[] {
  const { cableType, family, profile } = input;
  const { tailsMm, stubMm, armourMm, firstMm, secondMm, stripMm } = lengths;
  const outer = outerGuard(input, profile);
  const inner = innerGuard(input, profile);
  const armourEnd = tailsMm + (armourMm === null ? 0 : stubMm);
  const named: OuterCut =
    family.cutKind === 'mineral'
      ? 'metalSheath'
      : armourMm === null
        ? 'sheath'
        : family.cutKind === 'metalClad'
          ? 'jacket'
          : 'outerSheath';
  const marks: CutMark[] = [];
  const add = (
    id: MarkId,
    atMm: number,
    tools: readonly CutTool[],
    from: Pick<CutMark, 'datum' | 'fromDatumMm'> = { datum: 'cableEnd', fromDatumMm: atMm },
  ) =>
    marks.push({
      id,
      outer: named,
      atMm,
      ...from,
      guard: tools[0]?.guard ?? byEye({ code: 'bySheet' }),
      tools,
    });

  if (family.cutKind === 'mineral') {
    add('outerSheath', tailsMm, mineralTools);
  } else if (armourMm === null) {
    add('outerSheath', tailsMm, sheathTools(outer));
  } else {
    if (firstMm !== null) add('firstJacket', armourEnd + firstMm, sheathTools(outer));
    else if (cableType.jacketed) add('outerSheath', armourEnd + armourMm, sheathTools(outer));
    add('armour', armourEnd, armourTools(cableType.armour, input.armourWire, profile));
    if (firstMm !== null) add('jacket', armourEnd + armourMm, sheathTools(outer));
    if (cableType.innerSheath && secondMm === null) add('innerSheath', tailsMm, sheathTools(inner));
  }
  if (secondMm !== null)
    add('secondInner', tailsMm - secondMm, sheathTools(inner), { datum: 'hub', fromDatumMm: secondMm });
  if (stripMm !== null)
    add('cores', stripMm, coreTools(byEye({ code: 'bySection' })), {
      datum: 'coreEnd',
      fromDatumMm: stripMm,
    });
  return marks;
}
