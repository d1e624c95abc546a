'use client';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import type { CrossingView } from '@/core/crossing';
import type { FramePlan } from '@/core/frame-packing';
import type { Problem } from '@/core/kernel';
import { Problems } from '../kit-of-parts/Problems';
import styles from './Crossing.module.css';
import { look } from '../data/send';

const FILES = [
  ['crossing.pdf', 'Face views, rows and parts', 'PDF'],
  ['front.svg', 'Front to scale', 'SVG'],
  ['back.svg', 'Back to scale', 'SVG'],
  ['front.dxf', 'Front to scale', 'DXF'],
  ['back.dxf', 'Back to scale', 'DXF'],
  ['places.csv', 'Table of places', 'CSV'],
] as const;

/** The plan in force as files, and a frame that stands read from a table of places. */
export function FilesPanel({
  view,
  onRead,
  onAsBuilt,
  busy,
}: {
  readonly view: CrossingView;
  readonly onRead: (plan: FramePlan) => void;
  readonly onAsBuilt: (() => void) | null;
  readonly busy: boolean;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const base = `/api/job/${encodeURIComponent(view.job)}/crossing/${encodeURIComponent(view.name)}`;
  const read = async (file: File) => {
    setSaid('');
    const ref = { job: view.job, crossing: view.name };
    const made = await look(['previewPlaces', ref, await file.text()]);
    if (!made.ok) {
      setProblems(made.problems.map((p) => ({ ...p, message: `${p.path}: ${p.message}` })));
      return;
    }
    setProblems(made.value.violations.map((v) => ({ path: v.path, message: `${v.path}: ${v.message}` })));
    setSaid(
      made.value.violations.length === 0
        ? `${file.name} keeps every rule. It is on the screen now; record it as built below.`
        : `${file.name} breaks ${made.value.violations.length} rules. It is on the screen, and cannot be recorded until they are kept.`,
    );
    onRead(made.value.plan);
  };
  return (
    <div className={styles.setup}>
      {view.plans.length > 0 ? (
        <ul className={styles.files}>
          {FILES.map(([file, title, format]) => (
            <li key={file}>
              <a className={styles.link} href={`${base}/${file}`} download>
                {title}
              </a>
              <small>{format}</small>
            </li>
          ))}
        </ul>
      ) : (
        <p className={styles.lead}>Files come with the first plan.</p>
      )}
      <h3 className={styles.sub}>As built</h3>
      <p className={styles.lead}>
        What was built otherwise is recorded: move the cables in the face view, or read a table of places. The
        columns are those of the table above; peel and gap are worked out anew.
      </p>
      <div className={styles.apart}>
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Read a table of places
        </Button>
        <input
          ref={input}
          type="file"
          accept=".csv,text/csv"
          aria-label="table of places"
          className="ac-visually-hidden"
          onChange={(e) => {
            const [file] = e.target.files ?? [];
            e.target.value = '';
            if (file) void read(file);
          }}
        />
        <Button
          variant="contained"
          color="secondary"
          disabled={busy || onAsBuilt === null}
          onClick={() => onAsBuilt?.()}
        >
          Record as built
        </Button>
      </div>
      {said ? <p role="status">{said}</p> : null}
      <Problems problems={problems} />
    </div>
  );
}
