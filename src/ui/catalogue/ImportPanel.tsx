'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { CATALOGUE_FIELDS } from '@/core/catalogue';
import {
  fail,
  MAX_FILE_BYTES,
  MAX_FILE_WORDS,
  pathWords,
  problemWords,
  type Problem,
  type Result,
} from '@/core/kernel';
import type { CataloguePreview, ImportReportView } from '@/core/termination-view';
import { look } from '../data/send';
import { useSend } from '../data/use-send';
import { Acts } from '../kit-of-parts/Acts';
import { FileButton } from '../kit-of-parts/FileButton';
import { Panel } from '../kit-of-parts/Panel';
import { Problems } from '../kit-of-parts/Problems';
import { useRun } from '../termination/use-run';
import { FamilyPreview, SheetPreview, previewHeadline } from './ImportPreview';
import { For } from '../shell/may';

/** More than these are said by their number. */
const SHOWN = 40;

interface Read {
  readonly file: string;
  readonly text: string;
  readonly seen: CataloguePreview;
}

async function readFile(file: File): Promise<Result<Read>> {
  if (file.size > MAX_FILE_BYTES)
    return fail([{ path: 'file', message: `is larger than ${MAX_FILE_WORDS}` }]);
  try {
    const text = await file.text();
    const seen = await look(['previewCatalogue', text]);
    return seen.ok ? { ok: true, value: { file: file.name, text, seen: seen.value } } : seen;
  } catch {
    return fail([{ path: 'file', message: 'cannot be read' }]);
  }
}

/** A problem with its place twice: as people call it, and as the file has it. */
const placed = (p: Problem): Problem => ({
  ...p,
  message: `${pathWords(p.path, CATALOGUE_FIELDS)} (${p.path || 'the file'}): ${problemWords(p)}`,
});

/** The door for new sheets: a file is read, every difference is shown with the plans it would reach, and only then it is taken in. */
export function ImportPanel() {
  const send = useSend();
  const router = useRouter();
  const [read, setRead] = useState<Read | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [report, setReport] = useState<ImportReportView | null>(null);
  const [reading, setReading] = useState(false);
  const { run, busy, problems: refused } = useRun();

  const open = async (file: File) => {
    setReading(true);
    setReport(null);
    setRead(null);
    const result = await readFile(file);
    setProblems(result.ok ? [] : result.problems);
    if (result.ok) setRead(result.value);
    setReading(false);
  };
  const accept = (text: string) =>
    void run(() => send('importCatalogue', text), 'Taken into the catalogue.').then((r) => {
      if (!r.ok) return;
      setReport(r.value);
      setRead(null);
      router.refresh();
    });
  return (
    <>
      <Acts>
        <For what="importCatalogue">
          <FileButton
            label="Catalogue file, JSON or a table of sizes as CSV"
            accept=".json,.csv,application/json,text/csv"
            disabled={busy || reading}
            onFile={(file) => void open(file)}
          >
            {reading ? 'Reading …' : 'Import a sheet'}
          </FileButton>
        </For>
        <Link href="/api/catalogue/json" download sx={{ fontSize: 13.5 }}>
          Export all as JSON
        </Link>
      </Acts>
      {problems.length > 0 ? (
        <>
          <b>Nothing was imported.</b>
          <Problems problems={problems.slice(0, SHOWN).map(placed)} />
          {problems.length > SHOWN ? <p>and {problems.length - SHOWN} more</p> : null}
        </>
      ) : null}
      {report ? <Report report={report} /> : null}
      {read ? (
        <Panel label="What the file would bring in">
          <Typography variant="h2" sx={{ fontSize: 17, my: 1 }}>
            {read.file}: {previewHeadline(read.seen)}
          </Typography>
          {read.seen.families.map((f) => (
            <FamilyPreview key={`${f.code} ${f.revision}`} family={f} />
          ))}
          {read.seen.sheets.map((s) => (
            <SheetPreview key={`${s.code} ${s.revision}`} sheet={s} />
          ))}
          <Problems problems={refused} />
          <Acts>
            <Button variant="contained" color="secondary" disabled={busy} onClick={() => accept(read.text)}>
              Take it in
            </Button>
            <Button variant="outlined" disabled={busy} onClick={() => setRead(null)}>
              Leave it
            </Button>
          </Acts>
        </Panel>
      ) : null}
    </>
  );
}

const stateWords = (f: ImportReportView['families'][number]): string =>
  f.state === 'new' ? `new, ${f.sizes} sizes${f.missing.length > 0 ? ', plan only' : ''}` : 'unchanged';

const Report = ({ report }: { readonly report: ImportReportView }) => (
  <Box
    component="p"
    role="status"
    sx={{ my: 1.25, p: '6px 14px', borderLeft: '5px solid', borderColor: 'success.main' }}
  >
    <b>{report.name}</b>:{' '}
    {report.already
      ? 'already in the catalogue, nothing changed.'
      : [
          ...report.families.map((f) => `${f.code} revision ${f.revision} ${stateWords(f)}`),
          ...report.sheets,
        ].join('; ')}
  </Box>
);
