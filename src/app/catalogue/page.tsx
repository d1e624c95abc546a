import type { Metadata } from 'next';
import { connection } from 'next/server';
import { missingForProcedure, threadName } from '@/core/catalogue';
import { viewCatalogue } from '@/server/operations/catalogue';
import { CataloguePage } from '@/ui/catalogue/CataloguePage';
import { TopBar } from '@/ui/shell/TopBar';
import { viewJobs } from '@/server/operations/view';
import { importCatalogueFile } from '../actions';
import { Refused } from '../refusal';
import styles from '../page.module.css';

export const metadata: Metadata = { title: 'Catalogue' };

export default async function Catalogue() {
  await connection();
  const [catalogue, jobs] = await Promise.all([viewCatalogue(), viewJobs()]);
  const job = jobs.ok && jobs.value.length === 1 ? (jobs.value[0] ?? null) : null;
  return (
    <div className={styles.shell}>
      <TopBar job={job} />
      {catalogue.ok ? (
        <CataloguePage
          families={catalogue.value.families.map(({ family }) => ({
            code: family.code,
            title: family.title,
            revision: family.sheet.revision,
            sheet: family.sheet.title,
            missing: missingForProcedure(family).map((m) => m.message),
            sizes: family.sizes.map((s) => ({
              code: s.code,
              thread: threadName(s.entry.thread),
              outer: s.outerSeal ? ([s.outerSeal.min, s.outerSeal.max] as const) : null,
              printedInches:
                s.outerSeal?.inMin !== undefined ? `${s.outerSeal.inMin}–${s.outerSeal.inMax ?? ''}` : '–',
            })),
          }))}
          parts={[
            ...catalogue.value.adaptors.map((a) => ({
              partNumber: a.partNumber,
              what: `${threadName(a.male)} to ${threadName(a.female)}`,
            })),
            ...catalogue.value.accessories.map((a) => ({
              partNumber: a.partNumber,
              what: `${a.thicknessMm} mm`,
            })),
          ]}
          importFile={importCatalogueFile}
        />
      ) : (
        <Refused problems={catalogue.problems} back="/" />
      )}
    </div>
  );
}
