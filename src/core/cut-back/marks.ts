import type { CutInput } from './cut-input';
import { byEye, innerGuard, outerGuard, type DepthGuard } from './depth-guard';
import { armourTools, coreTools, sheathTools, type ToolChoice } from './tools';

export const MARK_IDS = [
  'firstJacket',
  'outerSheath',
  'armour',
  'jacket',
  'innerSheath',
  'cores',
  'secondInner',
] as const;
export type MarkId = (typeof MARK_IDS)[number];

/** One cut. `atMm` is measured from the raw cable end, always; `datum` says what the fitter measures it from. */
export interface Mark {
  readonly id: MarkId;
  readonly title: string;
  readonly atMm: number;
  /** `hub`: made with the fitting on, `fromDatumMm` from the hub's edge. `coreEnd`: on each core, from its own end. */
  readonly datum: 'cableEnd' | 'hub' | 'coreEnd';
  readonly fromDatumMm: number;
  readonly guard: DepthGuard;
  readonly tools: readonly ToolChoice[];
  readonly check: string;
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

const CHECKS: Readonly<Record<MarkId, string>> = {
  firstJacket: 'The armour is not marked; only so much is bare as the saw needs.',
  outerSheath: 'Edge square; no armour strand nicked or lifted.',
  armour: 'Ends level all round; what lies under it without a scratch.',
  jacket: 'Jacket edge square: it must meet the edge of the earthing ring.',
  innerSheath:
    'Only cores are left beyond the mark, their insulation whole. One that is cut into costs the end: back by the spare, and anew.',
  cores: 'Bare length by the gauge; no strand cut, none outside the contact.',
  secondInner: 'Nothing but cores stands in the chamber, their insulation whole.',
};

/** Marks in the order in which they are cut. */
export function marksOf(input: CutInput, lengths: SettledLengths): Mark[] {
  const { cableType, family, profile } = input;
  const { tailsMm, stubMm, armourMm, firstMm, secondMm, stripMm } = lengths;
  const outer = outerGuard(input, profile);
  const inner = innerGuard(input, profile);
  const armourEnd = tailsMm + (armourMm === null ? 0 : stubMm);
  const marks: Mark[] = [];
  const add = (
    id: MarkId,
    title: string,
    atMm: number,
    tools: readonly ToolChoice[],
    from: Pick<Mark, 'datum' | 'fromDatumMm'> = { datum: 'cableEnd', fromDatumMm: atMm },
  ) =>
    marks.push({
      id,
      title,
      atMm,
      ...from,
      guard: tools[0]?.guard ?? byEye('as the sheet says'),
      tools,
      check: CHECKS[id],
    });

  if (armourMm === null) {
    add('outerSheath', 'Sheath off', tailsMm, sheathTools(outer));
  } else {
    if (firstMm !== null) add('firstJacket', 'First jacket cut', armourEnd + firstMm, sheathTools(outer));
    else if (cableType.jacketed)
      add(
        'outerSheath',
        family.cutKind === 'metalClad' ? 'Jacket off' : 'Outer sheath off',
        armourEnd + armourMm,
        sheathTools(outer),
      );
    add('armour', 'Armour off', armourEnd, armourTools(cableType.armour, input.armourWire, profile));
    if (firstMm !== null)
      add('jacket', 'Jacket to its final length', armourEnd + armourMm, sheathTools(outer));
    if (cableType.innerSheath && secondMm === null)
      add('innerSheath', 'Inner sheath off', tailsMm, sheathTools(inner));
  }
  if (secondMm !== null)
    add('secondInner', 'Second inner cut, fitting on', tailsMm - secondMm, sheathTools(inner), {
      datum: 'hub',
      fromDatumMm: secondMm,
    });
  if (stripMm !== null)
    add(
      'cores',
      'Core ends bare',
      stripMm,
      coreTools(byEye('set the stripper to the section, not by depth')),
      {
        datum: 'coreEnd',
        fromDatumMm: stripMm,
      },
    );
  return marks;
}
