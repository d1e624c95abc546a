import type { Metadata } from 'next';
import { connection } from 'next/server';
import { BoxesPage } from '@/ui/boxes/BoxesPage';
import { look } from '../../../for-pages';
import { Refused } from '../../../refusal';
import { segment } from '../../../segment';
import { JobShell } from '../shell';

export const metadata: Metadata = { title: 'Boxes' };

export default async function Boxes({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewBoxes', [job.slug]);
        return view.ok ? (
          <BoxesPage job={job.slug} first={view.value} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
