import type { Metadata } from 'next';
import { connection } from 'next/server';
import { AlongPage } from '@/ui/kept/AlongPage';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Take along' };

export default async function Along({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return <JobShell slug={slug}>{(job) => <AlongPage job={job.slug} />}</JobShell>;
}
