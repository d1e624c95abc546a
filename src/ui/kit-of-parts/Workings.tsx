import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { DataTable } from './DataTable';
import { Folded } from './Folded';

interface Props {
  readonly title: string;
  readonly lines: readonly (readonly [label: string, value: string])[];
}

/** How a figure came about, line by line, for the reader who checks. */
export const Workings = ({ title, lines }: Props) => (
  <Folded title={title}>
    <DataTable>
      <TableBody>
        {lines.map(([label, value]) => (
          <TableRow key={label}>
            <TableCell>{label}</TableCell>
            <TableCell align="right">{value}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  </Folded>
);
