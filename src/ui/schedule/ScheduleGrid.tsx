'use client';
import {
  DataGrid,
  GridCellEditStartReasons,
  type GridEventListener,
  type GridPaginationModel,
  type GridSortModel,
} from '@mui/x-data-grid';
import Stack from '@mui/material/Stack';
import { useEffect, useMemo, useState } from 'react';
import type { JobView, ScheduleChoices } from '@/core/termination-view';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { pageNonce } from '../theme/page-nonce';
import { ConflictPanel } from './ConflictPanel';
import { gridRow, type GridRow } from './grid-columns';
import { scheduleColumns } from './schedule-columns';
import { useGridEdits } from './use-grid-edits';
import { useScheduleRows } from './use-schedule-rows';

interface Props {
  readonly job: JobView;
  readonly choices: ScheduleChoices;
  readonly filter: string;
  /** Raised whenever somebody outside the grid has changed the schedule. */
  readonly generation: number;
}

// Kept outside, so that the grid does not take them for something new at every stroke.
const SORTING_ORDER: readonly ('asc' | 'desc')[] = ['asc', 'desc'];
const PAGE_SIZES = [25, 50, 100];
const LOOK = {
  border: '2px solid var(--ac-rule)',
  background: 'var(--ac-surface)',
  '& .MuiDataGrid-columnHeaderTitle': { fontWeight: 650 },
  '--DataGrid-rowBorderColor': 'var(--ac-rule)',
  '--DataGrid-t-header-background-base': 'var(--ac-sunken)',
};

/** Pasting into a cell that has the focus does not begin to write in it: a block is laid over the grid instead. */
const leavePaste: GridEventListener<'cellEditStart'> = ({ reason }, event) => {
  if (reason === GridCellEditStartReasons.pasteKeyDown) event.defaultMuiPrevented = true;
};

/** The cables with their two ends. Filtered, sorted and paged by the server; edited in place and saved at once. */
export default function ScheduleGrid({ job, choices, filter, generation }: Props) {
  const [paging, setPaging] = useState<GridPaginationModel>({ page: 0, pageSize: 25 });
  const [sort, setSort] = useState<GridSortModel>([{ field: 'tag', sort: 'asc' }]);
  const { page, away, reload } = useScheduleRows({ job: job.slug, filter, paging, sort });
  useEffect(() => {
    if (generation > 0) reload();
  }, [generation, reload]);
  const rows = useMemo(() => (page?.rows ?? []).map((r) => gridRow(r, job.unit)), [page, job.unit]);
  const { met, problems, save, paste, retire, keepTheirs, writeMine } = useGridEdits(job, rows, reload);
  const columns = useMemo(() => scheduleColumns(job, choices.types, retire), [job, choices.types, retire]);
  const nothing =
    filter === '' ? 'No cables yet: add one above, or import a schedule.' : 'Nothing matches this filter.';
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
        disableRowSelectionOnClick
        onCellEditStart={leavePaste}
        processRowUpdate={save}
        onProcessRowUpdateError={reload}
        localeText={localeText}
        sx={LOOK}
      />
    ),
    [rows, columns, loading, total, paging, sort, save, reload, localeText],
  );
  return (
    <Stack sx={{ flex: 1, minHeight: 260 }} onPasteCapture={(event) => void paste(event)}>
      <Problems problems={problems} />
      {away ? <Caution>The schedule cannot be fetched just now. It is tried again by itself.</Caution> : null}
      {met ? <ConflictPanel met={met} onTheirs={keepTheirs} onMine={() => writeMine(met)} /> : null}
      {grid}
    </Stack>
  );
}
