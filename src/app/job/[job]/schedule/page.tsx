import type { Metadata } from 'next';
import { look } from '../../../for-pages';
import { SchedulePage } from '@/ui/schedule/SchedulePage';
import { Refused } from '../../../refusal';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Schedule' };

export default async function Schedule({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  return (
    <JobShell slug={segment(job)}>
      {async (view) => {
        const choices = await look('scheduleChoices', [view.slug]);
        if (!choices.ok) return <Refused problems={choices.problems} back="/" />;
        return <SchedulePage job={view} choices={choices.value} />;
      }}
    </JobShell>
  );
}
