import type { Metadata } from 'next';
import { connection } from 'next/server';
import { notFound } from 'next/navigation';
import { sheetsInForce, isRecordKind, RECORDS } from '@/core/catalogue';
import { RecordEditor } from '@/ui/catalogue/record/RecordEditor';
import { TopBar } from '@/ui/shell/TopBar';
import { look } from '../../../for-pages';
import { RefusedPage } from '../../../refusal';
import styles from '../../../page.module.css';

export const metadata: Metadata = { title: 'Type in a sheet' };

interface Props {
  readonly params: Promise<{ kind: string }>;
  readonly searchParams: Promise<{ like?: string; job?: string }>;
}

type Named = Readonly<Record<string, unknown>>;

export default async function TypeIn({ params, searchParams }: Props) {
  await connection();
  const [{ kind }, { like, job }] = await Promise.all([params, searchParams]);
  if (!isRecordKind(kind)) notFound();
  const [catalogue, jobs] = await Promise.all([look('viewCatalogue', []), look('viewJobs', [])]);
  const back = `/catalogue${job === undefined ? '' : `?${new URLSearchParams({ job }).toString()}`}`;
  if (!catalogue.ok) return <RefusedPage problems={catalogue.problems} back={back} />;
  const { families, adaptors, accessories, compounds, frameSheets, seals } = catalogue.value;
  const all = {
    family: families.map((f) => f.family),
    adaptor: adaptors,
    accessory: accessories,
    compound: compounds,
    frames: sheetsInForce(frameSheets),
    sleeves: sheetsInForce(seals.sleeveSheets),
    plugs: sheetsInForce(seals.plugSheets),
    wraps: sheetsInForce(seals.wrapSheets),
  }[kind] as readonly Named[];
  const { key } = RECORDS[kind];
  const model = like === undefined ? null : (all.find((r) => r[key] === like) ?? null);
  if (like !== undefined && model === null) notFound();
  const at = jobs.ok ? jobs.value.find((j) => j.slug === job) : undefined;
  return (
    <div className={styles.shell}>
      <TopBar job={at ? { slug: at.slug, name: at.name } : null} />
      <RecordEditor
        kind={kind}
        like={model === null ? null : { ...model }}
        there={all.map((r) => String(r[key]))}
        today={new Date().toISOString().slice(0, 10)}
        back={back}
      />
    </div>
  );
}
