import type { Metadata } from 'next';
import { look } from '@/server/gate';
import { Board } from '@/ui/board/Board';
import { firstLines } from '@/ui/board/lanes';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Board' };

export default async function BoardPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  return (
    <JobShell slug={segment(job)}>
      {async (view) => {
        const [moved, all] = await Promise.all([
          look('countMovedOn', [view.slug]),
          look('viewSummaries', [view.slug]),
        ]);
        return (
          <Board
            job={view.slug}
            moved={moved.ok ? moved.value : null}
            first={all.ok ? firstLines(all.value) : null}
          />
        );
      }}
    </JobShell>
  );
}
