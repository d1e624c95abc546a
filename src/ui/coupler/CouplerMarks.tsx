import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { CouplerEndPlan, GasketChoice, TubePlace } from '@/core/coupler';
import { markText } from '@/core/cut-back';
import { trimNumber, type LengthUnit } from '@/core/units';
import { DataTable } from '../kit-of-parts/DataTable';

interface Props {
  readonly coupler: CouplerEndPlan;
  readonly unit: LengthUnit;
  /** Compound goes into its body. */
  readonly potted: boolean;
}

/** What belongs to a coupler's end besides its cuts: gaskets, strap, tubes, stem, and tape by gap. Places from the cable end. */
export function CouplerMarks({ coupler, unit, potted }: Props) {
  const { entrance, relief, tubes, gap, stemDepthMm, leastInStemMm, mayTrimMm, tape, joint } = coupler;
  const at = (mm: number) => `${markText(mm, unit)} ${unit}`;
  const gasket = (g: GasketChoice) =>
    `${g.part}, bore ${trimNumber(g.boreMm, 1)} mm, ${trimNumber(g.marginMm, 2)} mm to spare`;
  const tube = (t: TubePlace) =>
    `${at(Math.max(0, t.fromMm))} to ${at(t.toMm)}, ${t.trimMm > 1e-9 ? `cut to ${at(t.cutToMm)}` : `${at(t.cutToMm)} as it comes`}`;
  const lines: readonly (readonly [string, string])[] = [
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
    ...tape.map(
      (t) =>
        [
          `Tape up to ${at(t.upToMm)}`,
          `${t.lanes === 1 ? 'one lane' : `${t.lanes} lanes`} of ${trimNumber(t.widthMm, 1)} mm, ${t.turns} turns each`,
        ] as const,
    ),
  ];
  return (
    <>
      <Typography variant="quiet" component="p" color="text.secondary" sx={{ mt: 1.5 }}>
        By this sheet: {joint === 'solder' ? 'soldered stems' : 'set screws'},{' '}
        {coupler.edgeWrap ? 'a semiconducting wrap over the screen’s edge' : 'no wrap over the screen’s edge'}
        {potted ? ', potted' : ', not potted'}. Good practice differs here: sizes of the other kind stand
        beside it at Choose where the catalogue has them.
      </Typography>
      <DataTable label="Besides the cuts">
        <TableBody>
          {lines.map(([label, value]) => (
            <TableRow key={label}>
              <TableCell>{label}</TableCell>
              <TableCell align="right">{value}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
    </>
  );
}
