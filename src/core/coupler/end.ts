import type { CouplerSheet, CouplerSize, Family, Size } from '@/core/catalogue';
import type { CutPlan } from '@/core/cut-back';
import { fail, ok, type IntervalMm, type Problem, type Result } from '@/core/kernel';
import { solidConductorMm, type CableType } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { boresOf, gasketFor } from './gasket';
import { leastInStemMm, mayTrimMm, radialMm, tapeTable, type GapRule, type TapeFill } from './stem';
import { placeTubes, type PhaseRungs, type Rung, type TubePlaces } from './tubes';

/** What of a coupler's end is worked out besides its marks. Lengths in mm; places from the conductor's end. */
export interface CouplerEndPlan {
  readonly sheet: { readonly title: string; readonly revision: string };
  /** Gasket and casting of the entrance, and of the strain relief. */
  readonly entrance: GasketChoice;
  readonly relief: GasketChoice;
  readonly phases: readonly string[];
  readonly contacts: CouplerSheet['contacts'];
  readonly joint: CouplerSheet['joint'];
  readonly edgeWrap: boolean;
  readonly bonds: readonly string[];
  readonly shrinkFrom: CouplerSheet['shrinkFrom'];
  readonly gap: Pick<GapRule, 'openMm' | 'tapedMm'>;
  /** How deep tape is wound at a gap, mm, and how much of it up to each width. */
  readonly tapeDeepMm: number;
  readonly tape: readonly (TapeFill & { readonly upToMm: number })[];
  readonly stemDepthMm: number;
  readonly leastInStemMm: number;
  /** As the marks have it: conductor in the stem, and the gap that stays. */
  readonly plannedInStemMm: number;
  readonly plannedGapMm: number;
  /** So much may be trimmed off the conductor, its hold still sure. */
  readonly mayTrimMm: number;
  readonly screws: { readonly count: number; readonly torqueNm: number; readonly toleranceNm: number } | null;
  readonly tubes: TubePlaces;
}

export interface GasketChoice {
  readonly boreMm: number;
  readonly marginMm: number;
  readonly part: string;
}

export interface CouplerEndRequest {
  readonly family: Family;
  readonly size: Size;
  readonly cableType: CableType;
  /** Jacket, and one phase over its insulation, as they were measured; null where nobody has. */
  readonly jacketMm: IntervalMm;
  readonly coreMm: IntervalMm | null;
  readonly cut: Pick<CutPlan, 'ladder'>;
}

/**
 * Gaskets, stem, tape, strap and tubes of one end by the sheet of its coupler; null where the gland is none. Refused, each with its number: a jacket
 * between two gaskets or outside of all, a conductor that the stem does not take, a core that nobody measured, parts that do not meet.
 */
