import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '../../../for-pages';
import { CrossingsPage } from '@/ui/crossing/CrossingsPage';
import { Refused } from '../../../refusal';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Crossings' };

export default async function Crossings({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const lines = await look('viewCrossings', [job.slug]);
        return lines.ok ? (
          <CrossingsPage job={job.slug} lines={lines.value} />
        ) : (
          <Refused problems={lines.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
