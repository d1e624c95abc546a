import type { Metadata } from 'next';
import { connection } from 'next/server';
import { SettingsPage } from '@/ui/jobs/SettingsPage';
import { look } from '../../../for-pages';
import { Refused } from '../../../refusal';
import { segment } from '../../../segment';
import { JobShell } from '../shell';

export const metadata: Metadata = { title: 'Settings' };

export default async function Settings({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return (
    <JobShell slug={slug}>
      {async (job) => {
        const catalogue = await look('viewCatalogue', []);
        return catalogue.ok ? (
          <SettingsPage
            job={job}
            families={catalogue.value.families.map(({ family }) => ({
              code: family.code,
              title: family.title,
            }))}
          />
        ) : (
          <Refused problems={catalogue.problems} back={`/job/${job.slug}/board`} />
        );
      }}
    </JobShell>
  );
}
