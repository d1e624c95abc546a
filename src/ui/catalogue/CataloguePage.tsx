'use client';
import Link from 'next/link';
import { PURPOSE_WORDS, type Family, type FrameSheet, type Purpose } from '@/core/catalogue';
import type { CatalogueCable } from '@/core/termination-view';
import { FamilyPanel } from './FamilyPanel';
import { FrameSheetPanel } from './FrameSheetPanel';
import { ImportPanel } from './ImportPanel';
import styles from './CataloguePage.module.css';

interface Props {
  readonly families: readonly {
    readonly code: string;
    readonly title: string;
    readonly revision: string;
    readonly purpose: Purpose;
    readonly planOnly: boolean;
  }[];
  readonly shown: { readonly family: Family; readonly missing: readonly string[] } | null;
  readonly jobs: readonly { readonly slug: string; readonly name: string }[];
  readonly job: string | null;
  readonly cables: readonly CatalogueCable[];
  readonly parts: readonly { readonly partNumber: string; readonly what: string }[];
  readonly frameSheets: readonly FrameSheet[];
}

/** The families in force with their ranges, and the door through which a new sheet comes in. */
export function CataloguePage({ families, shown, jobs, job, cables, parts, frameSheets }: Props) {
  const address = (family: string | null, slug: string | null) =>
    `/catalogue?${new URLSearchParams({ ...(family === null ? {} : { family }), ...(slug === null ? {} : { job: slug }) }).toString()}`;
  return (
    <main className={styles.page}>
      <div className={styles.top}>
        <h1 className={styles.headline}>Catalogue</h1>
        <ImportPanelSlot />
      </div>
      <p className={styles.lead}>
        Your own transcription of the sheets you work to. A revision never changes once plans may stand on it;
        a changed sheet comes in as a new revision, and old plans keep theirs until they are made again.
      </p>
      {shown === null ? (
        <p className={styles.lead}>The catalogue is empty. Import a file to begin.</p>
      ) : (
        <div className={styles.body}>
          <nav className={styles.families} aria-label="Families">
            {families.map((f) => (
              <Link
                key={f.code}
                href={address(f.code, job)}
                className={styles.familyLink}
                aria-current={f.code === shown.family.code ? 'page' : undefined}
                prefetch={false}
              >
                <b>{f.code}</b> <span>{PURPOSE_WORDS[f.purpose]}</span>
                <span className={styles.revision}>
                  revision {f.revision}
                  {f.planOnly ? ', plan only' : ''}
                </span>
              </Link>
            ))}
            <div className={styles.jobs} role="group" aria-label="Job whose cables are drawn">
              <span className={styles.quiet}>Cables drawn from</span>
              {jobs.map((j) => (
                <Link
                  key={j.slug}
                  href={address(shown.family.code, j.slug)}
                  aria-current={j.slug === job ? 'true' : undefined}
                  prefetch={false}
                >
                  {j.name}
                </Link>
              ))}
            </div>
          </nav>
          <FamilyPanel family={shown.family} missing={shown.missing} cables={cables} />
        </div>
      )}
      {frameSheets.map((sheet) => (
        <FrameSheetPanel key={sheet.code} sheet={sheet} />
      ))}
      {parts.length > 0 ? (
        <details className={styles.partsBox}>
          <summary>{parts.length} adaptors, accessories and compounds</summary>
          <ul className={styles.parts}>
            {parts.map((p) => (
              <li key={p.partNumber}>
                <b>{p.partNumber}</b> {p.what}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </main>
  );
}

const ImportPanelSlot = () => (
  <div className={styles.door}>
    <ImportPanel />
  </div>
);
