import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '../../../for-pages';
import { ProfilePage } from '@/ui/profile/ProfilePage';
import { Refused } from '../../../refusal';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Code profile' };

export default async function Profile({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewProfile', [job.slug]);
        return view.ok ? (
          <ProfilePage key={view.value.version} job={job.slug} view={view.value} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
