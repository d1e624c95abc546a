import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '../../../../../for-pages';
import { BuildPage } from '@/ui/crossing/BuildPage';
import { RefusedPage } from '../../../../../refusal';
import { segment } from '../../../../../segment';
import { Seen } from '@/ui/data/Seen';

interface Props {
  readonly params: Promise<{ job: string; crossing: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Build ${segment((await params).crossing)}` };
}

export default async function Build({ params }: Props) {
  await connection();
  const { job, crossing } = await params;
  const ref = { job: segment(job), crossing: segment(crossing) };
  const view = await look('viewCrossing', [ref]);
  if (!view.ok) return <RefusedPage problems={view.problems} back={`/job/${job}/crossings`} />;
  return (
    <Seen at={['viewCrossing', ref]} value={view.value}>
      <BuildPage at={ref} />
    </Seen>
  );
}
