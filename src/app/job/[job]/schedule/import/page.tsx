import type { Metadata } from 'next';
import { ImportPage } from '@/ui/schedule/ImportPage';
import { JobShell } from '../../shell';
import { segment } from '../../../../segment';

export const metadata: Metadata = { title: 'Import' };

export default async function Import({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  return <JobShell slug={segment(job)}>{(view) => <ImportPage job={view.slug} />}</JobShell>;
}
