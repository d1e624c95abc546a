import type { Metadata } from 'next';
import { connection } from 'next/server';
import { notFound, redirect } from 'next/navigation';
import { hasOwnFigures } from '@/core/catalogue';
import { look } from '../../../for-pages';
import { FamilyEditor } from '@/ui/catalogue/editor/FamilyEditor';
import { TopBar } from '@/ui/shell/TopBar';
import { RefusedPage } from '../../../refusal';
import styles from '../../../page.module.css';

export const metadata: Metadata = { title: 'Type in a sheet' };

export default async function EditFamily({ params }: { readonly params: Promise<{ code: string }> }) {
  await connection();
  const { code } = await params;
  const catalogue = await look('viewCatalogue', []);
  if (!catalogue.ok) return <RefusedPage problems={catalogue.problems} back="/catalogue" />;
  const found = catalogue.value.families.find((f) => f.family.code === code);
  if (!found) notFound();
  if (hasOwnFigures(found.family))
    redirect(`/catalogue/type/family?${new URLSearchParams({ like: code }).toString()}`);
  return (
    <div className={styles.shell}>
      <TopBar job={null} />
      <FamilyEditor family={found.family} today={new Date().toISOString().slice(0, 10)} />
    </div>
  );
}
