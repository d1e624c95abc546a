import type { Metadata } from 'next';
import { connection } from 'next/server';
import { ChangesPage } from '@/ui/changes/ChangesPage';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Changes' };

export default async function Changes({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return <JobShell slug={slug}>{(job) => <ChangesPage job={job.slug} />}</JobShell>;
}
