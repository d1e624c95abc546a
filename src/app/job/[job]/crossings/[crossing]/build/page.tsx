import type { Metadata } from 'next';
import { connection } from 'next/server';
import { look } from '@/server/gate';
import { BuildPage } from '@/ui/crossing/BuildPage';
import { previewPlaces, reenterCrossing, saveCrossing, takeCrossing, work } from '../../../../../actions';
import { Refused } from '../../../../../refusal';
import { segment } from '../../../../../segment';

interface Props {
  readonly params: Promise<{ job: string; crossing: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Build ${segment((await params).crossing)}` };
}

export default async function Build({ params }: Props) {
  await connection();
  const { job, crossing } = await params;
  const view = await look('viewCrossing', [{ job: segment(job), crossing: segment(crossing) }]);
  if (!view.ok) return <Refused problems={view.problems} back={`/job/${job}/crossings`} />;
  return (
    <BuildPage
      view={view.value}
      actions={{
        save: saveCrossing,
        take: takeCrossing,
        reenter: reenterCrossing,
        work,
        preview: previewPlaces,
      }}
    />
  );
}
