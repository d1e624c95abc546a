import type { Metadata } from 'next';
import { connection } from 'next/server';
import { CablePage } from '@/ui/cables/CablePage';
import { look } from '../../../../for-pages';
import { Refused } from '../../../../refusal';
import { segment } from '../../../../segment';
import { JobShell } from '../../shell';

interface Props {
  readonly params: Promise<{ job: string; cable: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: segment((await params).cable) };
}

export default async function OneCable({ params }: Props) {
  await connection();
  const { job: slug, cable: tag } = await params;
  return (
    <JobShell slug={segment(slug)}>
      {async (job) => {
        const end = { job: job.slug, cable: segment(tag) };
        const [a, b] = [
          await look('viewTermination', [{ ...end, end: 'A' }]),
          await look('viewTermination', [{ ...end, end: 'B' }]),
        ];
        if (a.ok && b.ok) return <CablePage first={[a.value, b.value]} />;
        return (
          <Refused
            problems={a.ok ? (b.ok ? [] : b.problems) : a.problems}
            back={`/job/${job.slug}/schedule`}
          />
        );
      }}
    </JobShell>
  );
}
