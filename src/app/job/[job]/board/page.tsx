import type { Metadata } from 'next';
import { Board } from '@/ui/board/Board';
import { JobShell } from '../shell';

export const metadata: Metadata = { title: 'Board' };

export default async function BoardPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  return <JobShell slug={decodeURIComponent(job)}>{(view) => <Board job={view.slug} />}</JobShell>;
}
