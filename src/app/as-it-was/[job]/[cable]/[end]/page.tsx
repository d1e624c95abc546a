import type { Metadata } from 'next';
import { faultWords } from '@/core/record';
import { OldRecord } from '@/ui/as-it-was/OldParts';
import { endOf, segment } from '../../../../segment';
import { JOBS_THEN, shownAsItWas } from '../../../shown';

export const metadata: Metadata = { title: 'Record as it was' };

interface Props {
  readonly params: Promise<{ job: string; cable: string; end: string }>;
}

export default async function EndAsItWas({ params }: Props) {
  const given = await params;
  const [job, cable] = [segment(given.job), segment(given.cable)];
  const end = endOf(segment(given.end));
  const jobAddress = encodeURIComponent(job);
  return shownAsItWas({
    name: 'viewTermination',
    args: [{ job, cable, end }],
    title: `${cable}/${end}`,
    from: [JOBS_THEN, [job, `/as-it-was/${jobAddress}`]],
    live: `/job/${jobAddress}/t/${encodeURIComponent(cable)}/${end}/prove`,
    show: (view) => (
      <OldRecord
        events={view.events}
        faults={view.chainFaults.map(faultWords)}
        titles={Object.fromEntries(view.steps.map((s) => [s.id, s.title]))}
      />
    ),
  });
}
