'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { valueWords } from '@/core/kernel';
import { SCHEDULE_COLUMN_WORDS, type ImportRow } from '@/core/schedule';
import { Chips } from '../kit-of-parts/Chips';
import { DataTable } from '../kit-of-parts/DataTable';
import { Section } from '../kit-of-parts/Section';
import { Tick } from '../kit-of-parts/Tick';
import type { ImportPreviewView } from '../schedule/schedule-types';
import type { SheetImport } from './use-sheet-import';

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
const MOST_GONE = 20;

interface Props {
  readonly sheet: SheetImport;
  /** As it was judged last; what is judged anew stays in sight until it is. */
  readonly preview: ImportPreviewView;
}

/** Every row with what it would do, or why not; narrowed down to one kind. */
export function ImportPreview({ sheet, preview }: Props) {
  const { busy, accept, waits, takeOutGone } = sheet;
  const [only, setOnly] = useState<Status | null>(null);
  const count = (status: Status) => preview.rows.filter((r) => r.status === status).length;
  const good = count('new') + count('changed');
  const going = preview.gone.filter((g) => !g.begun);
  const current = sheet.preview === preview;
  const empty = good === 0 && !(takeOutGone && going.length > 0);
  return (
    <Section title="Every row">
      <Chips
        label="Rows of a kind"
        value={only}
        onChange={(s) => setOnly(only === s ? null : s)}
        options={STATUSES.map((s) => [s, `${count(s)} ${s}`])}
      >
        <Button
          variant="contained"
          color="secondary"
          onClick={accept}
          disabled={busy || empty || !current || waits !== null}
        >
          {waits ?? (empty ? 'Nothing to take in' : `Take in ${good} good rows`)}
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
      <Gone sheet={sheet} gone={preview.gone} />
      <Box
        role="group"
        tabIndex={0}
        aria-label="Rows of the file"
        sx={{ maxHeight: 560, overflow: 'auto', borderTop: '2px solid', borderColor: 'divider' }}
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
    </Section>
  );
}

interface GoneProps {
  readonly sheet: SheetImport;
  readonly gone: ImportPreviewView['gone'];
}

/** Cables of the job that the list does not name any more. They stay, unless somebody says otherwise. */
function Gone({ sheet: { takeOutGone, setTakeOutGone }, gone }: GoneProps) {
  const going = gone.filter((g) => !g.begun).length;
  const begun = gone.length - going;
  if (gone.length === 0) return null;
  return (
    <>
      <Typography sx={{ mb: 1 }}>
        {gone.length} {gone.length === 1 ? 'cable of the job is' : 'cables of the job are'} not in this list:{' '}
        {gone
          .slice(0, MOST_GONE)
          .map((g) => g.tag)
          .join(', ')}
        {gone.length > MOST_GONE ? ' …' : ''}. They stay
        {begun > 0 ? `; at ${begun} of them work has begun, and these stay whatever you say` : ''}.
      </Typography>
      {going > 0 ? (
        <Tick
          label={`Take the ${going} out at which nothing is recorded`}
          checked={takeOutGone}
          onChange={setTakeOutGone}
        />
      ) : null}
    </>
  );
}

const found = (value: unknown): string =>
  value === undefined || value === '' ? '' : ` (${typeof value === 'string' ? value : valueWords(value)})`;

const WORDS: Readonly<Record<string, string>> = SCHEDULE_COLUMN_WORDS;
/** A column in words, and as the head of the file has it. */
const columnWords = (column: string): string => {
  const words = WORDS[column];
  return words === undefined || words === column ? column : `${words} (${column})`;
};

const Row = ({ row }: { readonly row: ImportRow }) => (
  <TableRow>
    <TableCell>{row.line}</TableCell>
    <TableCell>{row.tag}</TableCell>
    <TableCell sx={{ fontWeight: 650, color: COLOURS[row.status] }}>{row.status}</TableCell>
    <TableCell>
      {row.problems.map((p) => (
        <Box key={`${p.path} ${p.message}`} sx={{ color: 'error.main' }}>
          <b>{columnWords(p.path)}</b>: {p.message}
          {found(p.value)}
        </Box>
      ))}
      {row.status === 'changed'
        ? row.changes.map((c) => (
            <div key={c.column}>
              <b>{columnWords(c.column)}</b>: <s>{c.before || 'empty'}</s> → {c.after || 'empty'}
            </div>
          ))
        : null}
    </TableCell>
  </TableRow>
);
