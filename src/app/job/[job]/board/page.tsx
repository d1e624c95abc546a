import type { Metadata } from 'next';
import { Board } from '@/ui/board/Board';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Board' };

export default async function BoardPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  return <JobShell slug={segment(job)}>{(view) => <Board job={view.slug} />}</JobShell>;
}
