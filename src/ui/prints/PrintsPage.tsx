'use client';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/kernel';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { giveFile, saveFile } from '../common/save-file';
import { Segments } from '../kit-of-parts/Segments';
import { Collar } from '../collar/Collar';
import { decodeArcs } from '@/core/procedure';
import { useSummaries } from '../rack/summaries';
import { readPack } from './pack-stream';
import styles from './PrintsPage.module.css';

const PAPERS = [
  ['A4', 'A4'],
  ['LETTER', 'Letter'],
] as const;
type Paper = (typeof PAPERS)[number][0];

/** Cut cards and labels for a selection of ends. */
export function PrintsPage({ job }: { readonly job: string }) {
  const { rows, failed } = useSummaries(job);
  const [area, setArea] = useState<string | null>(null);
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const [paper, setPaper] = useState<Paper>('A4');
  const [progress, setProgress] = useState<{ readonly done: number; readonly of: number } | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const running = useRef<AbortController | null>(null);

  const planned = (rows ?? []).filter((r) => r.size !== null);
  const areas = [...new Set(planned.map((r) => r.area ?? 'no entry'))].sort((a, b) => a.localeCompare(b));
  const shown = area === null ? planned : planned.filter((r) => (r.area ?? 'no entry') === area);
  const tags = shown.map((r) => `${r.cable}/${r.end}`);
  const picked = tags.filter((t) => !dropped.has(t));
  const toggle = (tag: string) => {
    const next = new Set(dropped);
    if (!next.delete(tag)) next.add(tag);
    setDropped(next);
  };
  const all = (on: boolean) => {
    const next = new Set(dropped);
    for (const t of tags) {
      if (on) next.delete(t);
      else next.add(t);
    }
    setDropped(next);
  };

  const print = async () => {
    const control = new AbortController();
    running.current = control;
    setProblems([]);
    setSaid('');
    setProgress({ done: 0, of: picked.length });
    try {
      const answer = await fetch(`/api/job/${encodeURIComponent(job)}/pack`, {
        method: 'POST',
        body: JSON.stringify({ tags: picked, paper }),
        signal: control.signal,
      });
      if (!answer.ok || !answer.body) {
        const body = (await answer.json().catch(() => null)) as { problems?: Problem[] } | null;
        setProblems(body?.problems ?? [{ path: '', message: `The server answered ${answer.status}.` }]);
      } else {
        const pack = await readPack(answer.body, (done, of) => setProgress({ done, of }));
        if (pack.ok) {
          giveFile(new Blob([pack.value], { type: 'application/pdf' }), `work-pack-${job}.pdf`);
          setSaid(`${picked.length} cards are in work-pack-${job}.pdf.`);
        } else setProblems(pack.problems);
      }
    } catch (error) {
      if (control.signal.aborted) setSaid('Cancelled: nothing was printed.');
      else setProblems([{ path: '', message: `The server cannot be reached: ${(error as Error).message}` }]);
    }
    running.current = null;
    setProgress(null);
  };
  const labels = async () => {
    const body = JSON.stringify({ tags: picked, paper, origin: window.location.origin });
    setProblems(await saveFile(`/api/job/${encodeURIComponent(job)}/labels`, body));
  };
  const busy = progress !== null;

  return (
    <main className={styles.main}>
      <div className={styles.title}>
        <h1>Prints</h1>
      </div>
      <p className={styles.lead}>
        {rows === null
          ? failed
            ? 'The server cannot be reached; trying again.'
            : 'Loading…'
          : planned.length === 0
            ? 'Nothing is planned yet: choose glands first, then their cards are printed here.'
            : `Cut cards with their marks, steps, stages and 1:1 strip, and labels that lead to each record. ${planned.length} ends are planned.`}
      </p>
      <div className={styles.acts}>
        <Button
          variant="contained"
          color="secondary"
          onClick={() => void print()}
          disabled={busy || picked.length === 0}
        >
          Print {picked.length} cut card{picked.length === 1 ? '' : 's'}
        </Button>
        <Button variant="outlined" onClick={() => void labels()} disabled={busy || picked.length === 0}>
          Labels with codes
        </Button>
        <Segments label="Paper" options={PAPERS} value={paper} onChange={setPaper} />
        <Button variant="text" href={`/api/job/${encodeURIComponent(job)}/record`}>
          Record of the job as a file
        </Button>
      </div>
      {progress ? (
        <div className={styles.acts} role="status">
          <progress className={styles.progress} value={progress.done} max={progress.of} />
          {progress.done} of {progress.of} cards
          <Button variant="outlined" size="small" onClick={() => running.current?.abort()}>
            Cancel
          </Button>
        </div>
      ) : null}
      {said ? (
        <p className={styles.said} role="status">
          {said}
        </p>
      ) : null}
      <Problems problems={problems} />
      {planned.length > 0 ? (
        <>
          <div className={styles.areas}>
            {[null, ...areas].map((a) => (
              <button
                key={a ?? ''}
                type="button"
                className={styles.area}
                aria-pressed={a === area}
                onClick={() => setArea(a)}
              >
                {a ?? 'All areas'}
              </button>
            ))}
            <span className={styles.push} />
            <Button size="small" variant="text" onClick={() => all(true)}>
              Select these
            </Button>
            <Button size="small" variant="text" onClick={() => all(false)}>
              Select none
            </Button>
          </div>
          <ul className={styles.list}>
            {shown.map((r) => {
              const tag = `${r.cable}/${r.end}`;
              return (
                <li key={tag}>
                  <label className={styles.item}>
                    <input type="checkbox" checked={!dropped.has(tag)} onChange={() => toggle(tag)} />
                    <Collar arcs={decodeArcs(r.arcs)} size={26} />
                    <b>{tag}</b>
                    <span className={styles.quiet}>
                      {r.size} · {r.enclosure ?? 'no entry'}
                    </span>
                  </label>
                </li>
              );
            })}
          </ul>
        </>
      ) : null}
      <Caution>
        A printed card is as old as its print: the plan’s hash at its foot says whether it still holds.
      </Caution>
    </main>
  );
}
