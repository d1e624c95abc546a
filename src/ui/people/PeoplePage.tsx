'use client';
import Button from '@mui/material/Button';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { ROLE_WORDS, type PeopleView, type PersonView } from '@/core/people';
import { useSend } from '../data/use-send';
import { useLook } from '../data/use-look';
import { Acts } from '../kit-of-parts/Acts';
import { DataTable } from '../kit-of-parts/DataTable';
import { Place } from '../kit-of-parts/Place';
import { Problems } from '../kit-of-parts/Problems';
import { Section } from '../kit-of-parts/Section';
import { TextField } from '../kit-of-parts/TextField';
import { useRun } from '../termination/use-run';
import { freshToken, invitationLink } from './invitation-link';
import { InvitationLink } from './InvitationLink';
import { Invitations } from './Invitations';

interface Made {
  readonly name: string;
  readonly link: string;
}

/** Everybody who can sign in; for administrators of the whole application. */
export function PeoplePage({ first }: { readonly first: PeopleView }) {
  const view = useLook(['viewPeople']).view ?? first;
  const send = useSend();
  const { run, busy, problems } = useRun();
  const [made, setMade] = useState<Made | null>(null);
  const [name, setName] = useState('');
  const link = async (who: string, ask: (hash: string) => ReturnType<typeof send>) => {
    const { token, hash } = freshToken();
    const done = await run(() => ask(hash));
    if (done.ok) setMade({ name: who, link: invitationLink(token) });
  };
  return (
    <Place
      title="Accounts"
      lead="Everybody who can sign in. Who is what in a job is said in the job, under People there."
    >
      <DataTable label="Everybody who can sign in">
        <TableHead>
          <TableRow>
            <TableCell>Name</TableCell>
            <TableCell>Signs in as</TableCell>
            <TableCell>Jobs</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {view.people.map((p) => (
            <PersonLine
              key={p.id}
              person={p}
              busy={busy}
              onAdministrator={(yes) => void run(() => send('setAdministrator', p.id, yes))}
              onBlocked={(yes) => void run(() => send('setBlocked', p.id, yes))}
              onBack={() => void link(p.name, (hash) => send('inviteBack', p.id, hash))}
            />
          ))}
        </TableBody>
      </DataTable>
      <Problems problems={problems} />
      {made ? <InvitationLink link={made.link} name={made.name} onClose={() => setMade(null)} /> : null}
      <Section title="Invite another administrator">
        <Acts>
          <TextField
            label="Who"
            value={name}
            onChange={(e) => setName(e.target.value)}
            slotProps={{ htmlInput: { maxLength: 60 } }}
          />
          <Button
            variant="contained"
            disabled={busy || name.trim() === ''}
            onClick={() => {
              void link(name.trim(), (hash) => send('inviteAdministrator', name, hash));
              setName('');
            }}
          >
            {name.trim() === '' ? 'Say who is meant' : 'Make the invitation'}
          </Button>
        </Acts>
      </Section>
      <Invitations
        invitations={view.invitations}
        busy={busy}
        onWithdraw={(id) => void run(() => send('withdrawProductInvitation', id), 'Taken back.')}
      />
    </Place>
  );
}

interface LineProps {
  readonly person: PersonView;
  readonly busy: boolean;
  readonly onAdministrator: (yes: boolean) => void;
  readonly onBlocked: (yes: boolean) => void;
  readonly onBack: () => void;
}

function PersonLine({ person, busy, onAdministrator, onBlocked, onBack }: LineProps) {
  const { name, username, administrator, blocked, jobs } = person;
  const says = (words: string) => `${words}: ${name}`;
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {name}
        {administrator ? ', administrator' : ''}
        {blocked ? ' (shut out)' : ''}
      </TableCell>
      <TableCell>{username}</TableCell>
      <TableCell>
        {jobs
          .map((j) => `${j.slug}: ${j.roles.map((r) => ROLE_WORDS[r].name.toLowerCase()).join(', ')}`)
          .join(' · ')}
      </TableCell>
      <TableCell>
        <Acts tight>
          <Button
            size="small"
            variant="outlined"
            disabled={busy}
            aria-label={says('New password')}
            onClick={onBack}
          >
            New password
          </Button>
          <Button
            size="small"
            variant="outlined"
            disabled={busy}
            aria-label={says(administrator ? 'No longer administrator' : 'Make administrator')}
            onClick={() => onAdministrator(!administrator)}
          >
            {administrator ? 'No longer administrator' : 'Make administrator'}
          </Button>
          <Button
            size="small"
            variant="outlined"
            disabled={busy}
            aria-label={says(blocked ? 'Let in again' : 'Shut out')}
            onClick={() => onBlocked(!blocked)}
          >
            {blocked ? 'Let in again' : 'Shut out'}
          </Button>
        </Acts>
      </TableCell>
    </TableRow>
  );
}
