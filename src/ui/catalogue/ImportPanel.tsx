'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { fail, MAX_FILE_BYTES, MAX_FILE_WORDS, problemLine, type Problem, type Result } from '@/core/kernel';
import type { CataloguePreview, ImportReportView } from '@/core/termination-view';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import { useRun } from '../termination/use-run';
import styles from './ImportPanel.module.css';
import { look } from '../data/send';
import { useSend } from '../data/use-send';

const SHOWN = 40;

/** The door for new sheets: a file is read, every difference is shown with the plans it would reach, and only then it is taken in. */
export function ImportPanel() {
  const send = useSend();
  const router = useRouter();
  const picker = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<{
    readonly file: string;
    readonly text: string;
    readonly seen: CataloguePreview;
  } | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [report, setReport] = useState<ImportReportView | null>(null);
  const [reading, setReading] = useState(false);
  const { run, busy, problems: refused } = useRun();

  const open = async (file: File | undefined) => {
    if (!file) return;
    setReading(true);
    setReport(null);
    setRead(null);
    let text = '';
    let result: Result<CataloguePreview>;
    try {
      text = file.size > MAX_FILE_BYTES ? '' : await file.text();
      result =
        file.size > MAX_FILE_BYTES
          ? fail([{ path: 'file', message: `is larger than ${MAX_FILE_WORDS}` }])
          : await look(['previewCatalogue', text]);
    } catch {
      result = fail([{ path: 'file', message: 'cannot be read' }]);
    }
    setProblems(result.ok ? [] : result.problems);
    if (result.ok) setRead({ file: file.name, text, seen: result.value });
    setReading(false);
    if (picker.current) picker.current.value = '';
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
      <input
        ref={picker}
        type="file"
        accept=".json,.csv,application/json,text/csv"
        className="ac-visually-hidden"
        tabIndex={-1}
        aria-label="Catalogue file, JSON or a table of sizes as CSV"
        onChange={(e) => void open(e.target.files?.[0])}
      />
      <div className={styles.acts}>
        <Button
          variant="outlined"
          size="small"
          disabled={busy || reading}
          onClick={() => picker.current?.click()}
        >
          {reading ? 'Reading …' : 'Import a sheet'}
        </Button>
        <a className={styles.export} href="/api/catalogue/json" download>
          Export all as JSON
        </a>
      </div>
      {problems.length > 0 ? (
        <div className={styles.refused} role="alert">
          <b>Nothing was imported.</b>
          <Problems problems={problems.slice(0, SHOWN).map((p) => ({ ...p, message: problemLine(p) }))} />
          {problems.length > SHOWN ? <p>and {problems.length - SHOWN} more</p> : null}
        </div>
      ) : null}
      {report ? (
        <p role="status" className={styles.report}>
          <b>{report.name}</b>:{' '}
          {report.already
            ? 'already in the catalogue, nothing changed.'
            : [
                ...report.families.map(
                  (f) =>
                    `${f.code} revision ${f.revision} ${f.state === 'new' ? `new, ${f.sizes} sizes${f.missing.length > 0 ? ', plan only' : ''}` : 'unchanged'}`,
                ),
                ...report.frameSheets.map((s) => `transit frames ${s}`),
              ].join('; ')}
        </p>
      ) : null}
      {read ? (
        <section className={styles.preview} aria-label="What the file would bring in">
          <h2>
            {read.file}: {headline(read.seen)}
          </h2>
          {read.seen.families.map((f) => (
            <FamilyPreview key={`${f.code} ${f.revision}`} family={f} />
          ))}
          {read.seen.frameSheets.map((s) => (
            <FrameSheetPreview key={`${s.code} ${s.revision}`} sheet={s} />
          ))}
          <Problems problems={refused} />
          <div className={styles.acts}>
            <Button variant="contained" color="secondary" disabled={busy} onClick={() => accept(read.text)}>
              Take it in
            </Button>
            <Button variant="outlined" disabled={busy} onClick={() => setRead(null)}>
              Leave it
            </Button>
          </div>
        </section>
      ) : null}
    </>
  );
}

