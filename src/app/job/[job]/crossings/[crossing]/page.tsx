import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '@/server/gate';
import { CrossingPage } from '@/ui/crossing/CrossingPage';
import { previewPlaces, reenterCrossing, saveCrossing, takeCrossing, work } from '../../../../actions';
import { Refused } from '../../../../refusal';
import { JobShell } from '../../shell';
import { segment } from '../../../../segment';

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
        const view = await look('viewCrossing', [{ job: job.slug, crossing: segment(crossing) }]);
        return view.ok ? (
          <CrossingPage
            view={view.value}
            actions={{
              save: saveCrossing,
              take: takeCrossing,
              reenter: reenterCrossing,
              work,
              preview: previewPlaces,
            }}
          />
        ) : (
          <Refused problems={view.problems} back={`/job/${job.slug}/crossings`} />
        );
      }}
    </JobShell>
  );
}
