'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { valueWords } from '@/core/kernel';
import type { ImportRow } from '@/core/schedule';
import { Chips } from '../kit-of-parts/Chips';
import { DataTable } from '../kit-of-parts/DataTable';
import type { ImportPreviewView } from './schedule-types';

type Status = ImportRow['status'];
const STATUSES: readonly Status[] = ['new', 'changed', 'same', 'refused'];
const COLOURS: Readonly<Record<Status, string>> = {
  new: 'success.main',
  changed: 'var(--ac-amber-text)',
  same: 'text.secondary',
  refused: 'error.main',
};
/** More rows than these are looked at in the file. */
const MOST_SHOWN = 500;

interface Props {
  readonly preview: ImportPreviewView;
  readonly busy: boolean;
  readonly taken: boolean;
  readonly onAccept: () => void;
}

/** Every row with what it would do, or why not; narrowed down to one kind. */
export function ImportPreview({ preview, busy, taken, onAccept }: Props) {
  const [only, setOnly] = useState<Status | null>(null);
  const count = (status: Status) => preview.rows.filter((r) => r.status === status).length;
  const good = count('new') + count('changed');
  return (
    <>
      <Chips
        label="Rows of a kind"
        value={only}
        onChange={(s) => setOnly(only === s ? null : s)}
        options={STATUSES.map((s) => [s, `${count(s)} ${s}`])}
      >
        <Button
          variant="contained"
          color="secondary"
          onClick={onAccept}
          disabled={busy || good === 0 || taken}
        >
          {good === 0 ? 'Nothing to take in' : `Take in ${good} good rows`}
        </Button>
        {count('refused') > 0 ? (
          <Button
            variant="outlined"
            href={URL.createObjectURL(new Blob([preview.refusedCsv], { type: 'text/csv' }))}
            download="refused-rows.csv"
          >
            Save the refused rows
          </Button>
        ) : null}
        {preview.unknownColumns.length > 0 ? (
          <Box component="span" sx={{ color: 'error.main' }}>
            Columns not used: {preview.unknownColumns.join(', ')}
          </Box>
        ) : null}
      </Chips>
      <Box
        role="group"
        tabIndex={0}
        aria-label="Rows of the file"
        sx={{ flex: 1, minHeight: 0, overflow: 'auto', borderTop: '2px solid', borderColor: 'divider' }}
      >
        <DataTable sx={{ width: '100%' }}>
          <TableHead>
            <TableRow>
              <TableCell>Line</TableCell>
              <TableCell>Cable</TableCell>
              <TableCell>Status</TableCell>
              <TableCell>What changes, or why not</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {preview.rows
              .filter((r) => only === null || r.status === only)
              .slice(0, MOST_SHOWN)
              .map((row) => (
                <Row key={row.line} row={row} />
              ))}
          </TableBody>
        </DataTable>
      </Box>
    </>
  );
}

const found = (value: unknown): string =>
  value === undefined || value === '' ? '' : ` (${typeof value === 'string' ? value : valueWords(value)})`;

const Row = ({ row }: { readonly row: ImportRow }) => (
  <TableRow>
    <TableCell>{row.line}</TableCell>
    <TableCell>{row.tag}</TableCell>
    <TableCell sx={{ fontWeight: 650, color: COLOURS[row.status] }}>{row.status}</TableCell>
    <TableCell>
      {row.problems.map((p) => (
        <Box key={`${p.path} ${p.message}`} sx={{ color: 'error.main' }}>
          <b>{p.path}</b>: {p.message}
          {found(p.value)}
        </Box>
      ))}
      {row.status === 'changed'
        ? row.changes.map((c) => (
            <div key={c.column}>
              <b>{c.column}</b>: <s>{c.before || 'empty'}</s> → {c.after || 'empty'}
            </div>
          ))
        : null}
    </TableCell>
  </TableRow>
);
