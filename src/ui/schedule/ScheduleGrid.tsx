'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  DataGrid,
  GridCellEditStartReasons,
  type GridColDef,
  type GridEventListener,
  type GridPaginationModel,
  type GridSortModel,
} from '@mui/x-data-grid';
import { useCallback, useEffect, useMemo, useRef, useState, type ClipboardEvent } from 'react';
import Link from 'next/link';
import { refuse, type Problem } from '@/core/kernel';
import type { JobView } from '@/core/termination-view';
import { pageNonce } from '../theme/page-nonce';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import type { ScheduleChoices, ScheduleRowView } from '@/core/termination-view';
import { useEditRow } from './use-edit-row';
import { useRun } from '../termination/use-run';
import { changedFields, gridRow, SORT_OF, type GridRow } from './grid-columns';
import { layBlock } from './paste-block';
import type { RowConflict } from './schedule-types';
import styles from './Schedule.module.css';
import { useSend } from '../data/use-send';

interface Props {
  readonly job: JobView;
  readonly choices: ScheduleChoices;
  readonly filter: string;
  /** Raised whenever somebody outside the grid has changed the schedule. */
  readonly generation: number;
}

interface Page {
  readonly rows: readonly ScheduleRowView[];
  readonly total: number;
}

interface Met {
  readonly row: GridRow;
  readonly fields: Readonly<Record<string, string>>;
  readonly conflict: RowConflict;
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

/** The cell of the grid that an event came from; null from anywhere else. */
function cellAt(target: EventTarget): { id: number; field: string } | null {
  const cell = target instanceof Element ? target.closest<HTMLElement>('[role="gridcell"]') : null;
  const row = cell?.closest<HTMLElement>('[data-id]');
  const field = cell?.dataset.field;
  return row?.dataset.id !== undefined && field !== undefined ? { id: Number(row.dataset.id), field } : null;
}

/** The cables with their two ends. Filtered, sorted and paged by the server; edited in place and saved at once. */
export default function ScheduleGrid({ job, choices, filter, generation }: Props) {
  const [paging, setPaging] = useState<GridPaginationModel>({ page: 0, pageSize: 25 });
  const [sort, setSort] = useState<GridSortModel>([{ field: 'tag', sort: 'asc' }]);
  const [page, setPage] = useState<Page | null>(null);
  const [away, setAway] = useState(false);
  const [again, setAgain] = useState(0);
  const [met, setMet] = useState<Met | null>(null);
  const send = useSend();
  const editRow = useEditRow(job);
  const { run, problems } = useRun();
  const [pasted, setPasted] = useState<readonly Problem[]>([]);
  const asked = useRef(0);

  const reload = useCallback(() => setAgain((n) => n + 1), []);
  useEffect(() => {
    const mine = (asked.current += 1);
    const by = sort[0];
    const query = new URLSearchParams({
      filter,
      sort: SORT_OF[by?.field ?? 'tag'] ?? 'tag',
      order: by?.sort ?? 'asc',
      offset: String(paging.page * paging.pageSize),
      limit: String(paging.pageSize),
    });
    let retry: ReturnType<typeof setTimeout> | undefined;
    fetch(`/api/job/${encodeURIComponent(job.slug)}/schedule?${query.toString()}`, { cache: 'no-store' })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(String(answer.status));
        const next = (await answer.json()) as Page;
        if (mine === asked.current) {
          setPage(next);
          setAway(false);
        }
      })
      .catch(() => {
        if (mine !== asked.current) return;
        setAway(true);
        retry = setTimeout(reload, 3000);
      });
    return () => clearTimeout(retry);
  }, [filter, paging, sort, job.slug, again, generation, reload]);

  const rows = useMemo(() => (page?.rows ?? []).map((r) => gridRow(r, job.unit)), [page, job.unit]);

  const nothing =
    filter === '' ? 'No cables yet: add one above, or import a schedule.' : 'Nothing matches this filter.';
  const localeText = useMemo(() => ({ noRowsLabel: nothing }), [nothing]);

  const save = useCallback(
    async (fresh: GridRow, old: GridRow): Promise<GridRow> => {
      const fields = changedFields(old, fresh);
      if (Object.keys(fields).length === 0) return old;
      const result = await run(() => editRow(old.id, old.versions, fields));
      if (result.ok && 'conflict' in result.value)
        setMet({ row: old, fields, conflict: result.value.conflict });
      reload();
      return result.ok && !('conflict' in result.value) ? fresh : old;
    },
    [editRow, reload, run],
  );

  const paste = async (event: ClipboardEvent<HTMLElement>) => {
    const at = cellAt(event.target);
    const text = event.clipboardData.getData('text/plain');
    const typing = event.target instanceof HTMLInputElement;
    // A single value into a cell that is being written is the browser's own business.
    if (at === null || (typing && !/[\t\n]/.test(text.trim()))) return;
    event.preventDefault();
    event.stopPropagation();
    const laid = layBlock(rows, at, text);
    setPasted(laid.ok ? [] : laid.problems);
    if (!laid.ok) return;
    let written = 0;
    for (const { row, fields } of laid.value) {
      const result = await run(() => editRow(row.id, row.versions, fields));
      if (result.ok && 'conflict' in result.value) setMet({ row, fields, conflict: result.value.conflict });
      if (!result.ok || 'conflict' in result.value) {
        setPasted(
          refuse(row.tag, `stopped here: ${written} of ${laid.value.length} rows are written`).problems,
        );
        break;
      }
      written += 1;
    }
    reload();
  };

  const columns = useMemo<GridColDef<GridRow>[]>(
    () => [
      { field: 'tag', headerName: 'Cable', width: 104, editable: true, cellClassName: styles.tagCell ?? '' },
      {
        field: 'type',
        headerName: 'Type',
        width: 104,
        editable: true,
        type: 'singleSelect',
        valueOptions: choices.types.map(({ code, title }) => ({ value: code, label: `${code}, ${title}` })),
        // The code in the grid, what it stands for under the pointer and where it is chosen.
        renderCell: ({ value }: { value?: string }) => (
          <span title={choices.types.find((t) => t.code === value)?.title}>{value}</span>
        ),
      },
      {
        field: 'route',
        headerName: 'Route, m',
        width: 88,
        editable: true,
        align: 'right',
        headerAlign: 'right',
      },
      { field: 'aPlace', headerName: 'End A: box/entry', width: 140, editable: true },
      {
        field: 'aTail',
        headerName: `Tail A, ${job.unit}`,
        width: 92,
        editable: true,
        sortable: false,
        align: 'right',
        headerAlign: 'right',
      },
      { field: 'bPlace', headerName: 'End B: box/entry', width: 140, editable: true },
      {
        field: 'bTail',
        headerName: `Tail B, ${job.unit}`,
        width: 92,
        editable: true,
        sortable: false,
        align: 'right',
        headerAlign: 'right',
      },
      { field: 'note', headerName: 'Note', flex: 1, minWidth: 140, editable: true },
      {
        field: 'open',
        headerName: 'Open',
        width: 96,
        sortable: false,
        renderCell: ({ row }) => (
          <span className={styles.ends}>
            {(['A', 'B'] as const).map((end) => (
              <Link
                key={end}
                href={stationPath(job.slug, row.tag, end, 'measure')}
                prefetch={false}
                aria-label={`Open ${row.tag}/${end}`}
              >
                {end}
              </Link>
            ))}
          </span>
        ),
      },
      {
        field: 'retire',
        headerName: 'Take out',
        width: 96,
        sortable: false,
        renderCell: ({ row }) => (
          <button
            type="button"
            className={styles.textButton}
            onClick={() =>
              void run(
                () => send('retireCable', job.slug, row.id, row.versions.cable),
                `${row.tag} taken out of the schedule. Undo brings it back.`,
              ).then(reload)
            }
            aria-label={`Take ${row.tag} out of the schedule`}
          >
            take out
          </button>
        ),
      },
    ],
    [choices.types, job.slug, job.unit, reload, run, send],
  );

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
    <div className={styles.gridArea} onPasteCapture={(event) => void paste(event)}>
      <Problems problems={[...pasted, ...problems]} />
      {away ? (
        <p className={styles.away}>The schedule cannot be fetched just now. It is tried again by itself.</p>
      ) : null}
      {met ? (
        <Conflict
          met={met}
          onTheirs={() => setMet(null)}
          onMine={() => {
            const { row, fields, conflict } = met;
            setMet(null);
            void run(() => editRow(row.id, conflict.versions, fields), `${row.tag}: yours written.`).then(
              () => {
                reload();
              },
            );
          }}
        />
      ) : null}
      {grid}
    </div>
  );
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  tag: 'Cable',
  type: 'Type',
  route: 'Route, m',
  aPlace: 'End A',
  aTail: 'Tail A',
  bPlace: 'End B',
  bTail: 'Tail B',
  note: 'Note',
};

function Conflict({
  met,
  onTheirs,
  onMine,
}: {
  readonly met: Met;
  readonly onTheirs: () => void;
  readonly onMine: () => void;
}) {
  return (
    <div className={styles.conflict} role="alert">
      <b>
        {met.conflict.by ?? 'Somebody else'} was faster on {met.row.tag}.
      </b>{' '}
      Nothing of yours is lost:
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
                {FIELD_WORDS[field] ?? field}
              </TableCell>
              <TableCell>{met.conflict.values[field] || 'nothing'}</TableCell>
              <TableCell>{mine || 'nothing'}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </DataTable>
      <button type="button" onClick={onTheirs}>
        Keep theirs
      </button>
      <button type="button" onClick={onMine}>
        Write mine
      </button>
    </div>
  );
}
