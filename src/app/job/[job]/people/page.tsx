import type { Metadata } from 'next';
import { connection } from 'next/server';
import { MembersPage } from '@/ui/people/MembersPage';
import { look } from '../../../for-pages';
import { Refused } from '../../../refusal';
import { segment } from '../../../segment';
import { JobShell } from '../shell';

export const metadata: Metadata = { title: 'People' };

export default async function Members({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewMembers', [job.slug]);
        return view.ok ? (
          <MembersPage job={job.slug} first={view.value} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
