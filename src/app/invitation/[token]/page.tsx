import type { Metadata } from 'next';
import { connection } from 'next/server';
import { viewInvitation } from '@/server/people';
import { InvitationPage } from '@/ui/people/InvitationPage';
import { acting } from '../../acting';
import { Away } from '../../away';
import { segment } from '../../segment';

export const metadata: Metadata = { title: 'Invitation' };

export default async function Invitation({ params }: { readonly params: Promise<{ token: string }> }) {
  await connection();
  const token = segment((await params).token);
  const [found, me] = await Promise.all([viewInvitation(token, new Date()), acting()]);
  if (!found.ok || !me.ok) return <Away />;
  const { value } = found;
  return (
    <InvitationPage
      token={token}
      invitation={
        value === null
          ? null
          : {
              name: value.name,
              job: value.job,
              roles: value.roles,
              administrator: value.administrator,
              back: value.forPerson !== null,
            }
      }
      me={me.value?.name ?? null}
    />
  );
}
