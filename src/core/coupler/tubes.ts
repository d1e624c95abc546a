import type { CouplerSheet } from '@/core/catalogue';
import { fail, ok, type IntervalMm, type Problem, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';

/** A rung as it is marked, with what it may come to, mm. */
export interface Rung extends IntervalMm {
  readonly mm: number;
}

/** Rungs of a phase, from the conductor's end to the jacket. */
export type PhaseRungs = Readonly<Record<'bare' | 'insulation' | 'semiconducting' | 'screened', Rung>>;

/** A tube in its place, mm from the conductor's end: where it begins towards the stem and ends towards the jacket, and its length when it is cut. */
export interface TubePlace {
  readonly fromMm: number;
  readonly toMm: number;
  readonly cutToMm: number;
  readonly trimMm: number;
}

export interface TubePlaces {
  /** The strap lies from here to here, mm from the conductor's end. */
  readonly strap: IntervalMm;
  readonly stress: TubePlace;
  readonly insulating: TubePlace;
}

type Sheet = Pick<CouplerSheet, 'strap' | 'stressTube' | 'insulatingTube'>;

/**
 * Where strap and tubes lie, and that they reach: the stress tube from behind the strap over the screen's edge and the semiconducting layer on to
 * the insulation, the insulating tube from the stem to beyond the strap. Needs are taken at their longest, room at its shortest; a tube too short is
 * refused with what is missing, one too long is trimmed. Places go by the marks: strap and tubes are laid from the screen's edge as it was cut. Lengths in
 * mm from the conductor's end; `stemDepthMm` is how deep the stem is.
 */
export function placeTubes(sheet: Sheet, rungs: PhaseRungs, stemDepthMm: number): Result<TubePlaces> {
  const { strap, stressTube, insulatingTube } = sheet;
  const { bare, insulation, semiconducting, screened } = rungs;
  const problems: Problem[] = [];
  const miss = (path: string, message: string) => problems.push({ path, message });
  const behind = strap.behindEdgeMm + strap.widthMm;
  const most = Math.max(stressTube.behindStrapMm, insulatingTube.behindStrapMm);
  const short = behind + most - screened.min;
  if (short > 1e-9)
    miss(
      'coupler.ladder.screenedMm',
      `strap and tubes ask for ${mm(behind + most)} of screened core, and ${mm(screened.min)} may be all there is: ${mm(short)} short`,
    );
  const stressNeeds = stressTube.behindStrapMm + behind + semiconducting.max + stressTube.onInsulationMm;
  if (stressTube.lengthMm < stressNeeds - 1e-9)
    miss(
      'coupler.stressTube.lengthMm',
      `the stress tube is ${mm(stressTube.lengthMm)} long, and from behind the strap on to the insulation it takes ${mm(stressNeeds)}: ${mm(stressNeeds - stressTube.lengthMm)} short`,
    );
  if (stressTube.onInsulationMm > insulation.min + 1e-9)
    miss(
      'coupler.ladder.insulationMm',
      `the stress tube covers ${mm(stressTube.onInsulationMm)} of insulation, and ${mm(insulation.min)} may be all there is`,
    );
  const gapMost = Math.max(0, bare.max - stemDepthMm);
  const tubeNeeds =
    insulatingTube.onStemMm +
    gapMost +
    insulation.max +
    semiconducting.max +
    behind +
    insulatingTube.behindStrapMm;
  if (insulatingTube.lengthMm < tubeNeeds - 1e-9)
    miss(
      'coupler.insulatingTube.lengthMm',
      `the insulating tube is ${mm(insulatingTube.lengthMm)} long, and from the stem to beyond the strap it takes ${mm(tubeNeeds)}: ${mm(tubeNeeds - insulatingTube.lengthMm)} short`,
    );
  if (problems.length > 0) return fail(problems);
  const at = bare.mm + insulation.mm + semiconducting.mm;
  const strapAt = { min: at + strap.behindEdgeMm, max: at + behind };
  // The stress tube ends where it is behind the strap enough, and is cut off where it would run past the insulation.
  const stressTo = strapAt.max + stressTube.behindStrapMm;
  const stressRoom = stressTube.behindStrapMm + behind + semiconducting.min + insulation.min;
  const stressLong = Math.min(stressTube.lengthMm, stressRoom);
  const jacketAt = at + screened.min;
  const tubeFrom = Math.min(stemDepthMm, bare.mm) - insulatingTube.onStemMm;
  const tubeLong = Math.min(insulatingTube.lengthMm, jacketAt - tubeFrom);
  return ok({
    strap: strapAt,
    stress: place(stressTo - stressLong, stressLong, stressTube.lengthMm),
    insulating: place(tubeFrom, tubeLong, insulatingTube.lengthMm),
  });
}

const place = (fromMm: number, cutToMm: number, lengthMm: number): TubePlace => ({
  fromMm,
  toMm: fromMm + cutToMm,
  cutToMm,
  trimMm: lengthMm - cutToMm,
});

const mm = (value: number): string => `${trimNumber(value, 1)} mm`;
