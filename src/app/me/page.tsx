import type { Metadata } from 'next';
import { connection } from 'next/server';
import { MePage } from '@/ui/people/MePage';
import { look, person } from '../for-pages';
import { ProductShell } from '../product-shell';
import { Refused } from '../refusal';

export const metadata: Metadata = { title: 'My account' };

export default async function Me() {
  await connection();
  const who = await person();
  const me = await look('viewMe', []);
  return (
    <ProductShell>
      {me.ok ? (
        <MePage first={me.value} session={who.ok ? who.value.session : ''} />
      ) : (
        <Refused problems={me.problems} back="/" />
      )}
    </ProductShell>
  );
}