export function planCouplerEnd(request: CouplerEndRequest): Result<CouplerEndPlan> | null {
  const { family, size, cableType, jacketMm, coreMm, cut } = request;
  const { coupler: sheet } = family;
  const { coupler: own } = size;
  if (sheet === undefined || own === undefined || cut.ladder === undefined) return null;
  const problems: Problem[] = [];
  const entrance = gasket('entrance', own, jacketMm, problems);
  const relief = gasket('relief', own, jacketMm, problems);
  const { sectionMm2, stemDepthMm, screwsAtMm, screwTorqueNm, screwToleranceNm } = own;
  const section = cableType.coreSectionMm2;
  if (section < sectionMm2.min || section > sectionMm2.max)
    problems.push({
      path: 'cableType.coreSectionMm2',
      message: `the stem of ${size.code} takes ${figures(sectionMm2)} mm², the phases have ${trimNumber(section, 1)} mm²`,
      value: section,
    });
  if (coreMm === null)
    problems.push({
      path: 'readings',
      message:
        'one core is not measured over its insulation: how much tape fills a gap at the stem is not known',
    });
  const rungs = rungsOf(cut.ladder);
  const tubes = placeTubes(sheet, rungs, stemDepthMm);
  if (!tubes.ok) problems.push(...tubes.problems);
  const trim = mayTrimMm(own, rungs.bare.min);
  if (!trim.ok) problems.push(...trim.problems);
  const gapMost = rungs.bare.max - stemDepthMm;
  if (gapMost > sheet.gap.openMm + 1e-9)
    problems.push({
      path: 'coupler.ladder.bareMm',
      message: `conductor may be bared ${trimNumber(rungs.bare.max, 1)} mm for a stem of ${trimNumber(stemDepthMm, 1)} mm: a gap of ${trimNumber(gapMost, 1)} mm, and ${trimNumber(sheet.gap.openMm, 1)} mm may stay open`,
    });
  if (entrance === null || relief === null || coreMm === null || !tubes.ok || !trim.ok || problems.length > 0)
    return fail(problems);
  const bareMm = rungs.bare.mm;
  const deep = radialMm(coreMm.max, solidConductorMm(section));
  return ok({
    sheet: { title: family.sheet.title, revision: family.sheet.revision },
    entrance,
    relief,
    phases: cableType.phaseColours ?? [],
    contacts: sheet.contacts,
    joint: sheet.joint,
    edgeWrap: sheet.edgeWrap,
    bonds: sheet.bonds,
    shrinkFrom: sheet.shrinkFrom,
    gap: { openMm: sheet.gap.openMm, tapedMm: sheet.gap.tapedMm },
    tapeDeepMm: deep,
    tape: tapeTable(sheet.gap, deep),
    stemDepthMm,
    leastInStemMm: leastInStemMm(own),
    plannedInStemMm: Math.min(bareMm, stemDepthMm),
    plannedGapMm: Math.max(0, bareMm - stemDepthMm),
    mayTrimMm: trim.value,
    screws:
      sheet.joint === 'setScrews' && screwTorqueNm !== undefined
        ? { count: screwsAtMm.length, torqueNm: screwTorqueNm, toleranceNm: screwToleranceNm ?? 0 }
        : null,
    tubes: tubes.value,
  });
}

const figures = ({ min, max }: IntervalMm): string => `${trimNumber(min, 1)} to ${trimNumber(max, 1)}`;

/** Rungs of the phases as they are marked, and as the blade may leave them. */
export function rungsOf(ladder: NonNullable<CutPlan['ladder']>): PhaseRungs {
  const of = (id: keyof PhaseRungs): Rung => {
    const rung = ladder.find((r) => r.id === id);
    if (rung === undefined) throw new Error(`a ladder has its ${id}`);
    return { mm: rung.mm, min: rung.minMm, max: rung.maxMm };
  };
  return {
    bare: of('bare'),
    insulation: of('insulation'),
    semiconducting: of('semiconducting'),
    screened: of('screened'),
  };
}

const NAMES = { entrance: 'entrance', relief: 'strain relief' } as const;

/** The gasket of one of the two places, or what keeps it from one. */
function gasket(
  which: 'entrance' | 'relief',
  own: CouplerSize,
  jacket: IntervalMm,
  problems: Problem[],
): GasketChoice | null {
  const series = own[which];
  const fit = gasketFor(series, jacket);
  const part = which === 'entrance' ? own.entrancePart : own.reliefPart;
  if (fit.verdict === 'fits')
    return { boreMm: fit.boreMm, marginMm: fit.marginMm, part: `${part}-${trimNumber(fit.boreMm, 1)}` };
  problems.push({ path: `coupler.${which}`, message: gasketWords(NAMES[which], series, fit, jacket) });
  return null;
}

/** Why no gasket is chosen, as a sentence with its numbers. */
export function gasketWords(
  name: string,
  series: CouplerSize['entrance'],
  fit: Exclude<ReturnType<typeof gasketFor>, { readonly verdict: 'fits' }>,
  jacket: IntervalMm,
): string {
  const measured = `${trimNumber(jacket.min, 2)} to ${trimNumber(jacket.max, 2)} mm`;
  const off = trimNumber(Math.abs(fit.marginMm), 2);
  const bores = boresOf(series);
  if (fit.verdict === 'none')
    return `no gasket of the ${name} takes ${measured}: bores ${trimNumber(bores[0] ?? 0, 1)} to ${trimNumber(bores.at(-1) ?? 0, 1)} mm in steps of ${trimNumber(series.stepMm, 1)} mm miss it by ${off} mm`;
  return fit.boresMm.length > 1
    ? `the cable (${measured}) lies between the gaskets of ${fit.boresMm.map((b) => trimNumber(b, 1)).join(' and ')} mm of the ${name}, ${off} mm over: measure again`
    : `the cable (${measured}) may lie outside the gaskets of the ${name} by ${off} mm: measure again`;
}
