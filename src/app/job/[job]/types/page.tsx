import type { Metadata } from 'next';
import { connection } from 'next/server';
import { TypesPage } from '@/ui/cable-types/TypesPage';
import { look } from '../../../for-pages';
import { Refused } from '../../../refusal';
import { segment } from '../../../segment';
import { JobShell } from '../shell';

export const metadata: Metadata = { title: 'Cable types' };

export default async function Types({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewTypes', [job.slug]);
        return view.ok ? (
          <TypesPage job={job.slug} first={view.value} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
