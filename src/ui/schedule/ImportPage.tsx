'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import {
  fail,
  MAX_FILE_BYTES,
  MAX_FILE_WORDS,
  refuse,
  type Problem,
  type Result,
  valueWords,
} from '@/core/kernel';
import type { ImportRow } from '@/core/schedule';
import { SCHEDULE_COLUMNS } from '@/core/schedule';
import { Problems } from '../kit-of-parts/Problems';
import { useChanged } from '../data/use-send';
import { useActor } from '../shell/actor';
import type { ImportOutcomeView, ImportPreviewView } from './schedule-types';
import styles from './Schedule.module.css';

async function send<T>(url: string, body: Blob): Promise<Result<T>> {
  // The server would break the connection off while the file is still on its way.
  if (body.size > MAX_FILE_BYTES)
    return refuse(
      'file',
      `is ${(body.size / 1048576).toFixed(0)} MB; a file of at most ${MAX_FILE_WORDS} is read`,
    );
  try {
    const answer = await fetch(url, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/octet-stream' },
    });
    return (await answer.json()) as Result<T>;
  } catch {
    return fail([
      { path: '', message: 'The server cannot be reached. Nothing was saved; the file is still here.' },
    ]);
  }
}

const STATUSES: readonly ImportRow['status'][] = ['new', 'changed', 'same', 'refused'];

/** A file is judged row by row before anything is written; good rows are taken in, refused ones go back with their reasons. */
export function ImportPage({ job }: { readonly job: string }) {
  const base = `/api/job/${encodeURIComponent(job)}/schedule`;
  const { name, ask } = useActor();
  const changed = useChanged();
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<ImportPreviewView | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [outcome, setOutcome] = useState<ImportOutcomeView | null>(null);
  const [busy, setBusy] = useState(false);
  const [only, setOnly] = useState<ImportRow['status'] | null>(null);

  const judge = async (chosen: File) => {
    setFile(chosen);
    setOutcome(null);
    setPreview(null);
    setOnly(null);
    setBusy(true);
    const result = await send<ImportPreviewView>(`${base}/preview`, chosen);
    setBusy(false);
    setProblems(result.ok ? [] : result.problems);
    if (result.ok) setPreview(result.value);
  };
  const accept = async () => {
    if (!file || !preview) return;
    if (name.trim() === '') {
      ask();
      setProblems([{ path: 'actor', message: 'Type your name first, top right: the record says who.' }]);
      return;
    }
    setBusy(true);
    const result = await send<ImportOutcomeView>(`${base}/import?hash=${preview.hash}`, file);
    setBusy(false);
    setProblems(result.ok ? [] : result.problems);
    if (!result.ok) return;
    setOutcome(result.value);
    changed();
  };
  const count = (status: ImportRow['status']) => preview?.rows.filter((r) => r.status === status).length ?? 0;
  const good = count('new') + count('changed');
  return (
    <main className={styles.page}>
      <h1 className={styles.headline}>Import a cable schedule</h1>
      <p className={styles.lead}>
        One row per cable, comma or semicolon separated, with a header. Columns: {SCHEDULE_COLUMNS.join(', ')}
        . Only cable and type must be there. Readings as in <q>caliper 30.2 mm @0 | wrap tape 95.7 mm</q>; a
        bare value is taken as a datasheet value.
      </p>
      <div
        className={styles.drop}
        onDragOver={(e) => e.preventDefault()}
        onDrop={(e) => {
          e.preventDefault();
          const dropped = e.dataTransfer.files[0];
          if (dropped) void judge(dropped);
        }}
      >
        <p>{file ? file.name : 'Drop the file here, or'}</p>
        <label>
          Choose a file
          <input
            type="file"
            accept=".csv,.txt,text/csv"
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              if (chosen) void judge(chosen);
              e.target.value = '';
            }}
          />
        </label>
      </div>
      {file === null ? <Example /> : null}
      {busy ? <p role="status">Reading…</p> : null}
      <Problems problems={problems} />
      {outcome ? (
        <p role="status">
          <b>
            {outcome.added} added, {outcome.changed} changed, {outcome.refused} left out.
          </b>{' '}
          One undo takes all of it back.{' '}
          <Link href={`/job/${encodeURIComponent(job)}/schedule`}>Open the schedule</Link>
        </p>
      ) : null}
      {preview ? (
        <>
          <div className={styles.counts}>
            {STATUSES.map((s) => (
              <button
                key={s}
                type="button"
                className={styles.count}
                data-status={s}
                aria-pressed={only === s}
                onClick={() => setOnly(only === s ? null : s)}
              >
                {count(s)} {s}
              </button>
            ))}
            <Button
              variant="contained"
              color="secondary"
              onClick={() => void accept()}
              disabled={busy || good === 0 || outcome !== null}
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
              <span className={styles.cellProblem}>
                Columns not used: {preview.unknownColumns.join(', ')}
              </span>
            ) : null}
          </div>
          <div className={styles.previewScroll} tabIndex={0} aria-label="Rows of the file">
            <DataTable className={styles.preview}>
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
                  .slice(0, 500)
                  .map((row) => (
                    <TableRow key={row.line}>
                      <TableCell>{row.line}</TableCell>
                      <TableCell>{row.tag}</TableCell>
                      <TableCell className={styles.status} data-status={row.status}>
                        {row.status}
                      </TableCell>
                      <TableCell>
                        {row.problems.map((p) => (
                          <div key={`${p.path} ${p.message}`} className={styles.cellProblem}>
                            <b>{p.path}</b>: {p.message}
                            {p.value === undefined || p.value === ''
                              ? ''
                              : ` (${typeof p.value === 'string' ? p.value : valueWords(p.value)})`}
                          </div>
                        ))}
                        {row.status === 'changed'
                          ? row.changes.map((c) => (
                              <div key={c.column} className={styles.cellChange}>
                                <b>{c.column}</b>: <s>{c.before || 'empty'}</s> → {c.after || 'empty'}
                              </div>
                            ))
                          : null}
                      </TableCell>
                    </TableRow>
                  ))}
              </TableBody>
            </DataTable>
          </div>
        </>
      ) : null}
    </main>
  );
}

/** What a good file looks like, before there is one. */
function Example() {
  const rows = [
    ['cable', 'type', 'route', 'a_enclosure', 'a_entry', 'a_tail', 'outer'],
    ['K-140', 'W4-10', '42,5 m', 'MCC-1', 'P15', '620', 'caliper 20.8 mm @0 | caliper 21 mm @90'],
    ['K-141', 'B4-4', '18 m', 'MCC-2', 'P14', '1 3/4 in', 'datasheet 14.6 mm ± 0.4'],
  ];
  const [head = [], ...body] = rows;
  return (
    <DataTable className={styles.example}>
      <caption className="ac-visually-hidden">An example of a schedule file</caption>
      <TableHead>
        <TableRow>
          {head.map((c) => (
            <TableCell key={c}>{c}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {body.map((r) => (
          <TableRow key={r[0]}>
            {r.map((c, i) => (
              <TableCell key={head[i]}>{c}</TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}
