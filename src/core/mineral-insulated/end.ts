import type { Family, Size } from '@/core/catalogue';
import type { CutPlan } from '@/core/cut-back';
import { fail, fitInRange, ok, refuse, type IntervalMm, type Problem, type Result } from '@/core/kernel';
import { solidConductorMm, type CableType } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import type { InsulationLimits } from './insulation-clock';
import { compoundMl, packsFor, testFor } from './kit';

/** What of a mineral-insulated end is worked out besides its cut: pot, compound, strippers, how its insulation is tested. Lengths in mm from the cable end. */
export interface MineralEndPlan {
  readonly sheet: { readonly title: string; readonly revision: string };
  readonly depthMm: number;
  /** How far the sheath stands in the pot. */
  readonly insideMm: IntervalMm;
  readonly needMl: number;
  readonly packs: {
    readonly part: string;
    readonly ml: number;
    readonly count: number;
    readonly leftMl: number;
  };
  /** Strippers of the sheet that take this sheath, each with where it grips. */
  readonly tools: readonly { readonly id: string; readonly gripAtMm: number }[];
  /** Where the sheath ends, where the pot's lower edge lies, up to where the cable is straight. */
  readonly stripAtMm: number;
  readonly potAtMm: number;
  readonly straightToMm: number;
  readonly test: InsulationLimits;
  /** What its cores are called at both ends; left out where nobody said. */
  readonly colours?: readonly string[];
}

export interface MineralEndRequest {
  readonly family: Family;
  readonly size: Size;
  readonly cableType: CableType;
  /** The sheath as it was measured. */
  readonly sheathMm: IntervalMm;
  readonly cut: Pick<CutPlan, 'tails' | 'stub'>;
}

/**
 * Pot, compound, strippers and tests of one end by the sheet of its seal; null where the gland has none. Refused where no stripper certainly takes
 * the sheath, where nobody said what the cable is rated for, or the sheet names no test for that: each with its number.
 */
export function planMineralEnd({
  family,
  size,
  cableType,
  sheathMm,
  cut,
}: MineralEndRequest): Result<MineralEndPlan> | null {
  const { mineral } = family;
  const { pot } = size;
  if (mineral === undefined || pot === undefined) return null;
  const problems: Problem[] = [];
  const fits = mineral.tools.map((tool) => ({ tool, fit: fitInRange(tool.sheathMm, sheathMm) }));
  const [nearest] = [...fits].sort((a, b) => b.fit.marginMm - a.fit.marginMm);
  const tools = fits.filter(({ fit }) => fit.verdict === 'fits').map(({ tool }) => tool);
  if (tools.length === 0 && nearest !== undefined)
    problems.push({
      path: 'mineral.tools',
      message: `no stripper of the sheet certainly takes ${span(sheathMm)}: ${nearest.tool.id} misses it by ${trimNumber(-nearest.fit.marginMm, 2)} mm`,
    });
  const { ratedV } = cableType;
  const test = testFor(mineral.tests, ratedV);
  if (ratedV === undefined)
    problems.push({
      path: 'cableType.ratedV',
      message: 'nobody said what the cable is rated for: its insulation is tested by that',
    });
  else if (test === undefined)
    problems.push({
      path: 'cableType.ratedV',
      message: `the sheet names no test for a cable of ${trimNumber(ratedV, 0)} V`,
    });
  if (cut.stub === null) return refuse('cut', 'the sheath does not stand in the pot');
  if (test === undefined || tools.length === 0) return fail(problems);
  const stripAtMm = cut.tails.mm;
  const potAtMm = stripAtMm + cut.stub.mm;
  const needMl = compoundMl(
    pot,
    { conductors: cableType.cores, conductorMm: solidConductorMm(cableType.coreSectionMm2) },
    mineral.overfillShare,
  );
  const { packs: count, leftMl } = packsFor(needMl, 1, mineral.packMl);
  return ok({
    sheet: { title: family.sheet.title, revision: family.sheet.revision },
    depthMm: pot.depthMm,
    insideMm: pot.insideMm,
    needMl,
    packs: { part: mineral.packPart, ml: mineral.packMl, count, leftMl },
    tools: tools.map((t) => ({ id: t.id, gripAtMm: stripAtMm + t.gripOffsetMm })),
    stripAtMm,
    potAtMm,
    straightToMm: potAtMm + mineral.straightMm,
    test: {
      testV: test.testV,
      leastMohm: test.leastMohm,
      holdsMs: mineral.readingHoldsMin * 60_000,
      mayFallShare: mineral.mayFallShare,
    },
    ...(cableType.coreNames === undefined ? {} : { colours: cableType.coreNames.map((c) => c.name) }),
  });
}

const span = ({ min, max }: IntervalMm): string => `${trimNumber(min, 2)} to ${trimNumber(max, 2)} mm`;