function headline(seen: CataloguePreview): string {
  const count = (n: number, one: string, many: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]);
  const what = [
    ...count(seen.families.length, 'family', 'families'),
    ...count(seen.frameSheets.length, 'sheet of transit frames', 'sheets of transit frames'),
    ...count(seen.parts, 'part', 'parts'),
  ].join(', ');
  const plans = new Set(seen.families.flatMap((f) => f.plans.map((p) => `${p.job} ${p.tag}`))).size;
  return `${what}; ${plans === 0 ? 'no plan would come out otherwise' : `${plans} ${plans === 1 ? 'plan' : 'plans'} would come out otherwise when made again`}.`;
}

function FrameSheetPreview({ sheet }: { readonly sheet: CataloguePreview['frameSheets'][number] }) {
  const { before, state, added, gone, changed } = sheet;
  return (
    <div className={styles.family}>
      <h3>
        Transit frames {sheet.code} revision {sheet.revision}{' '}
        <span className={styles.quiet}>
          {state === 'there'
            ? 'is there already, with the same figures'
            : state === 'clash'
              ? 'is there already with other figures: a changed sheet needs its own revision'
              : before === null
                ? `new system, ${sheet.modules} modules and ${sheet.frames} frames`
                : `against revision ${before} in force; crossings keep theirs until somebody takes this one`}
          {sheet.leads ? '' : '; issued earlier, so that the one in force stays in force'}
        </span>
      </h3>
      {state === 'new' && added.length > 0 ? <p>Added: {added.join(', ')}</p> : null}
      {state === 'new' && gone.length > 0 ? <p>Gone: {gone.join(', ')}</p> : null}
      {state === 'new' && changed.length > 0 ? <p>Other figures: {changed.join(', ')}</p> : null}
    </div>
  );
}

function FamilyPreview({ family }: { readonly family: CataloguePreview['families'][number] }) {
  const { diff, plans } = family;
  const same = diff !== null && diff.changes.length + diff.sizesAdded.length + diff.sizesRemoved.length === 0;
  return (
    <div className={styles.family}>
      <h3>
        {family.code} revision {family.revision}{' '}
        <span className={styles.quiet}>
          {family.before === null
            ? `new family, ${family.sizes} sizes`
            : same
              ? `the same figures as revision ${family.before}`
              : `against revision ${family.before} in force`}
          {family.leads ? '' : '; issued earlier, so that the one in force stays in force'}
        </span>
      </h3>
      {family.missing.length > 0 ? (
        <p className={styles.quiet}>Plan only: {family.missing.join('; ')}</p>
      ) : null}
      {diff && diff.sizesAdded.length > 0 ? <p>Sizes added: {diff.sizesAdded.join(', ')}</p> : null}
      {diff && diff.sizesRemoved.length > 0 ? <p>Sizes gone: {diff.sizesRemoved.join(', ')}</p> : null}
      {diff && diff.changes.length > 0 ? (
        <DataTable className={styles.changes}>
          <TableBody>
            {diff.changes.slice(0, SHOWN).map((c) => (
              <TableRow key={c.where}>
                <TableCell component="th" scope="row">
                  {c.where}
                </TableCell>
                <TableCell>
                  <s>{c.before ?? 'not there'}</s> → <b>{c.after ?? 'gone'}</b>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </DataTable>
      ) : null}
      {diff && diff.changes.length > SHOWN ? (
        <p className={styles.quiet}>and {diff.changes.length - SHOWN} more figures</p>
      ) : null}
      {plans.length > 0 ? (
        <ul className={styles.plans}>
          {plans.map((p) => {
            const [cable = '', end = 'A'] = p.tag.split('/');
            return (
              <li key={`${p.job} ${p.tag}`}>
                <Link href={stationPath(p.job, cable, end === 'B' ? 'B' : 'A', 'choose')}>{p.tag}</Link>{' '}
                {p.refusal ??
                  p.changed.map((c) => `${c.label}: ${c.before ?? '–'} → ${c.after ?? '–'}`).join('; ')}
              </li>
            );
          })}
        </ul>
      ) : null}
    </div>
  );
}
