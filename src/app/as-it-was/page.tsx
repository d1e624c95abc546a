import type { Metadata } from 'next';
import { OldJobs } from '@/ui/as-it-was/OldParts';
import { JOBS_THEN, shownAsItWas } from './shown';

export const metadata: Metadata = { title: 'As it was' };

export default function JobsAsTheyWere() {
  return shownAsItWas({
    name: 'viewJobs',
    args: [],
    title: JOBS_THEN[0],
    live: '/',
    show: (jobs) => <OldJobs jobs={jobs.map(({ slug, name }) => ({ slug, name }))} />,
  });
}
