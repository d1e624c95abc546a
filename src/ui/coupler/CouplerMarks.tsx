import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { couplerLines, type CouplerEndPlan } from '@/core/coupler';
import type { LengthUnit } from '@/core/units';
import { DataTable } from '../kit-of-parts/DataTable';

interface Props {
  readonly coupler: CouplerEndPlan;
  readonly unit: LengthUnit;
  /** Compound goes into its body. */
  readonly potted: boolean;
}

/** What belongs to a coupler's end besides its cuts, and by which school its sheet goes. */
export const CouplerMarks = ({ coupler, unit, potted }: Props) => (
  <>
    <Typography variant="quiet" component="p" color="text.secondary" sx={{ mt: 1.5 }}>
      By this sheet: {coupler.joint === 'solder' ? 'soldered stems' : 'set screws'},{' '}
      {coupler.edgeWrap ? 'a semiconducting wrap over the screen’s edge' : 'no wrap over the screen’s edge'},{' '}
      {potted ? 'potted' : 'not potted'}. Good practice differs here: sizes of the other kind stand beside it
      at Choose where the catalogue has them.
    </Typography>
    <DataTable label="Besides the cuts">
      <TableBody>
        {couplerLines(coupler, unit).map(([label, value]) => (
          <TableRow key={label}>
            <TableCell>{label}</TableCell>
            <TableCell align="right">{value}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  </>
);
