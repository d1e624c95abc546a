'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { gapWords, leftToRight, openingName, peelWords } from '@/core/frame-building';
import type { FramePlan, PlaceRef, PlannedRow } from '@/core/frame-packing';
import { trimNumber } from '@/core/units';

interface Props {
  readonly plan: FramePlan;
  readonly only: number | null;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
  readonly onPick: (ref: PlaceRef) => void;
}

/** Rows in building order, each place with its module, cable and peel. Pointing at a line lights the place, and the other way round. */
export function PlaceTable({ plan, only, ...row }: Props) {
  return (
    <Box sx={{ mt: 1.5 }}>
      {plan.frames.map((frame, f) =>
        only !== null && only !== f
          ? null
          : frame.openings.map((opening, o) => (
              <section key={openingName(f, o)} aria-label={`Opening ${openingName(f, o)}`}>
                <Typography variant="h3" sx={{ mt: 1.75, mb: 0.5 }}>
                  {openingName(f, o)} {frame.frame}{' '}
                  <Typography component="small" variant="quiet">
                    press unit {opening.press}, room {trimNumber(opening.closure, 2)} mm
                    {opening.fillers.length > 0 ? `, fillers ${opening.fillers.join(', ')} mm` : ''}
                  </Typography>
                </Typography>
                {opening.rows.map((planned, r) => (
                  <Row key={r} {...row} row={planned} at={{ frame: f, opening: o, row: r }} />
                ))}
              </section>
            )),
      )}
    </Box>
  );
}

interface RowProps extends Pick<Props, 'lit' | 'onLight' | 'onPick'> {
  readonly row: PlannedRow;
  readonly at: Omit<PlaceRef, 'place'>;
}

function Row({ row, at, lit, onLight, onPick }: RowProps) {
  const spares = new Map<string, number>();
  for (const p of row.places)
    if (p.cable === undefined) spares.set(p.module, (spares.get(p.module) ?? 0) + 1);
  return (
    <DataTable sx={ROW_TABLE}>
      <caption>
        Row {at.row + 1}, {trimNumber(row.height, 2)} mm
        {spares.size > 0 ? `; spare ${[...spares].map(([id, n]) => `${n} × ${id}`).join(', ')}` : ''}
      </caption>
      <TableBody>
        {leftToRight(row.places)
          .filter((p) => p.cable !== undefined)
          .map((p) => (
            <TableRow
              key={p.cable}
              data-lit={lit === p.cable ? 'yes' : undefined}
              onPointerEnter={() => onLight(p.cable ?? null)}
              onPointerLeave={() => onLight(null)}
              onClick={() => onPick({ ...at, place: row.places.indexOf(p) })}
            >
              <TableCell component="th" scope="row">
                {p.cable}
              </TableCell>
              <TableCell>{p.module}</TableCell>
              <TableCell>{peelWords(p)}</TableCell>
              <TableCell>{p.gap ? gapWords(p) : '–'}</TableCell>
              <TableCell>{p.noPeel ? 'measure first' : p.remeasure ? 'measure again' : ''}</TableCell>
            </TableRow>
          ))}
      </TableBody>
    </DataTable>
  );
}

/** Columns of all rows stand below one another, whatever is in them. */
const ROW_TABLE = {
  width: '100%',
  mb: 1,
  tableLayout: 'fixed',
  '& caption': { fontWeight: 600, borderBottom: '2px solid', borderColor: 'text.primary' },
  '& tr': { cursor: 'pointer', '&[data-lit="yes"]': { bgcolor: 'var(--ac-amber-wash)' } },
  '& th': { width: '21%', overflow: 'hidden', textOverflow: 'ellipsis' },
  '& td': { pr: 1 },
  '& td:nth-of-type(1), & td:nth-of-type(2)': { width: '14%' },
  '& td:nth-of-type(3)': { width: '29%', whiteSpace: 'nowrap' },
  '& td:last-child': { color: 'error.main' },
} as const;
