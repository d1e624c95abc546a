import type { Metadata } from 'next';
import { connection } from 'next/server';
import { WholeJobPage } from '@/ui/job-choice/WholeJobPage';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Whole job' };

export default async function WholeJob({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return <JobShell slug={slug}>{(job) => <WholeJobPage job={job.slug} />}</JobShell>;
}
