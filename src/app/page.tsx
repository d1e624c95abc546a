import { connection } from 'next/server';
import { JobsPage } from '@/ui/jobs/JobsPage';
import { Away } from './away';
import { look } from './for-pages';
import { ProductShell } from './product-shell';

export default async function Home() {
  await connection();
  const cards = await look('viewJobCards', []);
  if (!cards.ok) return <Away />;
  return (
    <ProductShell>
      <JobsPage first={cards.value} />
    </ProductShell>
  );
}
