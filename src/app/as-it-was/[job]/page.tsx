import type { Metadata } from 'next';
import { OldEnds } from '@/ui/as-it-was/OldParts';
import { segment } from '../../segment';
import { JOBS_THEN, shownAsItWas } from '../shown';

export const metadata: Metadata = { title: 'Job as it was' };

export default async function JobAsItWas({ params }: { readonly params: Promise<{ job: string }> }) {
  const job = segment((await params).job);
  return shownAsItWas({
    name: 'viewSummaries',
    args: [job],
    title: job,
    from: [JOBS_THEN],
    live: `/job/${encodeURIComponent(job)}/board`,
    show: (ends) => <OldEnds job={job} ends={ends} />,
  });
}
