import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { STATIONS } from '@/core/record';
import { look } from '../../../../../../for-pages';
import { TerminationPage } from '@/ui/termination/TerminationPage';
import { Refused } from '../../../../../../refusal';
import { endOf, segment } from '../../../../../../segment';
import { Seen } from '@/ui/data/Seen';

interface Props {
  readonly params: Promise<{ job: string; cable: string; end: string; station: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { cable, end } = await params;
  return { title: `${segment(cable)}/${end}` };
}

export default async function StationPage({ params }: Props) {
  const { job, cable, end, station } = await params;
  const known = STATIONS.find((s) => s === station);
  if (!known) notFound();
  const ref = { job: segment(job), cable: segment(cable), end: endOf(end) };
  const view = await look('viewTermination', [ref]);
  if (!view.ok) return <Refused problems={view.problems} back={`/job/${job}/board`} />;
  return (
    <Seen at={['viewTermination', ref]} value={view.value}>
      <TerminationPage end={ref} station={known} />
    </Seen>
  );
}
