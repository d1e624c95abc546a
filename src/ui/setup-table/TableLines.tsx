'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { Problem } from '@/core/kernel';
import type { SetupLine } from '@/core/termination-view';
import { Acts } from '../kit-of-parts/Acts';
import { Caution } from '../kit-of-parts/Caution';
import { DataTable } from '../kit-of-parts/DataTable';
import { Problems } from '../kit-of-parts/Problems';
import type { TableIn } from './use-table-in';

const COLOURS = {
  new: 'success.main',
  changed: 'var(--ac-amber-text)',
  same: 'text.secondary',
  refused: 'error.main',
} as const;
/** More than these are looked at in the file. */
const MOST_SHOWN = 300;
const MOST_STALE = 12;

interface Props {
  readonly table: TableIn;
  /** What its columns are called. */
  readonly words: Readonly<Record<string, string>>;
}

/** Every row of a table with what it would do, or why it is not taken in; and one press that takes in the rest. */
export function TableLines({
  table: { table, preview, judging, problems, busy, accept, taken },
  words,
}: Props) {
  if (table === null) return <Problems problems={problems} />;
  const refused = table.rows.filter((r) => r.problems.length > 0);
  const lines = preview?.lines ?? [];
  const good = lines.filter((l) => l.status !== 'same').length;
  return (
    <>
      <Problems problems={problems} />
      {taken === null ? null : (
        <Typography role="status" sx={{ my: 1, fontSize: 17 }}>
          <b>{taken} taken in.</b> One undo takes all of it back.
        </Typography>
      )}
      {judging ? <p role="status">Judging every row…</p> : null}
      <Stale tags={preview?.stale ?? []} />
      {taken !== null || table.problems.length > 0 ? null : (
        <TakeIn good={preview === null ? null : good} out={refused.length} busy={busy} onTake={accept} />
      )}
      {refused.length + lines.length === 0 ? null : (
        <DataTable label="Rows of the table" sx={{ width: '100%' }}>
          <TableHead>
            <TableRow>
              <TableCell>Row</TableCell>
              <TableCell>Would be</TableCell>
              <TableCell>What changes, or why not</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {refused.slice(0, MOST_SHOWN).map((r) => (
              <TableRow key={`line ${r.line}`}>
                <TableCell>{r.key === '' ? `line ${r.line}` : `${r.key} (line ${r.line})`}</TableCell>
                <TableCell sx={{ fontWeight: 650, color: COLOURS.refused }}>left out</TableCell>
                <TableCell>
                  {r.problems.map((p) => (
                    <Wrong key={`${p.path} ${p.message}`} problem={p} words={words} />
                  ))}
                </TableCell>
              </TableRow>
            ))}
            {lines.slice(0, MOST_SHOWN).map((l) => (
              <Line key={`${l.what} ${l.name}`} line={l} words={words} />
            ))}
          </TableBody>
        </DataTable>
      )}
    </>
  );
}

interface TakeInProps {
  /** Rows that would do something; null while they are judged. */
  readonly good: number | null;
  readonly out: number;
  readonly busy: boolean;
  readonly onTake: () => void;
}

const TakeIn = ({ good, out, busy, onTake }: TakeInProps) => (
  <Acts>
    <Button
      variant="contained"
      color="secondary"
      onClick={onTake}
      disabled={busy || good === null || good === 0}
    >
      {good === 0 ? 'Nothing to take in' : `Take in ${good ?? 0} of the table`}
    </Button>
    {out > 0 ? (
      <Box component="span" sx={{ color: 'error.main' }}>
        {out} {out === 1 ? 'row is' : 'rows are'} left out
      </Box>
    ) : null}
  </Acts>
);

/** Whose plans would no longer stand. */
const Stale = ({ tags }: { readonly tags: readonly string[] }) =>
  tags.length === 0 ? null : (
    <Caution tone="marginal">
      {tags.length} {tags.length === 1 ? 'plan becomes' : 'plans become'} stale:{' '}
      {tags.slice(0, MOST_STALE).join(', ')}
      {tags.length > MOST_STALE ? ' …' : ''}
    </Caution>
  );

const Wrong = ({ problem, words }: { readonly problem: Problem; readonly words: Props['words'] }) => (
  <Box sx={{ color: 'error.main' }}>
    <b>{words[problem.path] ?? problem.path}</b>: {problem.message}
    {typeof problem.value === 'string' && problem.value !== '' ? ` (${problem.value})` : ''}
  </Box>
);

const Line = ({ line, words }: { readonly line: SetupLine; readonly words: Props['words'] }) => (
  <TableRow>
    <TableCell>{line.name}</TableCell>
    <TableCell sx={{ fontWeight: 650, color: COLOURS[line.status] }}>{line.status}</TableCell>
    <TableCell>
      {line.status === 'new' ? (
        <Typography variant="quiet" color="text.secondary">
          {line.changes
            .filter((c) => c.after !== line.name)
            .map((c) => `${words[c.column] ?? c.column}: ${c.after}`)
            .join(' · ')}
        </Typography>
      ) : (
        line.changes.map((c) => (
          <div key={c.column}>
            <b>{words[c.column] ?? c.column}</b>: <s>{c.before || 'not known'}</s> → {c.after || 'not known'}
          </div>
        ))
      )}
    </TableCell>
  </TableRow>
);
