import type { Metadata } from 'next';
import { connection } from 'next/server';
import { PeoplePage } from '@/ui/people/PeoplePage';
import { look } from '../for-pages';
import { ProductShell } from '../product-shell';
import { Refused } from '../refusal';

export const metadata: Metadata = { title: 'Accounts' };

export default async function People() {
  await connection();
  const view = await look('viewPeople', []);
  return (
    <ProductShell>
      {view.ok ? <PeoplePage first={view.value} /> : <Refused problems={view.problems} back="/" />}
    </ProductShell>
  );
}
