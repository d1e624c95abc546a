import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '../../../../for-pages';
import { CrossingPage } from '@/ui/crossing/CrossingPage';
import { Refused } from '../../../../refusal';
import { JobShell } from '../../shell';
import { segment } from '../../../../segment';
import { Seen } from '@/ui/data/Seen';

interface Props {
  readonly params: Promise<{ job: string; crossing: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: segment((await params).crossing) };
}

export default async function Crossing({ params }: Props) {
  await connection();
  const { job: slug, crossing } = await params;
  return (
    <JobShell slug={segment(slug)}>
      {async (job) => {
        const ref = { job: job.slug, crossing: segment(crossing) };
        const view = await look('viewCrossing', [ref]);
        return view.ok ? (
          <Seen at={['viewCrossing', ref]} value={view.value}>
            <CrossingPage at={ref} />
          </Seen>
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/crossings`} />
        );
      }}
    </JobShell>
  );
}
