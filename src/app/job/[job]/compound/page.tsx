import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '../../../for-pages';
import { CompoundPage } from '@/ui/compound-cure/job/CompoundPage';
import { Refused } from '../../../refusal';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Compound' };

export default async function Compound({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewCompound', [job.slug]);
        return view.ok ? (
          <CompoundPage job={job.slug} view={view.value} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
