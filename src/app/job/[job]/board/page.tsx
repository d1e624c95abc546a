import type { Metadata } from 'next';
import { look } from '@/server/gate';
import { Board } from '@/ui/board/Board';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Board' };

export default async function BoardPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  return (
    <JobShell slug={segment(job)}>
      {async (view) => {
        const moved = await look('countMovedOn', [view.slug]);
        return <Board job={view.slug} moved={moved.ok ? moved.value : null} />;
      }}
    </JobShell>
  );
}
