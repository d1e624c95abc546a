import type { Metadata } from 'next';
import { connection } from 'next/server';
import { BoxPage } from '@/ui/boxes/BoxPage';
import { look } from '../../../../for-pages';
import { Refused } from '../../../../refusal';
import { segment } from '../../../../segment';
import { JobShell } from '../../shell';

interface Props {
  readonly params: Promise<{ job: string; box: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: segment((await params).box) };
}

export default async function OneBox({ params }: Props) {
  await connection();
  const { job: slug, box: tag } = await params;
  return (
    <JobShell slug={segment(slug)}>
      {async (job) => {
        const view = await look('viewBoxes', [job.slug]);
        const box = view.ok ? view.value.find((b) => b.box.tag === segment(tag)) : undefined;
        if (box !== undefined) return <BoxPage job={job.slug} first={box} />;
        const problems = view.ok
          ? [{ path: 'box', message: 'there is no such box in this job' }]
          : view.problems;
        return <Refused problems={problems} back={`/job/${job.slug}/boxes`} />;
      }}
    </JobShell>
  );
}
