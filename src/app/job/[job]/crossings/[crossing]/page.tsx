import type { Metadata } from 'next';
import { connection } from 'next/server';
import { viewCrossing } from '@/server/operations/crossing';
import { CrossingPage } from '@/ui/crossing/CrossingPage';
import {
  confirmCrossing,
  previewPlaces,
  reenterCrossing,
  saveCrossing,
  takeCrossing,
} from '../../../../actions';
import { Refused } from '../../../../refusal';
import { JobShell } from '../../shell';

interface Props {
  readonly params: Promise<{ job: string; crossing: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: decodeURIComponent((await params).crossing) };
}

export default async function Crossing({ params }: Props) {
  await connection();
  const { job: slug, crossing } = await params;
  return (
    <JobShell slug={decodeURIComponent(slug)}>
      {async (job) => {
        const view = await viewCrossing({ job: job.slug, crossing: decodeURIComponent(crossing) });
        return view.ok ? (
          <CrossingPage
            view={view.value}
            actions={{
              save: saveCrossing,
              take: takeCrossing,
              reenter: reenterCrossing,
              confirm: confirmCrossing,
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
