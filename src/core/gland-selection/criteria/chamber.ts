import { freeAreaVerdict, freeShare } from '../chamber-fit';
import { plainFinding, sheetOf, type Criterion, type JudgeContext } from '../finding';
import { judgeSeal } from './seal';

const absent = ({ size }: JudgeContext) => (size.chamber === undefined ? ('chamber' as const) : null);

const chamberOf = ({ size }: JudgeContext) => {
  if (size.chamber === undefined) throw new Error('absent is asked first');
  return size.chamber;
};

/** How many cores the chamber may hold, or which counts of them the pot is made for. */
export const coreCount: Criterion = {
  id: 'coreCount',
  scope: 'size',
  absent: (context) => (context.size.pot === undefined ? absent(context) : null),
  judge: (context) => {
    const { pot } = context.size;
    if (pot !== undefined) return judgePot(context, pot);
    const { maxCores: most } = chamberOf(context);
    const { cores } = context.input.cableType;
    const found = { code: 'coreCount', most, cores } as const;
    return plainFinding('coreCount', cores > most ? 'misfit' : 'fits', found, sheetOf(context.family));
  },
};

const judgePot = (
  { input, family }: JudgeContext,
  { conductors: takes }: NonNullable<JudgeContext['size']['pot']>,
) => {
  const { cores } = input.cableType;
  return plainFinding(
    'coreCount',
    takes.includes(cores) ? 'fits' : 'misfit',
    { code: 'potCores', takes, cores },
    sheetOf(family),
  );
};

/** The laid-up cores must go through the chamber. */
export const overCores: Criterion = {
  id: 'overCores',
  scope: 'size',
  absent,
  judge: (context) => {
    if (context.facts.overCores === null) throw new Error('absent is asked first');
    return judgeSeal(context, 'overCores', context.facts.overCores, 'laidUpCores');
  },
};

/** Room left between the cores, so that compound gets all round each of them. */
export const freeArea: Criterion = {
  id: 'freeArea',
  scope: 'size',
  absent: (context) =>
    absent(context) ?? (context.size.chamber?.minFreeShare === undefined ? 'freeArea' : null),
  judge: (context) => {
    const chamber = chamberOf(context);
    const { boreMm, minFreeShare: leastShare = 0 } = chamber;
    const {
      core,
      cableType: { cores },
    } = context.input;
    const mm = core?.interval.max ?? null;
    return plainFinding(
      'freeArea',
      freeAreaVerdict(chamber, cores, core),
      {
        code: 'freeArea',
        leastShare,
        boreMm,
        cores,
        core: mm === null ? null : { mm, freeShare: freeShare(boreMm, cores, mm) },
      },
      sheetOf(context.family),
      core === null ? ['core'] : [],
    );
  },
};

/** Which compound the fitting is approved with for this many cores. */
export const compound: Criterion = {
  id: 'compound',
  scope: 'size',
  absent,
  judge: ({ facts: { compounds }, input, family }) => {
    const { cores } = input.cableType;
    if (compounds === null) throw new Error('absent is asked first');
    const { limits } = compounds;
    const none = limits.every(({ upTo }) => cores > upTo);
    return plainFinding(
      'compound',
      none ? 'misfit' : 'fits',
      { code: 'compound', limits, cores },
      sheetOf(family),
    );
  },
};
