import type { Cut, CutLength } from '../cut';
import type { CutWorking, LadderRungId, MarkId, OuterCut } from '../cut-cases';
import type { CutMark } from '../marks';
import { guardWords, type DepthGuard } from './guard-words';
import { toolWords, type ToolChoice } from './tool-words';

/** One cut in words; its figures are those of `CutMark`. */
export interface Mark extends Pick<CutMark, 'id' | 'atMm' | 'datum' | 'fromDatumMm'> {
  readonly title: string;
  readonly guard: DepthGuard;
  readonly tools: readonly ToolChoice[];
  readonly check: string;
}

/** A length on the way to the terminal with its name. mm. */
export interface Working {
  readonly label: string;
  readonly mm: number;
}

/** A cut with its words, as plans keep it and people sign it. */
export interface CutPlan extends Omit<Cut, 'marks' | 'workings'> {
  readonly marks: readonly Mark[];
  readonly workings: readonly Working[];
}

const OUTER: Readonly<Record<OuterCut, string>> = {
  sheath: 'Sheath off',
  outerSheath: 'Outer sheath off',
  jacket: 'Jacket off',
  metalSheath: 'Metal sheath off',
};

const TITLES: Readonly<Record<Exclude<MarkId, 'outerSheath'>, string>> = {
  firstJacket: 'First jacket cut',
  armour: 'Armour off',
  jacket: 'Jacket to its final length',
  innerSheath: 'Inner sheath off',
  cores: 'Core ends bare',
  secondInner: 'Second inner cut, fitting on',
  earthCores: 'Earth cores cut',
  pilotCores: 'Pilot cores cut',
  screen: 'Screen off',
  semiconducting: 'Semiconducting layer off',
};

const CHECKS: Readonly<Record<MarkId, string>> = {
  firstJacket: 'The armour is not marked; only so much is bare as the saw needs.',
  outerSheath: 'Edge square; no armour strand nicked or lifted.',
  armour: 'Ends level all round; what lies under it without a scratch.',
  jacket: 'Jacket edge square: it must meet the edge of the earthing ring.',
  innerSheath:
    'Only cores are left beyond the mark, their insulation whole. One that is cut into costs the end: back by the spare, and anew.',
  cores: 'Bare length by the gauge; no strand cut, none outside the contact.',
  secondInner: 'Nothing but cores stands in the chamber, their insulation whole.',
  earthCores: 'Square, no strand out; every earth core alike.',
  pilotCores: 'Square, no strand out.',
  screen: 'Level all round, no strand towards the end; the layer under it without a mark.',
  semiconducting: 'Edge square, no tongue and no shred; the insulation without a mark.',
};

/** Where no armour lies under what comes off. */
const SHEATH_CHECKS: Readonly<Partial<Record<OuterCut, string>>> = {
  sheath: 'Edge square; the insulation of every core whole.',
  metalSheath: 'Cut square, no burr inward; the powder neither dug out nor blown.',
};

const WORKINGS: Readonly<Record<CutWorking['code'], string>> = {
  stopToShoulder: 'armour stop to shoulder of the gland',
  washerUnderGland: 'washer under the gland',
  adaptor: 'adaptor, shoulder to shoulder',
  washersAndTag: 'washers and earth tag',
  entryThread: 'entry thread (longer than the wall)',
  wall: 'wall',
  stubBeyondThread: 'least inner sheath beyond the thread',
  wallToTerminal: 'wall to farthest terminal',
  bendSlack: 'slack for the bend',
  spare: 'spare tail',
  insertAtLeast: 'cores into the insert, at least',
  insertAtMost: 'cores into the insert, at most',
  bare: 'bare conductor',
  insulation: 'insulation',
  semiconducting: 'semiconducting layer',
  screened: 'screened core to the jacket',
  earth: 'earth cores from the jacket',
  pilot: 'pilot cores from the jacket',
};

function markWords(mark: CutMark): Mark {
  const { id, atMm, datum, fromDatumMm, guard, tools } = mark;
  return {
    id,
    title: id === 'outerSheath' ? OUTER[mark.outer] : TITLES[id],
    atMm,
    datum,
    fromDatumMm,
    guard: guardWords(guard),
    tools: tools.map(toolWords),
    check: (id === 'outerSheath' ? SHEATH_CHECKS[mark.outer] : undefined) ?? CHECKS[id],
  };
}

/** Rungs by their names, as a ladder is read. */
export const rungWords = (id: LadderRungId): string => WORKINGS[id];

/** A cut, put in words. */
export const cutWords = (cut: Cut): CutPlan => ({
  ...cut,
  marks: cut.marks.map(markWords),
  workings: cut.workings.map(({ code, mm }) => ({ label: WORKINGS[code], mm })),
});

/** The lengths a cut consists of, from the cable end: name and span, leaving out what this kind of cut does not have. */
export function cutLengths(
  cut: Pick<Cut, 'kind' | 'tails' | 'stub' | 'armour' | 'strip' | 'ladder'>,
): { readonly name: string; readonly length: CutLength }[] {
  const stubName =
    cut.kind === 'mineral'
      ? 'sheath inside the pot'
      : cut.armour === null
        ? 'sheath through the gland'
        : 'inner sheath';
  if (cut.ladder !== undefined) return cut.ladder.map((rung) => ({ name: rungWords(rung.id), length: rung }));
  return [
    { name: 'tails', length: cut.tails },
    ...(cut.stub ? [{ name: stubName, length: cut.stub }] : []),
    ...(cut.armour ? [{ name: 'armour', length: cut.armour }] : []),
    ...(cut.strip ? [{ name: 'bare core ends', length: cut.strip }] : []),
  ];
}
