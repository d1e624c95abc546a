import type { Metadata } from 'next';
import { connection } from 'next/server';
import { PrintsPage } from '@/ui/prints/PrintsPage';
import { JobShell } from '../shell';
import { segment } from '../../../segment';

export const metadata: Metadata = { title: 'Prints' };

export default async function Prints({ params }: { readonly params: Promise<{ job: string }> }) {
  await connection();
  const slug = segment((await params).job);
  return <JobShell slug={slug}>{(job) => <PrintsPage job={job.slug} />}</JobShell>;
}
