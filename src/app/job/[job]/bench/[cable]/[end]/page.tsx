import type { Metadata } from 'next';
import { look } from '../../../../../for-pages';
import { Bench } from '@/ui/bench/Bench';
import { Refused } from '../../../../../refusal';
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
  if (!view.ok) return <Refused problems={view.problems} back={`/job/${job}/board`} />;
  return (
    <Seen at={['viewTermination', ref]} value={view.value}>
      <Bench end={ref} />
    </Seen>
  );
}
