import Box from '@mui/material/Box';
import { cablePath } from '../cables/cable-path';
import MuiLink from '@mui/material/Link';
import type { GridColDef } from '@mui/x-data-grid';
import { Link } from '../kit-of-parts/Link';
import type { JobView, ScheduleChoices } from '@/core/termination-view';
import { Hint } from '../kit-of-parts/Hint';
import { stationPath } from '../rack/summaries';
import type { GridRow } from './grid-columns';

const number = { align: 'right', headerAlign: 'right' } as const;
/** What is not typed into the grid, but leads somewhere or does something. */
const ACTS = new Set(['open', 'retire']);

/** The columns of the grid: to be written in for who may change cables; who may not only reads them. Codes stand in it, what they stand for under the pointer and where they are chosen. */
export function scheduleColumns(
  job: JobView,
  types: ScheduleChoices['types'],
  mayChange: boolean,
  onRetire: (row: GridRow) => void,
): GridColDef<GridRow>[] {
  return columns(job, types, onRetire)
    .filter(({ field }) => mayChange || field !== 'retire')
    .map((column) => ({ ...column, editable: mayChange && !ACTS.has(column.field) }));
}

const columns = (
  job: JobView,
  types: ScheduleChoices['types'],
  onRetire: (row: GridRow) => void,
): GridColDef<GridRow>[] => [
  {
    field: 'tag',
    headerName: 'Cable',
    hideable: false,
    width: 104,
    renderCell: ({ value }: { value?: string }) => <b>{value}</b>,
  },
  {
    field: 'type',
    headerName: 'Type',
    width: 104,
    type: 'singleSelect',
    valueOptions: types.map(({ code, title }) => ({ value: code, label: `${code}, ${title}` })),
    renderCell: ({ value }: { value?: string }) => (
      <Hint text={types.find((t) => t.code === value)?.title ?? ''}>
        <span>{value}</span>
      </Hint>
    ),
  },
  { field: 'route', headerName: 'Route, m', width: 88, ...number },
  { field: 'aPlace', headerName: 'End A: box/entry', width: 140 },
  { field: 'aTail', headerName: `Tail A, ${job.unit}`, width: 112, sortable: false, ...number },
  { field: 'bPlace', headerName: 'End B: box/entry', width: 140 },
  { field: 'bTail', headerName: `Tail B, ${job.unit}`, width: 112, sortable: false, ...number },
  { field: 'note', headerName: 'Note', flex: 1, minWidth: 110 },
  {
    field: 'open',
    headerName: 'Open',
    width: 148,
    sortable: false,
    renderCell: ({ row }) => (
      <Box sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75, height: '100%' }}>
        {(['A', 'B'] as const).map((end) => (
          <Box
            key={end}
            component={Link}
            href={stationPath(job.slug, row.tag, end, 'measure')}
            aria-label={`Open ${row.tag}/${end}`}
            sx={END}
          >
            {end}
          </Box>
        ))}
        <Box
          component={Link}
          href={cablePath(job.slug, row.tag)}
          aria-label={`Open ${row.tag}, both ends`}
          sx={{ ...END, width: 46 }}
        >
          both
        </Box>
      </Box>
    ),
  },
  {
    field: 'retire',
    headerName: 'Take out',
    width: 96,
    sortable: false,
    renderCell: ({ row }) => (
      <MuiLink
        component="button"
        type="button"
        onClick={() => onRetire(row)}
        aria-label={`Take out ${row.tag}`}
        sx={{ color: 'text.secondary', fontWeight: 400, '&:hover': { color: 'error.main' } }}
      >
        take out
      </MuiLink>
    ),
  },
];

const END = {
  display: 'inline-grid',
  placeItems: 'center',
  width: 28,
  height: 26,
  lineHeight: 1,
  fontWeight: 650,
  color: 'inherit',
  textDecoration: 'none',
  border: '2px solid',
  borderColor: 'divider',
  borderRadius: 1,
  '&:hover': { borderColor: 'secondary.main' },
} as const;
