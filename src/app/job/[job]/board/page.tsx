import type { Metadata } from 'next';
import { look } from '../../../for-pages';
import { Board } from '@/ui/board/Board';
import { comesWhole, firstLines } from '@/ui/board/lanes';
import { Seen } from '@/ui/data/Seen';
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
        const whole = all.ok && comesWhole(all.value);
        const board = (
          <Board
            job={view.slug}
            moved={moved.ok ? moved.value : null}
            first={all.ok && !whole ? firstLines(all.value) : null}
          />
        );
        return whole ? (
          <Seen at={['viewSummaries', view.slug]} value={all.value}>
            {board}
          </Seen>
        ) : (
          board
        );
      }}
    </JobShell>
  );
}
