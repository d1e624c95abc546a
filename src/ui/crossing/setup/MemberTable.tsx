import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { ReactNode } from 'react';
import type { CrossingMember, KnownDiameter } from '@/core/crossing';
import { DataTable } from '../../kit-of-parts/DataTable';
import { Remove } from '../../kit-of-parts/Remove';
import { KnownDiameterCell } from './KnownDiameterCell';

/** The cables of a crossing, one a line; `heads` are those of the cells that a kind adds. */
export const MemberTable = ({
  heads,
  children,
}: {
  readonly heads: readonly string[];
  readonly children: ReactNode;
}) => (
  <DataTable label="Cables">
    <TableHead>
      <TableRow>
        {['Cable', 'Diameter, mm', ...heads].map((head) => (
          <TableCell key={head} scope="col">
            {head}
          </TableCell>
        ))}
        <TableCell />
      </TableRow>
    </TableHead>
    <TableBody>{children}</TableBody>
  </DataTable>
);

interface LineProps {
  readonly member: CrossingMember;
  readonly known: KnownDiameter | null;
  readonly onRemove: () => void;
  /** The cells that a kind adds. */
  readonly children: ReactNode;
}

export const MemberLine = ({ member, known, onRemove, children }: LineProps) => (
  <TableRow sx={{ '& > *': { whiteSpace: 'nowrap', verticalAlign: 'baseline' } }}>
    <TableCell component="th" scope="row">
      {member.tag}
    </TableCell>
    <KnownDiameterCell own={member.diameter} known={known} />
    {children}
    <TableCell>
      <Remove label={`leave ${member.tag} out`} onClick={onRemove} />
    </TableCell>
  </TableRow>
);
