import { markText } from '@/core/cut-back';
import { trimNumber, type LengthUnit } from '@/core/units';
import type { CouplerEndPlan, GasketChoice } from './end';
import type { TapeFill } from './stem';
import type { TubePlace } from './tubes';

/** Tape for a gap: “2 lanes of 3 mm tape, 11 turns each”. */
export const tapeWords = ({ lanes, widthMm, turns }: TapeFill): string =>
  `${lanes === 1 ? 'one lane' : `${lanes} lanes`} of ${trimNumber(widthMm, 1)} mm tape, ${turns} turns each`;

/** What belongs to a coupler's end besides its cuts, a label and a value each: gaskets, strap, tubes, stem, and tape by gap. Places from the cable end. */
export function couplerLines(coupler: CouplerEndPlan, unit: LengthUnit): (readonly [string, string])[] {
  const { entrance, relief, tubes, gap, stemDepthMm, leastInStemMm, mayTrimMm, tape, joint } = coupler;
  const at = (mm: number) => `${markText(mm, unit)} ${unit}`;
  const gasket = (g: GasketChoice) =>
    `${g.part}, bore ${trimNumber(g.boreMm, 1)} mm, ${trimNumber(g.marginMm, 2)} mm to spare`;
  const tube = (t: TubePlace) =>
    `${at(Math.max(0, t.fromMm))} to ${at(t.toMm)}, ${t.trimMm > 1e-9 ? `cut to ${at(t.cutToMm)}` : `${at(t.cutToMm)} as it comes`}`;
  return [
    ['Entrance gasket', gasket(entrance)],
    ['Gasket of the strain relief', gasket(relief)],
    ['Bond strap, before the screen is cut', `${at(tubes.strap.min)} to ${at(tubes.strap.max)}`],
    ['Stress tube', tube(tubes.stress)],
    ['Insulating tube', tube(tubes.insulating)],
    [
      joint === 'solder' ? 'Conductor in the stem, soldered' : 'Conductor in the stem, set screws',
      `${at(leastInStemMm)} at least of ${at(stemDepthMm)}; trimmed by ${at(mayTrimMm)} at most`,
    ],
    ['Gap at the stem', `up to ${at(gap.openMm)} open, up to ${at(gap.tapedMm)} with tape`],
    ...tape.map((t) => [`Tape up to ${at(t.upToMm)}`, tapeWords(t)] as const),
  ];
}
