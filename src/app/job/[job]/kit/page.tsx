import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '../../../for-pages';
import { KitPage } from '@/ui/kit/KitPage';
import { Refused } from '../../../refusal';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Kit' };

export default async function Kit({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewKit', [job.slug]);
        return view.ok ? (
          <KitPage job={job.slug} first={view.value} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
