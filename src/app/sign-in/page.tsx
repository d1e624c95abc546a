import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { connection } from 'next/server';
import { nobodyYet } from '@/server/people';
import { SignInPage } from '@/ui/people/SignInPage';
import { acting } from '../acting';
import { forThisRequest } from '../this-request';
import { Away } from '../away';

export const metadata: Metadata = { title: 'Sign in' };

/** An address of this application and of no other: what was asked for, or the first page. */
const within = (to: string | undefined): string => (to !== undefined && /^\/(?![/\\])/.test(to) ? to : '/');

export default async function SignIn({
  searchParams,
}: {
  readonly searchParams: Promise<{ to?: string | string[] }>;
}) {
  await connection();
  const { to } = await searchParams;
  const [first, me] = await Promise.all([forThisRequest(nobodyYet), acting()]);
  if (!first.ok || !me.ok) return <Away />;
  const target = within(typeof to === 'string' ? to : undefined);
  if (first.value) redirect('/first-run');
  if (me.value !== null) redirect(target);
  return <SignInPage to={target} demo={process.env.AMBER_COLLAR_DEMO === '1'} />;
}
