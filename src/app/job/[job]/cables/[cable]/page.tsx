import type { Metadata } from 'next';
import { connection } from 'next/server';
import { CablePage } from '@/ui/cables/CablePage';
import { Seen } from '@/ui/data/Seen';
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
        const ref = { job: job.slug, cable: segment(tag) };
        const [atA, atB] = [
          { ...ref, end: 'A' as const },
          { ...ref, end: 'B' as const },
        ];
        const [a, b] = await Promise.all([look('viewTermination', [atA]), look('viewTermination', [atB])]);
        if (a.ok && b.ok)
          return (
            <Seen at={['viewTermination', atA]} value={a.value}>
              <Seen at={['viewTermination', atB]} value={b.value}>
                <CablePage first={[a.value, b.value]} />
              </Seen>
            </Seen>
          );
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
