import type { Metadata } from 'next';
import { ImportPage } from '@/ui/import/ImportPage';
import { look } from '../../../../for-pages';
import { Refused } from '../../../../refusal';
import { segment } from '../../../../segment';
import { JobShell } from '../../shell';

export const metadata: Metadata = { title: 'Import' };

export default async function Import({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  return (
    <JobShell slug={segment(job)}>
      {async (view) => {
        const choices = await look('scheduleChoices', [view.slug]);
        return choices.ok ? (
          <ImportPage job={view.slug} choices={choices.value} />
        ) : (
          <Refused problems={choices.problems} back="/" />
        );
      }}
    </JobShell>
  );
}
