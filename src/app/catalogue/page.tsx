import type { Metadata } from 'next';
import { connection } from 'next/server';
import { sheetsInForce, missingForProcedure, purposeOf, threadName } from '@/core/catalogue';
import { ACCESSORY_WORDS } from '@/core/gland-selection';
import { look, mayNot } from '../for-pages';
import { MayProvider } from '@/ui/shell/may';
import { CataloguePage } from '@/ui/catalogue/CataloguePage';
import { TopBar } from '@/ui/shell/TopBar';
import { RefusedPage } from '../refusal';
import styles from '../page.module.css';

export const metadata: Metadata = { title: 'Catalogue' };

type Seen = Awaited<ReturnType<typeof look<'viewCatalogue'>>>;
type Catalogue = Extract<Seen, { readonly ok: true }>['value'];

interface Props {
  readonly searchParams: Promise<{ family?: string; job?: string }>;
}

export default async function CatalogueOfJob({ searchParams }: Props) {
  await connection();
  const asked = await searchParams;
  const [catalogue, jobs] = await Promise.all([look('viewCatalogue', []), look('viewJobs', [])]);
  if (!catalogue.ok) return <RefusedPage problems={catalogue.problems} back="/" />;
  if (!jobs.ok) return <RefusedPage problems={jobs.problems} back="/" />;
  const all = jobs.value;
  const job = all.find((j) => j.slug === asked.job) ?? all[0] ?? null;
  const { families, frameSheets, seals } = catalogue.value;
  const shown = families.find((f) => f.family.code === asked.family) ?? families[0] ?? null;
  return (
    <div className={styles.shell}>
      <TopBar job={job ? { slug: job.slug, name: job.name } : null} />
      <MayProvider mayNot={await mayNot(job?.slug ?? null)}>
        <CataloguePage
          families={families.map(({ family, planOnly }) => ({
            code: family.code,
            title: family.title,
            revision: family.sheet.revision,
            purpose: purposeOf(family),
            planOnly,
          }))}
          shown={shownOf(shown)}
          jobs={all.map(({ slug, name }) => ({ slug, name }))}
          job={job?.slug ?? null}
          {...await cablesOf(job?.slug ?? null)}
          parts={partsOf(catalogue.value)}
          frameSheets={sheetsInForce(frameSheets)}
          seals={{
            plugSheets: sheetsInForce(seals.plugSheets),
            sleeveSheets: sheetsInForce(seals.sleeveSheets),
            wrapSheets: sheetsInForce(seals.wrapSheets),
          }}
        />
      </MayProvider>
    </div>
  );
}

/** The measured ends of a job, or why they cannot be drawn; of no job there are none to draw. */
async function cablesOf(job: string | null) {
  const seen = job === null ? null : await look('viewCatalogueCables', [job]);
  if (seen === null) return { cables: null, notDrawn: [] };
  return seen.ok ? { cables: seen.value, notDrawn: [] } : { cables: null, notDrawn: seen.problems };
}

/** What is in force besides families and frames, in a line each. */
const partsOf = ({ adaptors, accessories, compounds }: Catalogue) => [
  ...adaptors.map((a) => ({
    kind: 'adaptor' as const,
    partNumber: a.partNumber,
    what: `adaptor ${threadName(a.male)} to ${threadName(a.female)}`,
  })),
  ...accessories.map((a) => ({
    kind: 'accessory' as const,
    partNumber: a.partNumber,
    what: `${ACCESSORY_WORDS[a.kind]} ${threadName(a.thread)}, ${a.thicknessMm} mm`,
  })),
  ...compounds.map((c) => ({
    kind: 'compound' as const,
    partNumber: c.product,
    what: `${c.sheet.title}, revision ${c.sheet.revision}; packs of ${c.packs.map((p) => `${p.ml} mL`).join(', ')}`,
  })),
];

/** The family that is looked at, with what its sheet lacks. */
const shownOf = (found: Catalogue['families'][number] | null) =>
  found === null
    ? null
    : { family: found.family, missing: missingForProcedure(found.family).map((m) => m.message) };
