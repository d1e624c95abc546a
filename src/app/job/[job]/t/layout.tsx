import type { ReactNode } from 'react';
import { Rack } from '@/ui/rack/Rack';
import { JobShell } from '../shell';
import { segment } from '../../../segment';
import styles from '../../../page.module.css';

/** The rack stays while one walks from termination to termination. */
export default async function TerminationsLayout({
  params,
  children,
}: {
  readonly params: Promise<{ job: string }>;
  readonly children: ReactNode;
}) {
  const { job } = await params;
  return (
    <JobShell slug={segment(job)}>
      {(view) => (
        <div className={styles.withRack}>
          <Rack job={view.slug} />
          <div className={styles.beside}>{children}</div>
        </div>
      )}
    </JobShell>
  );
}
