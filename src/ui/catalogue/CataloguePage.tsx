'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import type { Problem, Result } from '@/core/kernel';
import { problemLine } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import styles from './CataloguePage.module.css';

export interface FamilyView {
  readonly code: string;
  readonly title: string;
  readonly revision: string;
  readonly sheet: string;
  readonly missing: readonly string[];
  readonly sizes: readonly {
    readonly code: string;
    readonly thread: string;
    readonly outer: readonly [number, number] | null;
    readonly printedInches: string;
  }[];
}

export interface ImportReportView {
  readonly name: string;
  readonly already: boolean;
  readonly families: readonly {
    readonly code: string;
    readonly revision: string;
    readonly sizes: number;
    readonly state: 'new' | 'there';
    readonly missing: readonly string[];
  }[];
  readonly parts: number;
}

interface Props {
  readonly families: readonly FamilyView[];
  readonly parts: readonly { readonly partNumber: string; readonly what: string }[];
  readonly importFile: (text: string) => Promise<Result<ImportReportView>>;
}

/** The families in force, and the door through which a new sheet comes in. */
export function CataloguePage({ families, parts, importFile }: Props) {
  const router = useRouter();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [report, setReport] = useState<ImportReportView | null>(null);
  const [busy, setBusy] = useState(false);
  const read = async (file: File) => {
    setBusy(true);
    setReport(null);
    try {
      const result =
        file.size > 8 * 1024 * 1024
          ? ({ ok: false, problems: [{ path: 'file', message: 'is larger than 8 MB' }] } as const)
          : await importFile(await file.text());
      setProblems(result.ok ? [] : result.problems);
      if (result.ok) {
        setReport(result.value);
        router.refresh();
      }
    } catch {
      setProblems([{ path: '', message: 'The server cannot be reached. Nothing was imported.' }]);
    }
    setBusy(false);
  };
  const top = Math.max(...families.flatMap((f) => f.sizes.map((s) => s.outer?.[1] ?? 0)), 1);
  return (
    <main className={styles.page}>
      <div className={styles.top}>
        <h1 className={styles.headline}>Catalogue</h1>
        <label className={styles.file}>
          Import a catalogue (JSON)
          <input
            type="file"
            accept=".json,application/json"
            disabled={busy}
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              if (chosen) void read(chosen);
              e.target.value = '';
            }}
          />
        </label>
      </div>
      <p className={styles.lead}>
        Your own transcription of the sheets you work to. A revision never changes once plans may stand on it;
        a changed sheet comes in as a new revision.
      </p>
      {problems.length > 0 ? (
        <div className={styles.problems} role="alert">
          <b>Nothing was imported.</b>
          <ul>
            {problems.slice(0, 20).map((p) => (
              <li key={`${p.path}${p.message}`}>{problemLine(p)}</li>
            ))}
          </ul>
          {problems.length > 20 ? <p>and {problems.length - 20} more</p> : null}
        </div>
      ) : null}
      {report ? (
        <p role="status" className={styles.report}>
          <b>{report.name}</b>:{' '}
          {report.already
            ? 'already in the catalogue, nothing changed.'
            : report.families
                .map(
                  (f) =>
                    `${f.code} revision ${f.revision} ${f.state === 'new' ? `new, ${f.sizes} sizes${f.missing.length > 0 ? ', plan only' : ''}` : 'unchanged'}`,
                )
                .join('; ')}
        </p>
      ) : null}
      {families.length === 0 ? (
        <p className={styles.lead}>The catalogue is empty. Import a file to begin.</p>
      ) : null}
      {families.map((f) => (
        <section key={f.code} className={styles.family}>
          <h2>
            {f.code} <span className={styles.quiet}>{f.title}</span>
          </h2>
          <p className={styles.quiet}>
            {f.sheet}, revision {f.revision} ·{' '}
            {f.missing.length === 0
              ? 'complete: marks and bench steps come from it'
              : `plan only: ${f.missing.join('; ')}`}
          </p>
          <table className={styles.sizes}>
            <thead>
              <tr>
                <th>Size</th>
                <th>Entry</th>
                <th>Outer seal, mm</th>
                <th>as printed in inches</th>
                <th className={styles.wide}>0 to {trimNumber(top, 0)} mm</th>
              </tr>
            </thead>
            <tbody>
              {f.sizes.map((s) => (
                <tr key={s.code}>
                  <th scope="row">{s.code}</th>
                  <td>{s.thread}</td>
                  <td className={styles.num}>
                    {s.outer ? `${trimNumber(s.outer[0], 1)}–${trimNumber(s.outer[1], 1)}` : '–'}
                  </td>
                  <td className={styles.num}>{s.printedInches}</td>
                  <td>
                    {s.outer ? (
                      <span className={styles.track} aria-hidden="true">
                        <span
                          style={{
                            left: `${(s.outer[0] / top) * 100}%`,
                            width: `${((s.outer[1] - s.outer[0]) / top) * 100}%`,
                          }}
                        />
                      </span>
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
      {parts.length > 0 ? (
        <section className={styles.family}>
          <h2>Adaptors and accessories</h2>
          <p className={styles.parts}>{parts.map((p) => `${p.partNumber} ${p.what}`).join(' · ')}</p>
        </section>
      ) : null}
    </main>
  );
}
