import { array, number, object, string, type InferType } from 'yup';
import { couplerSchema, couplerSizeSchema } from '@/core/catalogue';
import { ladderProblems, settleLadder } from '@/core/cut-back';
import { eachOnce, fail, intervalSchema, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { cableTypeSchema, solidConductorMm } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { gasketWords, rungsOf } from './end';
import { boresOf, gasketFor, type GasketFit } from './gasket';
import { mapFaults, swapsBetween, swapWords, type PhaseMap } from './phase-map';
import { pottingFor } from './potting';
import { judgeGap, mayTrimMm, radialMm, type GapAnswer } from './stem';
import { placeTubes, type TubePlaces } from './tubes';

const mapSchema = array()
  .of(
    object({ phase: string().max(20).required(), contact: string().max(12).required() })
      .noUnknown()
      .required(),
  )
  .max(12)
  .test('once', 'names a phase twice', (list) => eachOnce(list, 'phase'));

const positive = () => number().positive().max(5000).required();

export const couplerRequestSchema = object({
  sheet: couplerSchema.required(),
  size: couplerSizeSchema.required(),
  cableType: cableTypeSchema,
  jacketMm: intervalSchema(300),
  /** One phase over its insulation, mm. */
  coreMm: intervalSchema(200),
  unit: string()
    .oneOf(['mm', 'in'] as const)
    .required(),
  /** Gaps between stem and insulation as they were measured, mm. */
  gapsMm: array().of(number().min(0).max(200).required()).max(12).required(),
  /** What was said of each end, or nothing where nobody has. */
  ends: array()
    .of(
      object({ tag: string().min(1).max(60).required(), map: mapSchema.required() })
        .noUnknown()
        .required(),
    )
    .max(2)
    .test('once', 'names an end twice', (list) => eachOnce(list, 'tag'))
    .required(),
  potting: object({
    bodyMl: positive(),
    contentMl: number().min(0).max(5000).required(),
    airMl: number().min(0).max(5000).required(),
    packMl: positive(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .required();
export type CouplerRequest = InferType<typeof couplerRequestSchema>;

export interface CouplerPlan {
  readonly answer: 'holds' | 'fails' | 'ask';
  readonly entrance: GasketFit & { readonly words: string };
  readonly relief: GasketFit & { readonly words: string };
  /** Rungs and marks, mm; marks from the cable end. */
  readonly rungs: readonly {
    readonly id: string;
    readonly mm: number;
    readonly minMm: number;
    readonly maxMm: number;
  }[];
  readonly marks: readonly { readonly id: string; readonly atMm: number }[];
  readonly tubes: TubePlaces;
  readonly mayTrimMm: number;
  readonly gaps: readonly (GapAnswer & { readonly gapMm: number })[];
  /** Sentences: what is wrong with each map, and where the two differ. */
  readonly maps: readonly string[];
  /** Sentences: what nobody has said yet, without which nothing holds. */
  readonly asks: readonly string[];
  readonly potting: { readonly needMl: number; readonly packs: number; readonly leftMl: number } | null;
}

const asMap = (map: readonly { readonly phase: string; readonly contact: string }[]): PhaseMap =>
  Object.fromEntries(map.map((m) => [m.phase, m.contact]));

/** What the answer hangs on and nobody has said: gaps that are not measured, ends whose phases lie nobody knows where. */
function asksOf({ gapsMm, ends }: CouplerRequest, phases: number): string[] {
  const open = phases - gapsMm.length;
  const gaps = open > 0 ? [`measure the gap between stem and insulation of ${open} of ${phases} phases`] : [];
  const [here, there] = ends;
  if (here === undefined) return [...gaps, 'say on which contacts the phases lie, at both ends'];
  return there === undefined
    ? [...gaps, `say on which contacts the phases lie at the other end than ${here.tag}`]
    : gaps;
}

/**
 * A coupler's end by itself: gaskets, ladder, parts that meet, gaps, phase maps, potting. Refused where the cable lacks what the ladder goes by, parts
 * do not meet, or more gaps are given than the cable has phases.
 */
export function planCoupler(request: CouplerRequest): Result<CouplerPlan> {
  const { sheet, size, cableType, jacketMm, coreMm, unit, gapsMm, ends, potting } = request;
  const lacking: Problem[] = ladderProblems(sheet, cableType);
  if (lacking.length > 0) return fail(lacking);
  const ladder = settleLadder(sheet, cableType, unit);
  if (!ladder.ok) return ladder;
  const rungs = rungsOf(ladder.value.rungs);
  const tubes = placeTubes(sheet, rungs, size.stemDepthMm);
  if (!tubes.ok) return tubes;
  const trim = mayTrimMm(size, rungs.bare.min);
  if (!trim.ok) return trim;
  const filled = potting === undefined ? null : pottingFor(potting);
  if (filled !== null && !filled.ok) return filled;
  const phases = cableType.phaseColours ?? [];
  if (gapsMm.length > phases.length)
    return refuse('gapsMm', `are ${gapsMm.length}, and the cable has ${phases.length} phases`, gapsMm.length);
  const deep = radialMm(coreMm.max, solidConductorMm(cableType.coreSectionMm2));
  const gaps = gapsMm.map((gapMm) => ({ gapMm, ...judgeGap(sheet.gap, gapMm, deep) }));
  const contacts = sheet.contacts.filter((c) => c.use === 'phase').map((c) => c.id);
  const maps = ends.flatMap(({ tag, map }) =>
    mapFaults(asMap(map), phases, contacts).map((fault) => `${tag}: ${fault}`),
  );
  const [here, there] = ends;
  if (here !== undefined && there !== undefined) {
    const swaps = swapsBetween(asMap(here.map), asMap(there.map));
    if (swaps.length > 0) maps.push(swapWords(swaps, here.tag, there.tag));
  }
  const place = (which: 'entrance' | 'relief', name: string) => {
    const fit = gasketFor(size[which], jacketMm);
    const words =
      fit.verdict === 'fits'
        ? `bore ${trimNumber(fit.boreMm, 1)} mm, ${trimNumber(fit.marginMm, 2)} mm to spare; one of ${boresOf(size[which]).length}`
        : gasketWords(name, size[which], fit, jacketMm);
    return { ...fit, words };
  };
  const [entrance, relief] = [place('entrance', 'entrance'), place('relief', 'strain relief')];
  const verdicts = [entrance.verdict, relief.verdict];
  const asks = asksOf(request, phases.length);
  const wrong = verdicts.includes('none') || maps.length > 0 || gaps.some((g) => g.answer === 'cutAgain');
  return ok({
    answer: wrong ? 'fails' : verdicts.includes('between') || asks.length > 0 ? 'ask' : 'holds',
    entrance,
    relief,
    rungs: ladder.value.rungs,
    marks: ladder.value.marks,
    tubes: tubes.value,
    mayTrimMm: trim.value,
    gaps,
    maps,
    asks,
    potting: filled?.value ?? null,
  });
}
