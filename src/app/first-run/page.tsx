import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { connection } from 'next/server';
import { nobodyYet } from '@/server/people';
import { forThisRequest } from '../this-request';
import { FirstRunPage } from '@/ui/people/FirstRunPage';
import { Away } from '../away';

export const metadata: Metadata = { title: 'First run' };

export default async function FirstRun() {
  await connection();
  const first = await forThisRequest(nobodyYet);
  if (!first.ok) return <Away />;
  if (!first.value) redirect('/sign-in');
  return <FirstRunPage />;
}
