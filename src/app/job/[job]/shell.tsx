import type { ReactNode } from 'react';
import { look, mayNot } from '../../for-pages';
import { MayProvider } from '@/ui/shell/may';
import { Live } from '@/ui/shell/Live';
import { TopBar } from '@/ui/shell/TopBar';
import type { JobView } from '@/core/termination-view';
import { Guide } from '@/ui/guide/Guide';
import { Refused } from '../../refusal';
import styles from '../../page.module.css';

/** The first steps lead through this one. */
const DEMO_JOB = 'quillmere';

const now = (): Promise<number> => Promise.resolve(Date.now());

/** Top bar and body of every place of a job; says so when the job is not there or the database is away. */
export async function JobShell({
  slug,
  children,
}: {
  readonly slug: string;
  readonly children: (job: JobView) => ReactNode | Promise<ReactNode>;
}) {
  // Before anything of the page is read: what is done from now on it may not show.
  const [readAt, job, not] = await Promise.all([now(), look('viewJob', [slug]), mayNot(slug)]);
  return (
    <div className={styles.shell}>
      <a className={styles.skip} href="#page">
        Skip to the page
      </a>
      <TopBar job={job.ok ? { slug: job.value.slug, name: job.value.name } : null} />
      {job.ok && job.value.slug === DEMO_JOB && process.env.AMBER_COLLAR_DEMO === '1' ? (
        <Guide job={job.value.slug} />
      ) : null}
      {job.ok ? <Live job={job.value.slug} readAt={readAt} /> : null}
      <div className={styles.body} id="page" tabIndex={-1}>
        {job.ok ? (
          <MayProvider mayNot={not}>{await children(job.value)}</MayProvider>
        ) : (
          <Refused problems={job.problems} back="/" />
        )}
      </div>
    </div>
  );
}
