import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '../../../../../for-pages';
import { CrossingRecord } from '@/ui/crossing/CrossingRecord';
import { Refused } from '../../../../../refusal';
import { segment } from '../../../../../segment';
import { JobShell } from '../../../shell';

interface Props {
  readonly params: Promise<{ job: string; crossing: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Record of ${segment((await params).crossing)}` };
}

export default async function CrossingRecordPage({ params }: Props) {
  await connection();
  const { job: slug, crossing } = await params;
  return (
    <JobShell slug={segment(slug)}>
      {async (job) => {
        const view = await look('viewCrossing', [{ job: job.slug, crossing: segment(crossing) }]);
        return view.ok ? (
          <CrossingRecord view={view.value} secondPerson={job.secondPerson} />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/crossings`} />
        );
      }}
    </JobShell>
  );
}
