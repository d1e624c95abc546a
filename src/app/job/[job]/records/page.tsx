import type { Metadata } from 'next';
import { connection } from 'next/server';
import { RecordsPage } from '@/ui/records/RecordsPage';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Records' };

export default async function Records({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return <JobShell slug={slug}>{(job) => <RecordsPage job={job.slug} />}</JobShell>;
}
