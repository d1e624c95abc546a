import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { DataTable } from '../kit-of-parts/DataTable';

interface Difference {
  readonly what: string;
  /** Null where it was not there before. */
  readonly before: string | null;
  /** Null where it is gone. */
  readonly after: string | null;
}

/** What was, struck through, and what would be. */
export const Differences = ({ differences }: { readonly differences: readonly Difference[] }) => (
  <DataTable sx={{ mb: 1.25 }}>
    <TableBody>
      {differences.map(({ what, before, after }) => (
        <TableRow key={what}>
          <TableCell component="th" scope="row">
            {what}
          </TableCell>
          <TableCell>
            <s>{before ?? 'not there'}</s> → <b>{after ?? 'gone'}</b>
          </TableCell>
        </TableRow>
      ))}
    </TableBody>
  </DataTable>
);
