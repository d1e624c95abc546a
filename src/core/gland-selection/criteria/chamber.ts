import { trimNumber } from '@/core/units';
import { allowedCompounds, compoundLimit, freeAreaVerdict, freeShare } from '../chamber-fit';
import { plainFinding, sheetName, type Criterion, type JudgeContext } from '../finding';
import { judgeSeal } from './seal';

const absent = ({ size }: JudgeContext) =>
  size.chamber === undefined ? 'no compound chamber in this family' : null;

const chamberOf = ({ size }: JudgeContext) => {
  if (size.chamber === undefined) throw new Error('absent is asked first');
  return size.chamber;
};

/** How many cores the chamber may hold. */
export const coreCount: Criterion = {
  id: 'coreCount',
  scope: 'size',
  absent,
  judge: (context) => {
    const { maxCores } = chamberOf(context);
    const { cores } = context.input.cableType;
    const over = cores - maxCores;
    const reason =
      over > 0
        ? `chamber takes up to ${maxCores} cores, your cable has ${cores}: ${over} too many`
        : `${cores} of up to ${maxCores} cores`;
    return plainFinding(
      'coreCount',
      over > 0 ? 'misfit' : 'fits',
      `up to ${maxCores}`,
      String(cores),
      reason,
      sheetName(context.family),
    );
  },
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

const percent = (share: number) => `${trimNumber(share * 100, 0)} %`;

/** Room left between the cores, so that compound gets all round each of them. */
export const freeArea: Criterion = {
  id: 'freeArea',
  scope: 'size',
  absent: (context) =>
    absent(context) ??
    (context.size.chamber?.minFreeShare === undefined ? 'the sheet asks for no free area' : null),
  judge: (context) => {
    const chamber = chamberOf(context);
    const { core, cableType } = context.input;
    const verdict = freeAreaVerdict(chamber, cableType.cores, core);
    const takes = `at least ${percent(chamber.minFreeShare ?? 0)} free`;
    const source = sheetName(context.family);
    if (core === null)
      return plainFinding(
        'freeArea',
        verdict,
        takes,
        'not measured',
        'one core is not measured: the room left for compound cannot be said',
        source,
        ['core'],
      );
    const share = freeShare(chamber.boreMm, cableType.cores, core.interval.max);
    const has = `${percent(Math.max(0, share))} free`;
    return plainFinding(
      'freeArea',
      verdict,
      takes,
      has,
      `${takes} in the ${trimNumber(chamber.boreMm, 1)} mm chamber, ${cableType.cores} cores of ${trimNumber(core.interval.max, 2)} mm leave ${has}`,
      source,
    );
  },
};

/** Which compound the fitting is approved with for this many cores. */
export const compound: Criterion = {
  id: 'compound',
  scope: 'size',
  absent,
  judge: (context) => {
    const chamber = chamberOf(context);
    const { cores } = context.input.cableType;
    const facts = context.facts.compounds;
    const source = sheetName(context.family);
    if (facts === null) throw new Error('absent is asked first');
    // Within the limit of every compound, which is the rule, nothing has to be sorted out.
    if (cores <= facts.least)
      return plainFinding('compound', 'fits', facts.limits, `${cores} cores`, facts.products, source);
    const allowed = allowedCompounds(chamber, cores);
    const not = chamber.compounds
      .filter((c) => !allowed.includes(c))
      .map((c) => `${c.kind} only up to ${compoundLimit(chamber, c)} cores`)
      .join(', ');
    const none = allowed.length === 0;
    const reason = none
      ? `no approved compound for ${cores} cores: ${not}`
      : `${allowed.map((c) => c.product).join(' or ')}; ${not}`;
    return plainFinding('compound', none ? 'misfit' : 'fits', facts.limits, `${cores} cores`, reason, source);
  },
};
