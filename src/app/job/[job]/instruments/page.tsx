import type { Metadata } from 'next';
import { connection } from 'next/server';
import { InstrumentsPage } from '@/ui/instruments/InstrumentsPage';
import { look } from '../../../for-pages';
import { Refused } from '../../../refusal';
import { segment } from '../../../segment';
import { JobShell } from '../shell';

export const metadata: Metadata = { title: 'Instruments' };

export default async function Instruments({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const view = await look('viewInstruments', [job.slug]);
        return view.ok ? (
          <InstrumentsPage job={job.slug} first={view.value} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
