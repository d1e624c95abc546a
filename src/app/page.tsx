import Link from 'next/link';
import { redirect } from 'next/navigation';
import { connection } from 'next/server';
import { look } from '@/server/gate';
import { TopBar } from '@/ui/shell/TopBar';
import { Away } from './away';
import styles from './page.module.css';

export default async function Home() {
  await connection();
  const jobs = await look('viewJobs', []);
  if (!jobs.ok) return <Away />;
  const [only, ...others] = jobs.value;
  if (only && others.length === 0) redirect(`/job/${encodeURIComponent(only.slug)}/board`);
  return (
    <div className={styles.shell}>
      <TopBar job={null} />
      <main className={styles.home}>
        <h1>Jobs</h1>
        {jobs.value.length === 0 ? <p>No job yet. The demo job is loaded by `npm run demo`.</p> : null}
        <ul>
          {jobs.value.map((job) => (
            <li key={job.slug}>
              <Link href={`/job/${encodeURIComponent(job.slug)}/board`}>{job.name}</Link>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
