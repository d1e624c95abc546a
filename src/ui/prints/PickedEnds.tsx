import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { decodeArcs } from '@/core/procedure';
import type { SummaryView } from '@/core/termination-view';
import { Collar } from '../collar/Collar';
import { Tick } from '../kit-of-parts/Tick';

export const tagOf = (row: SummaryView): string => `${row.cable}/${row.end}`;

interface Props {
  readonly rows: readonly SummaryView[];
  readonly isPicked: (tag: string) => boolean;
  readonly onPut: (tag: string, on: boolean) => void;
}

/** Ends, each to be taken or not: for a print, or along. */
export const PickedEnds = ({ rows, isPicked, onPut }: Props) => (
  <Box
    component="ul"
    aria-label="Ends"
    sx={{
      listStyle: 'none',
      display: 'grid',
      gridTemplateColumns: 'repeat(auto-fill, minmax(min(330px, 100%), 1fr))',
      columnGap: 3.5,
      m: '0 0 18px',
      p: 0,
      borderTop: '2px solid',
      borderColor: 'text.primary',
    }}
  >
    {rows.map((row) => {
      const tag = tagOf(row);
      return (
        <Box
          component="li"
          key={tag}
          sx={{ minHeight: 44, borderBottom: '1px solid', borderColor: 'divider' }}
        >
          <Tick
            checked={isPicked(tag)}
            onChange={(on) => onPut(tag, on)}
            label={
              <Box component="span" sx={{ display: 'flex', alignItems: 'center', gap: 1.25 }}>
                <Collar arcs={decodeArcs(row.arcs)} size={26} />
                <b>{tag}</b>
                <Typography component="span" variant="quiet">
                  {row.size ?? 'no gland yet'} · {row.enclosure ?? 'no entry'}
                </Typography>
              </Box>
            }
          />
        </Box>
      );
    })}
  </Box>
);
