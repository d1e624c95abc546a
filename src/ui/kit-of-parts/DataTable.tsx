import Table from '@mui/material/Table';
import TableContainer from '@mui/material/TableContainer';
import type { SxProps } from '@mui/material/styles';
import type { ReactNode } from 'react';

interface Props {
  readonly label?: string;
  readonly labelledBy?: string;
  readonly className?: string | undefined;
  readonly sx?: SxProps;
  readonly children: ReactNode;
}

/** A table that scrolls sideways by itself where the page is narrower than it, so that the page does not. */
export function DataTable({ label, labelledBy, className, sx, children }: Props) {
  return (
    <TableContainer>
      <Table size="small" className={className} sx={sx ?? {}} aria-label={label} aria-labelledby={labelledBy}>
        {children}
      </Table>
    </TableContainer>
  );
}
