'use client';
import {
  DataGrid,
  GridCellEditStartReasons,
  type GridEventListener,
  type GridRowSelectionModel,
} from '@mui/x-data-grid';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useCallback, useMemo, useState } from 'react';
import type { JobView, ScheduleChoices } from '@/core/termination-view';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { useWhoElse } from '../shell/may';
import { pageNonce } from '../theme/page-nonce';
import { ColumnMenu } from './ColumnMenu';
import { ConflictPanel } from './ConflictPanel';
import { fillRows, isFillField } from './fill';
import { gridRow, type GridRow } from './grid-columns';
import { SetInRows } from './SetInRows';
import { scheduleColumns } from './schedule-columns';
import { useColumns } from './use-columns';
import { useGridEdits } from './use-grid-edits';
import { PAGE_SIZES, type useGridPlace } from './use-grid-place';
import { useScheduleRows } from './use-schedule-rows';

interface Props {
  readonly job: JobView;
  readonly choices: ScheduleChoices;
  readonly at: ReturnType<typeof useGridPlace>;
}

// Kept outside, so that the grid does not take them for something new at every stroke.
const SORTING_ORDER: readonly ('asc' | 'desc')[] = ['asc', 'desc'];
const NONE: GridRowSelectionModel = { type: 'include', ids: new Set() };
const LOOK = {
  border: '2px solid var(--ac-rule)',
  background: 'var(--ac-surface)',
  '& .MuiDataGrid-columnHeaderTitle': { fontWeight: 650 },
  '--DataGrid-rowBorderColor': 'var(--ac-rule)',
  '--DataGrid-t-header-background-base': 'var(--ac-sunken)',
  // Paler than the frames of what can be pressed in it.
  '& .MuiDataGrid-row.Mui-selected, & .MuiDataGrid-row.Mui-selected:hover': {
    background: 'var(--ac-sunken)',
  },
};

/** Pasting into a cell that has the focus does not begin to write in it: a block is laid over the grid instead. */
const leavePaste: GridEventListener<'cellEditStart'> = ({ reason }, event) => {
  if (reason === GridCellEditStartReasons.pasteKeyDown) event.defaultMuiPrevented = true;
};

/** The cables with their two ends. Filtered, sorted and paged by the server; edited in place and saved at once. */
export default function ScheduleGrid({ job, choices, at }: Props) {
  const { setPaging, setSort } = at;
  const { filter, paging, sort } = at.place;
  const { page, away, reload } = useScheduleRows(job.slug, at.place);
  const rows = useMemo(() => (page?.rows ?? []).map((r) => gridRow(r, job.unit)), [page, job.unit]);
  const edits = useGridEdits(job, rows);
  const { met, problems, save, paste, retire, keepTheirs, writeMine, writeMany } = edits;
  const [ticked, setTicked] = useState<GridRowSelectionModel>(NONE);
  // What is ticked on a page that is not shown any more is not meant.
  const meant = useMemo(() => rows.filter((r) => ticked.ids.has(r.id)), [rows, ticked]);
  const { shown, toggle } = useColumns();
  const mayChange = useWhoElse('editCables') === undefined;
  const fill = useCallback<GridEventListener<'cellKeyDown'>>(
    ({ id, field }, event) => {
      if (!mayChange || event.key.toLowerCase() !== 'd' || !(event.ctrlKey || event.metaKey)) return;
      if (!isFillField(field)) return;
      event.preventDefault();
      event.defaultMuiPrevented = true;
      const index = rows.findIndex((r) => r.id === id);
      // From this cell into the rows that are ticked; with none ticked, from the cell above into this one.
      const [from, into] =
        meant.length > 0 ? [rows[index], meant] : [rows[index - 1], rows.slice(index, index + 1)];
      if (from) void writeMany(fillRows(into, field, from[field]));
    },
    [mayChange, rows, meant, writeMany],
  );
  const columns = useMemo(
    () => scheduleColumns(job, choices.types, mayChange, retire),
    [job, choices.types, mayChange, retire],
  );
  const none = mayChange ? 'No cables yet: add one above, or import a schedule.' : 'No cables yet.';
  const nothing = filter === '' ? none : 'Nothing matches this filter.';
  const localeText = useMemo(() => ({ noRowsLabel: nothing }), [nothing]);
  // The grid is heavy: it renders when its rows come, not at the stroke that asks for them.
  const total = page?.total ?? 0;
  const loading = page === null;
  const grid = useMemo(
    () => (
      <DataGrid<GridRow>
        nonce={pageNonce()}
        rows={rows}
        columns={columns}
        loading={loading}
        rowCount={total}
        density="compact"
        paginationMode="server"
        sortingMode="server"
        filterMode="server"
        paginationModel={paging}
        onPaginationModelChange={setPaging}
        sortModel={sort}
        onSortModelChange={setSort}
        sortingOrder={SORTING_ORDER}
        pageSizeOptions={PAGE_SIZES}
        disableColumnFilter
        disableColumnMenu
        checkboxSelection={mayChange}
        disableRowSelectionOnClick
        disableRowSelectionExcludeModel
        hideFooterSelectedRowCount
        rowSelectionModel={ticked}
        onRowSelectionModelChange={setTicked}
        columnVisibilityModel={shown}
        onCellKeyDown={fill}
        onCellEditStart={leavePaste}
        processRowUpdate={save}
        onProcessRowUpdateError={reload}
        localeText={localeText}
        sx={LOOK}
      />
    ),
    [
      rows,
      columns,
      loading,
      mayChange,
      total,
      paging,
      setPaging,
      sort,
      setSort,
      ticked,
      shown,
      fill,
      save,
      reload,
      localeText,
    ],
  );
  return (
    <Stack
      sx={{ flex: 1, minHeight: 260 }}
      onPasteCapture={mayChange ? (event) => void paste(event) : undefined}
    >
      <Problems problems={problems} />
      {away ? <Caution>The schedule cannot be fetched just now. It is tried again by itself.</Caution> : null}
      {met ? <ConflictPanel met={met} onTheirs={keepTheirs} onMine={() => writeMine(met)} /> : null}
      <Stack direction="row" sx={{ flexWrap: 'wrap', alignItems: 'center' }}>
        {meant.length > 0 ? (
          <SetInRows
            count={meant.length}
            types={choices.types}
            busy={edits.busy}
            onSet={(field, value) => void writeMany(fillRows(meant, field, value))}
            onClear={() => setTicked(NONE)}
          />
        ) : null}
        <Box sx={{ ml: 'auto' }}>
          <ColumnMenu columns={columns} shown={shown} onToggle={toggle} />
        </Box>
      </Stack>
      {grid}
    </Stack>
  );
}
