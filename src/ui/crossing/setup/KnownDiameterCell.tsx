import Box from '@mui/material/Box';
import TableCell from '@mui/material/TableCell';
import type { CrossingMember, KnownDiameter } from '@/core/crossing';
import { trimNumber } from '@/core/units';

interface Props {
  /** Of a cable that passes through with a diameter of its own. */
  readonly own: CrossingMember['diameter'];
  /** By the schedule. */
  readonly known: KnownDiameter | null;
}

/** How large a cable is, and how that is known. */
export function KnownDiameterCell({ own, known }: Props) {
  const d = own ?? known?.interval;
  return (
    <TableCell>
      {d ? (
        `${trimNumber(d.min, 2)}–${trimNumber(d.max, 2)}`
      ) : (
        <Box component="em" sx={{ color: 'error.main', fontStyle: 'normal', fontWeight: 600 }}>
          not measured
        </Box>
      )}
      {!own && known?.nominal ? (
        <Box component="small" sx={{ color: 'warning.main' }}>
          {' '}
          datasheet
        </Box>
      ) : null}
    </TableCell>
  );
}
