import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { look } from '../../../../../for-pages';
import { keptElsewhere } from '@/ui/joint/joint-of';
import { Bench } from '@/ui/bench/Bench';
import { RefusedPage } from '../../../../../refusal';
import { endOf, segment } from '../../../../../segment';
import { Seen } from '@/ui/data/Seen';

interface Props {
  readonly params: Promise<{ job: string; cable: string; end: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { cable, end } = await params;
  return { title: `Bench ${segment(cable)}/${end}` };
}

export default async function BenchPage({ params }: Props) {
  const { job, cable, end } = await params;
  const ref = { job: segment(job), cable: segment(cable), end: endOf(end) };
  const view = await look('viewTermination', [ref]);
  if (!view.ok) return <RefusedPage problems={view.problems} back={`/job/${job}/board`} />;
  const keeper = keptElsewhere(view.value);
  // A joint is worked at from one bench, whichever of its halves is in the hand.
  if (keeper !== null) redirect(`/job/${job}/bench/${encodeURIComponent(keeper.cable)}/${keeper.end}`);
  return (
    <Seen at={['viewTermination', ref]} value={view.value}>
      <Bench end={ref} />
    </Seen>
  );
}
