'use client';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { compareEnds } from '@/core/cut-back';
import type { TerminationView } from '@/core/termination-view';
import { Both } from '../common/Both';
import { lengthTexts } from '../common/unit';
import { Caution } from '../kit-of-parts/Caution';
import { DataTable } from '../kit-of-parts/DataTable';

interface Props {
  readonly a: TerminationView;
  readonly b: TerminationView;
}

/** Names and ways of the cores as both ends have them, and where they do not agree. */
export function Cores({ a, b }: Props) {
  const { cores, disagree } = compareEnds(a.terminals, b.terminals, a.cableType.cores);
  if (cores.length === 0)
    return (
      <Typography color="text.secondary">
        No end lists its terminals: every core goes as far as the farthest one. They are listed at Cut.
      </Typography>
    );
  const way = (mm: number | null, listed: number) =>
    mm === null ? listed === 0 ? 'as far as the farthest' : 'not listed' : <Both texts={lengthTexts(mm)} />;
  return (
    <>
      {disagree.length > 0 ? (
        <Caution>
          The ends do not name the same cores: {disagree.join(', ')}{' '}
          {disagree.length === 1 ? 'stands' : 'stand'} at one of them only.
        </Caution>
      ) : null}
      <DataTable label="Cores at both ends" sx={{ maxWidth: 560 }}>
        <TableHead>
          <TableRow>
            <TableCell>Core</TableCell>
            <TableCell>End A, to its terminal</TableCell>
            <TableCell>End B, to its terminal</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {cores.map(({ core, aMm, bMm }) => (
            <TableRow key={core}>
              <TableCell>
                <b>{core}</b>
              </TableCell>
              <TableCell>{way(aMm, a.terminals.length)}</TableCell>
              <TableCell>{way(bMm, b.terminals.length)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
    </>
  );
}
