import type { Metadata } from 'next';
import { connection } from 'next/server';
import { RunningPage } from '@/ui/running/RunningPage';
import { look } from '../for-pages';
import { ProductShell } from '../product-shell';
import { Refused } from '../refusal';

export const metadata: Metadata = { title: 'What runs' };

export default async function Running() {
  await connection();
  const view = await look('viewRunning', []);
  return (
    <ProductShell>
      {view.ok ? <RunningPage first={view.value} /> : <Refused problems={view.problems} back="/" />}
    </ProductShell>
  );
}
