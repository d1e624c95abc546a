import { redirect } from 'next/navigation';
import { look } from '../../../for-pages';
import { Refused } from '../../../refusal';
import styles from '../../../page.module.css';
import { segment } from '../../../segment';

/** The first termination that waits for somebody. */
export default async function Terminations({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  const slug = segment(job);
  const rows = await look('viewSummaries', [slug]);
  if (!rows.ok) return <Refused problems={rows.problems} back="/" />;
  const first = rows.value.find((r) => r.next !== null && r.blockedBy === null) ?? rows.value[0];
  if (first)
    redirect(
      `/job/${job}/t/${encodeURIComponent(first.cable)}/${first.end}/${first.next?.station ?? 'measure'}`,
    );
  return (
    <main className={styles.notice}>
      <h1>No terminations yet.</h1>
      <p>Add cables in the schedule, or import one.</p>
    </main>
  );
}
