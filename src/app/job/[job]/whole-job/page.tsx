import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '@/server/gate';
import { WholeJobPage } from '@/ui/whole-job/WholeJobPage';
import { acceptJobChoice, undo } from '../../../actions';
import { Refused } from '../../../refusal';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Whole job' };

export default async function WholeJob({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewJobChoice', [job.slug]);
        return view.ok ? (
          <WholeJobPage job={job.slug} view={view.value} accept={acceptJobChoice} undo={undo} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
