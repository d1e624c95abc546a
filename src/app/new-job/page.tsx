import type { Metadata } from 'next';
import { connection } from 'next/server';
import { CODE_PROFILES } from '@/core/schedule';
import { NewJobPage } from '@/ui/jobs/NewJobPage';
import { look } from '../for-pages';
import { ProductShell } from '../product-shell';
import { Refused } from '../refusal';

export const metadata: Metadata = { title: 'New job' };

export default async function NewJob() {
  await connection();
  const [jobs, catalogue] = await Promise.all([look('viewJobs', []), look('viewCatalogue', [])]);
  const problems = [jobs, catalogue].flatMap((r) => (r.ok ? [] : r.problems));
  return (
    <ProductShell>
      {jobs.ok && catalogue.ok ? (
        <NewJobPage
          profiles={CODE_PROFILES.map(({ key, title, edition }) => ({ key, title, edition }))}
          families={catalogue.value.families.map(({ family }) => ({
            code: family.code,
            title: family.title,
          }))}
          jobs={jobs.value.map(({ slug, name }) => ({ slug, name }))}
        />
      ) : (
        <Refused problems={problems} back="/" />
      )}
    </ProductShell>
  );
}
