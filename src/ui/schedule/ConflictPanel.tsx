import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Acts } from '../kit-of-parts/Acts';
import { DataTable } from '../kit-of-parts/DataTable';
import { Panel } from '../kit-of-parts/Panel';
import { fieldWord } from './field-words';
import type { GridRow } from './grid-columns';
import type { RowConflict } from './schedule-types';

/** Two people at one row: what one wanted to write, and what the other has written. */
export interface Met {
  readonly row: GridRow;
  readonly fields: Readonly<Record<string, string>>;
  readonly conflict: RowConflict;
}

interface Props {
  readonly met: Met;
  readonly onTheirs: () => void;
  readonly onMine: () => void;
}

/** Shows both, and lets the one who came second decide. */
export const ConflictPanel = ({ met, onTheirs, onMine }: Props) => (
  <Panel label="Somebody else was faster" live stop>
    <div role="alert">
      <b>
        {met.conflict.by ?? 'Somebody else'} was faster on {met.row.tag}.
      </b>{' '}
      Nothing of yours is lost:
    </div>
    <DataTable>
      <TableHead>
        <TableRow>
          <TableCell />
          <TableCell>theirs</TableCell>
          <TableCell>yours</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {Object.entries(met.fields).map(([field, mine]) => (
          <TableRow key={field}>
            <TableCell component="th" scope="row">
              {fieldWord(field)}
            </TableCell>
            <TableCell>{met.conflict.values[field] || 'nothing'}</TableCell>
            <TableCell>{mine || 'nothing'}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
    <Acts>
      <Button variant="outlined" onClick={onTheirs}>
        Keep theirs
      </Button>
      <Button variant="outlined" onClick={onMine}>
        Write mine
      </Button>
    </Acts>
  </Panel>
);
